'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useRef, useState } from 'react';
import { cutLengths, markText } from '@/core/cut-back';
import { formatInchFraction, trimNumber } from '@/core/units';
import { Both } from '../common/Both';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { useTyped } from '../common/use-typed';
import { depthTexts, lengthTexts } from '../common/unit';
import type { StationProps } from '../termination/station-props';
import type { RowConflict } from '../schedule/schedule-types';
import { useEditRow } from '../schedule/use-edit-row';
import { useRun } from '../termination/use-run';
import { Questions } from '../gland-selection/Questions';
import { TerminalsField } from './TerminalsField';
import styles from './CutStation.module.css';

const sentence = (parts: readonly string[]): string => {
  const words = parts.join(', ');
  return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
};

const DATUM = {
  cableEnd: '',
  hub: 'from the hub’s edge, fitting on',
  coreEnd: 'from the end of each core',
} as const;

/** The lengths that only a person knows, and the marks that follow from them. */
export function CutStation({ view, lit, onLight }: StationProps) {
  const plan = view.plan?.plan ?? view.preview;
  const cut = plan?.cut ?? null;
  const refusal = plan?.cutRefusal[0]?.message ?? plan?.planOnly[0]?.message;
  return (
    <>
      <h2 className={styles.headline}>
        {cut
          ? `${markText(cut.consumedMm, cut.unit)} ${cut.unit} of cable go into this end.`
          : (refusal ?? 'Choose a gland first: the marks follow from it.')}
      </h2>
      <p className={styles.lead}>
        {cut
          ? `${sentence(cutLengths(cut).map(({ name, length }) => `${name} ${markText(length.mm, cut.unit)}`))}; rounded together so that each keeps its tolerance.`
          : 'Tails run from the wall to the farthest terminal, along the way the cores take.'}
        {view.plan === null && plan ? ' Preview: nothing is taken yet.' : ''}
      </p>
      <Questions view={view} onlyDeciding />
      <div className={styles.inputs}>
        <LengthField
          name="Tail"
          label="Wall to farthest terminal"
          field={view.end === 'A' ? 'aTail' : 'bTail'}
          valueMm={view.tailMm}
          view={view}
        />
        <LengthField
          name="Spare"
          label="Spare tail for another go"
          field={view.end === 'A' ? 'aSpare' : 'bSpare'}
          valueMm={view.spareMm}
          view={view}
        />
        <TerminalsField view={view} />
      </div>
      {cut ? (
        <>
          <DataTable className={styles.marks}>
            <TableHead>
              <TableRow>
                <TableCell>In this order</TableCell>
                <TableCell className={styles.num}>From the cable end</TableCell>
                <TableCell className={styles.num}>Blade at most</TableCell>
                <TableCell>Tool, and how</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {cut.marks.map((mark) => (
                <TableRow
                  key={mark.id}
                  data-lit={lit === `mark.${mark.id}` || lit === mark.id ? 'yes' : undefined}
                  onPointerEnter={() => onLight(`mark.${mark.id}`)}
                  onPointerLeave={() => onLight(null)}
                >
                  <TableCell component="th" scope="row">
                    {mark.title}
                  </TableCell>
                  <TableCell className={styles.num}>
                    <span className={styles.big}>{markText(mark.fromDatumMm, cut.unit)}</span> {cut.unit}
                    <span className={styles.second}>
                      {cut.unit === 'mm'
                        ? `${formatInchFraction(mark.fromDatumMm, 32)} in`
                        : lengthTexts(mark.fromDatumMm).mm}
                    </span>
                    {mark.datum === 'cableEnd' ? null : (
                      <span className={styles.second}>{DATUM[mark.datum]}</span>
                    )}
                  </TableCell>
                  <TableCell className={styles.num}>
                    <Depth mm={mark.guard.maxDepthMm} />
                  </TableCell>
                  <TableCell>
                    {mark.tools.map((t, i) => (
                      <p key={t.tool} className={styles.tool}>
                        {i > 0 ? 'or ' : ''}
                        <b>{t.tool}.</b> {t.technique}
                        <span className={styles.check}>
                          {' '}
                          {t.guard.maxDepthMm !== null && t.guard.maxDepthMm !== mark.guard.maxDepthMm
                            ? `Not deeper than ${t.guard.maxDepthMm.toFixed(1)} mm. `
                            : ''}
                          {t.kerfMm > 0 ? `Kerf ${trimNumber(t.kerfMm, 1)} mm.` : ''}
                        </span>
                      </p>
                    ))}
                    <p className={styles.check}>
                      {mark.guard.reason}. Then: {mark.check}
                    </p>
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </DataTable>
          <details className={styles.workings}>
            <summary>How the lengths came about</summary>
            <DataTable>
              <TableBody>
                {cut.workings.map((w) => (
                  <TableRow key={w.label}>
                    <TableCell component="th" scope="row">
                      {w.label}
                    </TableCell>
                    <TableCell className={styles.num}>{trimNumber(w.mm, 1)} mm</TableCell>
                  </TableRow>
                ))}
                <TableRow>
                  <TableCell component="th" scope="row">
                    armour stop to the inside of the wall
                  </TableCell>
                  <TableCell className={styles.num}>{trimNumber(cut.stopToWallMm, 1)} mm</TableCell>
                </TableRow>
                {cut.stub === null ? null : (
                  <TableRow>
                    <TableCell component="th" scope="row">
                      sheath stands inside the wall by
                    </TableCell>
                    <TableCell className={styles.num}>{trimNumber(cut.emergenceMm, 1)} mm</TableCell>
                  </TableRow>
                )}
                {cutLengths(cut).map(({ name, length }) => (
                  <TableRow key={name}>
                    <TableCell component="th" scope="row">
                      {name} may lie between
                    </TableCell>
                    <TableCell className={styles.num}>
                      {trimNumber(length.minMm, 1)}–{trimNumber(length.maxMm, 1)} mm
                    </TableCell>
                  </TableRow>
                ))}
                {cut.coreTails.map((t) => (
                  <TableRow key={t.core}>
                    <TableCell component="th" scope="row">
                      core {t.core}, from the sheath
                    </TableCell>
                    <TableCell className={styles.num}>
                      {markText(t.mm, cut.unit)} {cut.unit}
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </DataTable>
          </details>
        </>
      ) : null}
      <Caution>
        Blade away from the body; sharp armour; eyes and hands covered. A nicked core means: cut back and
        start again.
      </Caution>
    </>
  );
}

function Depth({ mm }: { readonly mm: number | null }) {
  if (mm === null) return <>by eye</>;
  return mm === 0 ? <>do not cut</> : <Both stacked texts={depthTexts(mm)} />;
}

interface FieldProps extends Pick<StationProps, 'view'> {
  readonly name: string;
  readonly label: string;
  readonly field: string;
  readonly valueMm: number | null;
}

/** One length, edited in place and saved at once; when somebody was faster, both values are shown. */
function LengthField({ name, label, field, valueMm, view }: FieldProps) {
  const shown =
    valueMm === null ? '' : view.job.unit === 'mm' ? trimNumber(valueMm, 1) : formatInchFraction(valueMm, 16);
  const typed = useTyped(shown, view.versions);
  const { text } = typed;
  const [conflict, setConflict] = useState<RowConflict | null>(null);
  const editRow = useEditRow(view.job);
  const { run, problems } = useRun();
  const saving = useRef(false);
  const save = async (versions = typed.version) => {
    if (saving.current || (!typed.dirty && conflict === null)) return;
    saving.current = true;
    const result = await run(
      () => editRow(view.cableId, versions, { [field]: text }),
      undefined,
      (outcome) => 'saved' in outcome,
    );
    saving.current = false;
    if (!result.ok) return;
    if ('conflict' in result.value) {
      setConflict(result.value.conflict);
      return;
    }
    setConflict(null);
    typed.follow();
  };
  return (
    <div className={styles.field}>
      <label className={styles.label}>
        {label}
        <span className={styles.entry}>
          <input
            className={styles.input}
            value={text}
            onChange={(e) => typed.type(e.target.value)}
            onBlur={() => void save()}
            onKeyDown={(e) => {
              if (e.key === 'Enter') void save();
              if (e.key === 'Escape') typed.follow();
            }}
            placeholder="not known"
            aria-invalid={problems.length > 0}
            name={name}
          />
          <span className={styles.second}>{view.job.unit}</span>
        </span>
      </label>
      <Problems problems={problems} />
      {conflict ? (
        <div className={styles.conflict} role="alert">
          {conflict.by ?? 'Somebody'} has set this to <b>{conflict.values[field] || 'nothing'}</b> meanwhile;
          you typed <b>{text || 'nothing'}</b>.
          <button
            type="button"
            onClick={() => {
              typed.follow();
              setConflict(null);
            }}
          >
            Keep theirs
          </button>
          <button type="button" onClick={() => void save(conflict.versions)}>
            Write mine
          </button>
        </div>
      ) : null}
    </div>
  );
}
