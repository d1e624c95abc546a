import Button from '@mui/material/Button';
import { Caution } from '../../kit-of-parts/Caution';
import { Choice } from '../../kit-of-parts/Choice';

interface AnySheet {
  readonly code: string;
  readonly sheet: { readonly revision: string; readonly issued: string; readonly title: string };
}

interface Props<S extends AnySheet> {
  /** That the crossing stands on, and of each system the revision in force. */
  readonly own: S;
  readonly inForce: readonly S[];
  /** The one that is named in the form. */
  readonly named: { readonly code: string; readonly revision: string } | undefined;
  readonly onTake: (sheet: S) => void;
  readonly width?: string;
}

const keyOf = ({ code, sheet }: AnySheet): string => `${code} ${sheet.revision}`;

/** The sheet that is named in a form; the one that the crossing stands on where none is. */
export const sheetNamed = <S extends AnySheet>({
  own,
  inForce,
  named,
}: Pick<Props<S>, 'own' | 'inForce' | 'named'>): S =>
  inForce.find((s) => s.code === named?.code && s.sheet.revision === named.revision) ?? own;

/** The sheet that a crossing stands on; a later revision is offered and taken by hand. */
export function SheetField<S extends AnySheet>({ own, inForce, named, onTake, width }: Props<S>) {
  const sheets = [own, ...inForce.filter((s) => keyOf(s) !== keyOf(own))];
  const sheet = sheetNamed({ own, inForce, named });
  const later = inForce.find((s) => s.code === sheet.code && keyOf(s) !== keyOf(sheet));
  return (
    <>
      <Choice
        label="Sheet"
        name="sheet"
        value={keyOf(sheet)}
        options={sheets.map((s) => [keyOf(s), `${s.code} revision ${s.sheet.revision}, ${s.sheet.issued}`])}
        onChange={(key) => {
          const next = sheets.find((s) => keyOf(s) === key);
          if (next) onTake(next);
        }}
        {...(width === undefined ? {} : { width })}
      />
      {later ? (
        <Caution tone="marginal">
          Revision {later.sheet.revision} is in force. This crossing stands on {sheet.sheet.revision} until it
          is taken; then it must be planned again.{' '}
          <Button size="small" onClick={() => onTake(later)}>
            Take revision {later.sheet.revision}
          </Button>
        </Caution>
      ) : null}
    </>
  );
}
