import InputAdornment from '@mui/material/InputAdornment';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { TextField } from '../../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { STAGE_METHODS, type StageMethodKind } from '@/core/catalogue';
import { Choice } from '../../kit-of-parts/Choice';
import { DataTable } from '../../kit-of-parts/DataTable';
import { pathName, type Path } from './editor-columns';
import type { FamilyDraft } from './use-family-draft';

const KIND_WORDS: Readonly<Record<StageMethodKind, string>> = {
  torque: 'torque',
  handPlusTurns: 'hand-tight plus turns',
  metalToMetal: 'until metal meets metal',
  resistancePlusTurns: 'to a strong resistance plus turns',
  untilGripsPlusTurns: 'until the seal grips plus turns',
  scaleMark: 'to a scale mark',
};

/** A method to begin with when the sheet asks for another kind of stage; the figures are then typed in. */
const START: Readonly<Record<StageMethodKind, object>> = {
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
export function StageFields({ editor }: { readonly editor: FamilyDraft }) {
  const { draft } = editor;
  return (
    <DataTable label="Stages" sx={{ '& th, & td': { verticalAlign: 'middle' } }}>
      <TableBody>
        {draft.stages.map((stage, i) => {
          const method: Path = ['stages', i, 'method'];
          const own = draft.sizes.filter((s) => s.stageMethods?.[stage.id] !== undefined).length;
          return (
            <TableRow key={stage.id}>
              <TableCell component="th" scope="row">
                {stage.title}
              </TableCell>
              <TableCell>
                <Choice
                  label={`${stage.title}, how far`}
                  value={stage.method.kind}
                  options={STAGE_METHODS.map((kind) => [kind, KIND_WORDS[kind]])}
                  onChange={(kind) => editor.set(method, START[kind])}
                  width={290}
                />
              </TableCell>
              {FIGURES.map(([key, unit]) => (
                <TableCell key={key}>
                  <Figure editor={editor} at={[...method, key]} unit={unit} wrong={editor.isWrong(method)} />
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

interface FigureProps {
  readonly editor: FamilyDraft;
  readonly at: Path;
  readonly unit: string;
  /** The method as a whole does not hold. */
  readonly wrong: boolean;
}

const Figure = ({ editor, at, unit, wrong }: FigureProps) =>
  editor.isThere(at) ? (
    <TextField
      name={pathName(at)}
      value={editor.textAt(at)}
      error={wrong || editor.isWrong(at)}
      onChange={(e) => editor.type(at, e.target.value, false)}
      slotProps={{
        htmlInput: { inputMode: 'decimal', 'aria-label': `${pathName(at)}, ${unit}` },
        input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
      sx={{ width: 136 }}
    />
  ) : null;
