'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { useForm, useWatch, type Control } from 'react-hook-form';
import {
  blankOf,
  CATALOGUE_FIELDS,
  recordFields,
  recordFile,
  recordProblems,
  RECORDS,
  saidOf,
  type RecordKind,
} from '@/core/catalogue';
import { placedProblem, problemWords, type Problem } from '@/core/kernel';
import { useSettled } from '../../common/use-settled';
import { useSend } from '../../data/use-send';
import { Foot } from '../../kit-of-parts/Foot';
import { LeaveGuard } from '../../kit-of-parts/form/LeaveGuard';
import { problemsResolver } from '../../kit-of-parts/form/schema-resolver';
import { Place } from '../../kit-of-parts/Place';
import { Problems } from '../../kit-of-parts/Problems';
import { To } from '../../kit-of-parts/To';
import { Way } from '../../kit-of-parts/Way';
import { useRun } from '../../termination/use-run';
import type { AnyRecord } from './any-record';
import { GroupFields } from './RecordFields';

interface Props {
  readonly kind: RecordKind;
  /** What it begins as: the one in force that is called so; null for an empty one. */
  readonly like: AnyRecord | null;
  /** What is called so already, and would be followed by a new revision. */
  readonly there: readonly string[];
  readonly today: string;
  readonly back: string;
}

const MOST_SHOWN = 10;
/** So long after the last stroke the whole of it is judged. */
const RESTS_MS = 400;

/** A record of the catalogue typed in from its sheet: every field by the schema that judges it, nothing stored before it all holds. */
export function RecordEditor({ kind, like, there, today, back }: Props) {
  const { words, key } = RECORDS[kind];
  const fields = useMemo(() => recordFields(kind), [kind]);
  const send = useSend();
  const router = useRouter();
  const { run, busy, problems: refused } = useRun();
  const [saved, setSaved] = useState(false);
  const judge = useCallback(
    (values: AnyRecord) => recordProblems(kind, saidOf(fields, values), today, like),
    [kind, fields, today, like],
  );
  // Judged when a field is left, and the whole of it in the foot when hands rest: a sheet has hundreds of fields.
  const { control, formState, handleSubmit } = useForm<AnyRecord>({
    defaultValues: like ?? (blankOf(fields) as AnyRecord),
    resolver: problemsResolver(judge),
    mode: 'onBlur',
  });
  const keep = handleSubmit(async (values) => {
    const done = await run(
      () => send('importCatalogue', JSON.stringify(recordFile(kind, saidOf(fields, values), today))),
      `${String(values[key])} is in the catalogue.`,
    );
    if (!done.ok) return;
    setSaved(true);
    router.push(back);
  });
  if (fields.kind !== 'group') throw new Error('a record has fields');
  return (
    <Place
      way={<Way from={[['Catalogue', back]]} here={words} />}
      title={like === null ? `New ${words}` : `${String(like[key])}: type in the sheet in hand`}
      acts={<To href={back}>Back without saving</To>}
      lead="Exactly as the sheet in your hand prints it; lengths in mm. What it does not print stays empty: what is not known is never taken for good."
    >
      <LeaveGuard dirty={formState.isDirty && !saved} />
      <form
        noValidate
        onSubmit={(e) => {
          void keep(e);
        }}
      >
        <GroupFields control={control} name="" field={fields} />
        <RecordFoot
          control={control}
          judge={judge}
          kind={kind}
          there={there}
          dirty={formState.isDirty}
          busy={busy}
          refused={refused}
        />
      </form>
    </Place>
  );
}

interface FootProps {
  readonly control: Control<AnyRecord>;
  readonly judge: (values: AnyRecord) => readonly Problem[];
  readonly kind: RecordKind;
  readonly there: readonly string[];
  readonly dirty: boolean;
  readonly busy: boolean;
  readonly refused: readonly Problem[];
}

/** How far the sheet is from being one, and the way in. */
function RecordFoot({ control, judge, kind, there, dirty, busy, refused }: FootProps) {
  const draft = useWatch({ control }) as AnyRecord;
  const settled = useSettled(draft, RESTS_MS);
  const problems = useMemo(() => judge(settled), [judge, settled]);
  const { words, key } = RECORDS[kind];
  const name = typeof settled[key] === 'string' ? settled[key] : '';
  return (
    <Foot
      label="What would be saved"
      action={
        <Button
          type="submit"
          variant="contained"
          color="secondary"
          disabled={busy || problems.length > 0 || !dirty || settled !== draft}
        >
          Put it into the catalogue
        </Button>
      }
    >
      <b>{standing(name, words, problems.length, there)}</b>
      {dirty ? (
        <Problems
          problems={[
            ...problems
              .slice(0, MOST_SHOWN)
              .map((p) =>
                placedProblem(
                  { ...p, message: typeof p.value === 'object' ? p.message : problemWords(p) },
                  CATALOGUE_FIELDS,
                ),
              ),
            ...refused,
          ]}
        />
      ) : null}
    </Foot>
  );
}

function standing(name: string, words: string, open: number, there: readonly string[]): string {
  if (open > 0) return `${open} ${open === 1 ? 'thing is' : 'things are'} not said, or not in order, yet.`;
  return there.includes(name)
    ? `${name} is in the catalogue: what stands here follows it. Plans keep the one they were made by.`
    : `A new ${words}, ${name}.`;
}
