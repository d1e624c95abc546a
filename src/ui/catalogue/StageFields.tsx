'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { STAGE_METHODS, type Family, type StageMethodKind } from '@/core/catalogue';
import { pathName, valueAt, type Path } from './editor-columns';
import styles from './FamilyEditor.module.css';

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

const FIGURES: readonly (readonly [string, string])[] = [
  ['torqueNm', 'N·m'],
  ['toleranceNm', '± N·m'],
  ['turns', 'turns'],
  ['turnsTolerance', '± turns'],
];

interface Props {
  readonly family: Family;
  readonly wrong: ReadonlySet<string>;
  readonly texts: Readonly<Record<string, string>>;
  readonly onType: (path: Path, text: string, isText: boolean) => void;
  readonly onKind: (path: Path, method: object) => void;
}

/** The tightening stages of the family: kind and figures. Sizes with figures of their own keep them. */
export function StageFields({ family, wrong, texts, onType, onKind }: Props) {
  return (
    <DataTable className={styles.stages}>
      <TableBody>
        {family.stages.map((stage, i) => {
          const path: Path = ['stages', i, 'method'];
          const own = family.sizes.filter((s) => s.stageMethods?.[stage.id] !== undefined).length;
          return (
            <TableRow key={stage.id}>
              <TableCell component="th" scope="row">
                {stage.title}
              </TableCell>
              <TableCell>
                <select
                  className={styles.input}
                  aria-label={`${stage.title}, how far`}
                  value={stage.method.kind}
                  onChange={(e) => onKind(path, START[e.target.value as StageMethodKind])}
                >
                  {STAGE_METHODS.map((kind) => (
                    <option key={kind} value={kind}>
                      {KIND_WORDS[kind]}
                    </option>
                  ))}
                </select>
              </TableCell>
              {FIGURES.map(([key, unit]) => {
                const at = [...path, key];
                const id = pathName(at);
                const value = valueAt(family, at);
                return (
                  <TableCell key={key}>
                    {value === undefined && texts[id] === undefined ? null : (
                      <label className={styles.figure}>
                        <input
                          className={styles.cell}
                          name={id}
                          inputMode="decimal"
                          value={texts[id] ?? String(value)}
                          aria-invalid={
                            wrong.has(`families[0].${id}`) || wrong.has(`families[0].${pathName(path)}`)
                          }
                          onChange={(e) => onType(at, e.target.value, false)}
                        />{' '}
                        {unit}
                      </label>
                    )}
                  </TableCell>
                );
              })}
              <TableCell className={styles.quiet}>
                {own > 0 ? `${own} sizes have figures of their own` : ''}
              </TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </DataTable>
  );
}
