import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useFormState, useWatch } from 'react-hook-form';
import { STAGE_METHODS, type StageMethod, type StageMethodKind } from '@/core/catalogue';
import { Choice } from '../../kit-of-parts/Choice';
import { DataTable } from '../../kit-of-parts/DataTable';
import { FormNumber } from '../../kit-of-parts/form/FormNumber';
import type { FamilyForm } from './use-family-form';

const KIND_WORDS: Readonly<Record<StageMethodKind, string>> = {
  torque: 'torque',
  handPlusTurns: 'hand-tight plus turns',
  metalToMetal: 'until metal meets metal',
  resistancePlusTurns: 'to a strong resistance plus turns',
  untilGripsPlusTurns: 'until the seal grips plus turns',
  scaleMark: 'to a scale mark',
};

/** A method to begin with when the sheet asks for another kind of stage; the figures are then typed in. */
const START: Readonly<Record<StageMethodKind, StageMethod>> = {
  torque: { kind: 'torque', torqueNm: 18, toleranceNm: 2 },
  handPlusTurns: { kind: 'handPlusTurns', turns: 1.25 },
  metalToMetal: { kind: 'metalToMetal' },
  resistancePlusTurns: { kind: 'resistancePlusTurns', turns: 0.4 },
  untilGripsPlusTurns: { kind: 'untilGripsPlusTurns', turns: 0.75 },
  scaleMark: { kind: 'scaleMark', scale: [{ upToMm: 100, mark: '1' }] },
};

const FIGURES = [
  ['torqueNm', 'N·m'],
  ['toleranceNm', '± N·m'],
  ['turns', 'turns'],
  ['turnsTolerance', '± turns'],
] as const;

/** The tightening stages of the family: kind and figures. Sizes with figures of their own keep them. */
export function StageFields({ editor }: { readonly editor: FamilyForm }) {
  const { control, getFieldState } = editor.form;
  const [stages, sizes] = useWatch({ control, name: ['stages', 'sizes'] });
  const formState = useFormState({ control, name: 'stages' });
  return (
    <DataTable label="Stages" sx={{ '& th, & td': { verticalAlign: 'middle' } }}>
      <TableBody>
        {stages.map(({ id, title, method }, i) => {
          const own = sizes.filter((s) => s.stageMethods?.[id] !== undefined).length;
          return (
            <TableRow key={id}>
              <TableCell component="th" scope="row">
                {title}
              </TableCell>
              <TableCell>
                <Choice
                  label={`${title}, how far`}
                  value={method.kind}
                  options={STAGE_METHODS.map((kind) => [kind, KIND_WORDS[kind]])}
                  onChange={(kind) => editor.setMethod(i, START[kind])}
                  error={getFieldState(`stages.${i}.method`, formState).error?.message}
                  width={290}
                />
              </TableCell>
              {FIGURES.map(([key, unit]) => (
                <TableCell key={key}>
                  {/* One that was emptied has its key still: its field stays under the hand. */}
                  {key in method ? (
                    <FormNumber
                      control={control}
                      name={`stages.${i}.method.${key}`}
                      onBefore={() => editor.before(`stages.${i}.method.${key}`)}
                      label={`${title}, ${unit}`}
                      hiddenLabel
                      unit={unit}
                      width={136}
                    />
                  ) : null}
                </TableCell>
              ))}
              <TableCell>
                <Typography component="span" variant="quiet">
                  {own > 0 ? `${own} sizes have figures of their own` : ''}
                </Typography>
              </TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </DataTable>
  );
}
