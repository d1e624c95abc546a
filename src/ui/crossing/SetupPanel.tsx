'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import { memo, useState } from 'react';
import type { FrameSheet } from '@/core/catalogue';
import type { CrossingMember, CrossingSetup, CrossingView } from '@/core/crossing';
import type { Problem } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/read-number';
import { useSetup } from './use-setup';
import { Problems } from '../kit-of-parts/Problems';
import styles from './Crossing.module.css';

interface Props {
  readonly view: CrossingView;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  /** With the version that was seen when the first field was touched. */
  readonly onSave: (setup: CrossingSetup, version: number) => void;
}

/** Drawn anew only when what it shows has changed: a plan that runs beside it reports often. */
export const SetupPanel = memo(Setup);

const PRESS = ['top', 'bottom'] as const;
const keyOfRef = ({ code, revision }: NonNullable<CrossingSetup['sheet']>): string => `${code} ${revision}`;
const keyOf = ({ code, sheet }: FrameSheet): string => `${code} ${sheet.revision}`;

function kept(frames: readonly string[], { frames: offered }: FrameSheet): string[] {
  const still = offered.flatMap((f) => (frames.includes(f.id) ? [f.id] : []));
  return still.length > 0 ? still : offered.map((f) => f.id);
}

/** What goes through, which circuits are kept apart, how much stays free, which frames may be used. */
function Setup({ view, busy, problems, onSave }: Props) {
  const { setup, setSetup, share, setShare, seen, dirty, percent, overtaken, follow } = useSetup(view);
  const [filter, setFilter] = useState('');
  const known = new Map(view.schedule.map((s) => [s.tag, s.diameter]));
  const inside = new Set(setup.members.map((m) => m.tag));
  const put = (next: Partial<CrossingSetup>) => setSetup({ ...setup, ...next });
  const change = (tag: string, next: Partial<CrossingMember>) =>
    put({ members: setup.members.map((m) => (m.tag === tag ? { ...m, ...next } : m)) });
  const waiting = view.schedule.filter(
    (s) => !inside.has(s.tag) && s.tag.toLowerCase().includes(filter.trim().toLowerCase()),
  );
  const sheets = [view.sheet, ...view.sheets.filter((s) => keyOf(s) !== keyOf(view.sheet))];
  const sheet = sheets.find((s) => keyOf(s) === (setup.sheet ? keyOfRef(setup.sheet) : '')) ?? view.sheet;
  const later = view.sheets.find((s) => s.code === sheet.code && s.sheet.revision !== sheet.sheet.revision);
  const take = (next: FrameSheet) =>
    put({
      sheet: { code: next.code, revision: next.sheet.revision },
      // Frames that were allowed stay so; on another system all are.
      frames: kept(setup.frames, next),
    });
  return (
    <div className={styles.setup}>
      <div className={styles.fields}>
        <label>
          Where
          <input
            className={styles.field}
            name="place"
            value={setup.place}
            onChange={(e) => put({ place: e.target.value })}
            maxLength={80}
          />
        </label>
        <label>
          Fire, gas and water rating of the wall
          <input
            className={styles.field}
            name="rating"
            value={setup.rating}
            placeholder="not known yet: ask"
            onChange={(e) => put({ rating: e.target.value })}
            maxLength={120}
          />
        </label>
        <label>
          Spare of each size, %
          <input
            className={`${styles.field} ${styles.short}`}
            name="spare"
            inputMode="numeric"
            value={share}
            onChange={(e) => setShare(e.target.value)}
            aria-invalid={!(percent >= 0 && percent <= 100)}
          />
        </label>
        <label>
          Press unit, given a choice
          <select
            className={styles.field}
            name="press"
            value={setup.press ?? ''}
            onChange={(e) => put({ press: PRESS.find((p) => p === e.target.value) })}
          >
            <option value="">any place</option>
            <option value="top">at the top</option>
            <option value="bottom">at the bottom</option>
          </select>
        </label>
        <label>
          Built how
          <select
            className={styles.field}
            name="school"
            value={setup.school ?? 'cablesFirst'}
            onChange={(e) => put({ school: e.target.value === 'preFilled' ? 'preFilled' : 'cablesFirst' })}
          >
            <option value="cablesFirst">cables first</option>
            <option value="preFilled">frame filled with spares</option>
          </select>
        </label>
      </div>
      <fieldset className={styles.group}>
        <legend>Frames allowed</legend>
        <div className={styles.sheet}>
          <label>
            Sheet
            <select
              className={styles.field}
              name="sheet"
              value={keyOf(sheet)}
              onChange={(e) => {
                const next = sheets.find((s) => keyOf(s) === e.target.value);
                if (next) take(next);
              }}
            >
              {sheets.map((s) => (
                <option key={keyOf(s)} value={keyOf(s)}>
                  {s.code} revision {s.sheet.revision}, {s.sheet.issued}
                </option>
              ))}
            </select>
          </label>
          {later ? (
            <p className={styles.later} role="status">
              Revision {later.sheet.revision} is in force. This crossing stands on {sheet.sheet.revision}{' '}
              until it is taken; then it must be planned again.{' '}
              <Button size="small" onClick={() => take(later)}>
                Take revision {later.sheet.revision}
              </Button>
            </p>
          ) : null}
        </div>
        {sheet.frames.map((f) => (
          <label key={f.id} className={styles.check}>
            <input
              type="checkbox"
              checked={setup.frames.includes(f.id)}
              onChange={(e) =>
                put({
                  frames: e.target.checked ? [...setup.frames, f.id] : setup.frames.filter((x) => x !== f.id),
                })
              }
            />
            {f.id} <small>{f.cost}</small>
          </label>
        ))}
      </fieldset>
      <fieldset className={styles.group}>
        <legend>Kept apart</legend>
        {setup.apart.map((rule, i) => (
          <div key={i} className={styles.apart}>
            <input
              className={styles.field}
              aria-label="circuit"
              value={rule.a}
              onChange={(e) =>
                put({ apart: setup.apart.map((r, j) => (i === j ? { ...r, a: e.target.value } : r)) })
              }
            />
            <span>and</span>
            <input
              className={styles.field}
              aria-label="other circuit"
              value={rule.b}
              onChange={(e) =>
                put({ apart: setup.apart.map((r, j) => (i === j ? { ...r, b: e.target.value } : r)) })
              }
            />
            <span>not in one</span>
            <select
              className={styles.field}
              aria-label="kept apart by"
              value={rule.by}
              onChange={(e) =>
                put({
                  apart: setup.apart.map((r, j) =>
                    i === j ? { ...r, by: e.target.value === 'opening' ? 'opening' : 'row' } : r,
                  ),
                })
              }
            >
              <option value="row">row</option>
              <option value="opening">opening</option>
            </select>
            <Button size="small" onClick={() => put({ apart: setup.apart.filter((_, j) => j !== i) })}>
              Remove
            </Button>
          </div>
        ))}
        <Button
          size="small"
          onClick={() => put({ apart: [...setup.apart, { a: 'power', b: 'control', by: 'row' }] })}
        >
          Keep two circuits apart
        </Button>
      </fieldset>
      <fieldset className={styles.group}>
        <legend>{setup.members.length} cables go through</legend>
        <DataTable className={styles.members}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Cable</TableCell>
              <TableCell scope="col">Diameter, mm</TableCell>
              <TableCell scope="col">Circuit</TableCell>
              <TableCell scope="col">Front</TableCell>
              <TableCell scope="col">Back</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {setup.members.map((m) => {
              const d = m.diameter ?? known.get(m.tag)?.interval;
              return (
                <TableRow key={m.tag}>
                  <TableCell component="th" scope="row">
                    {m.tag}
                  </TableCell>
                  <TableCell>
                    {d ? `${trimNumber(d.min, 2)}–${trimNumber(d.max, 2)}` : <em>not measured</em>}
                    {!m.diameter && known.get(m.tag)?.nominal ? <small> datasheet</small> : null}
                  </TableCell>
                  <TableCell>
                    <input
                      className={styles.field}
                      aria-label={`circuit of ${m.tag}`}
                      value={m.circuit ?? ''}
                      onChange={(e) => change(m.tag, { circuit: e.target.value })}
                    />
                  </TableCell>
                  {(['front', 'back'] as const).map((side) => (
                    <TableCell key={side}>
                      <input
                        className={`${styles.field} ${styles.tray}`}
                        aria-label={`tray position of ${m.tag}, ${side}`}
                        inputMode="numeric"
                        value={m[side] ?? ''}
                        onChange={(e) =>
                          change(m.tag, {
                            [side]: /^\d+$/.test(e.target.value) ? Number(e.target.value) : undefined,
                          })
                        }
                      />
                    </TableCell>
                  ))}
                  <TableCell>
                    <button
                      type="button"
                      className={styles.remove}
                      aria-label={`leave ${m.tag} out`}
                      onClick={() => put({ members: setup.members.filter((x) => x.tag !== m.tag) })}
                    >
                      ×
                    </button>
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </DataTable>
        <label className={styles.find}>
          From the schedule
          <input
            className={styles.field}
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
            placeholder="tag"
          />
        </label>
        <div className={styles.waiting}>
          {waiting.slice(0, 40).map((s) => (
            <button
              key={s.tag}
              type="button"
              className={styles.chip}
              onClick={() => put({ members: [...setup.members, { tag: s.tag, diameter: undefined }] })}
            >
              + {s.tag} {s.diameter ? trimNumber(s.diameter.interval.max, 1) : 'not measured'}
            </button>
          ))}
        </div>
        <Passing taken={inside} onAdd={(member) => put({ members: [...setup.members, member] })} />
      </fieldset>
      <div className={styles.saveBar}>
        <Problems problems={problems} />
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || !dirty || !(percent >= 0 && percent <= 100)}
          onClick={() =>
            onSave({ ...setup, spareShare: percent / 100, locked: view.setup.locked }, seen.version)
          }
        >
          Save
        </Button>
        {dirty ? <span>not saved yet</span> : null}
        {overtaken ? (
          <Button variant="text" onClick={follow}>
            Show what somebody else has set
          </Button>
        ) : null}
      </div>
    </div>
  );
}

/** A cable that is not in the schedule and only passes through. */
function Passing({
  taken,
  onAdd,
}: {
  readonly taken: ReadonlySet<string>;
  readonly onAdd: (m: CrossingMember) => void;
}) {
  const [tag, setTag] = useState('');
  const [min, setMin] = useState('');
  const [max, setMax] = useState('');
  const [lo, hi] = [readNumber(min), readNumber(max === '' ? min : max)];
  const why =
    tag.trim() === '' && min === ''
      ? ''
      : taken.has(tag.trim())
        ? `${tag.trim()} is in the list already`
        : tag.trim() === ''
          ? 'a tag is needed'
          : !(lo > 0 && hi >= lo)
            ? 'smallest and largest diameter in mm, the smaller first'
            : '';
  return (
    <div className={styles.apart}>
      <span>Passing through</span>
      <input
        className={styles.field}
        aria-label="tag of a passing cable"
        placeholder="tag"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        maxLength={40}
      />
      <input
        className={`${styles.field} ${styles.short}`}
        aria-label="smallest diameter, mm"
        placeholder="min mm"
        value={min}
        onChange={(e) => setMin(e.target.value)}
      />
      <input
        className={`${styles.field} ${styles.short}`}
        aria-label="largest diameter, mm"
        placeholder="max mm"
        value={max}
        onChange={(e) => setMax(e.target.value)}
      />
      <Button
        size="small"
        disabled={tag.trim() === '' || why !== ''}
        onClick={() => {
          onAdd({ tag: tag.trim(), diameter: { min: lo, max: hi } });
          setTag('');
          setMin('');
          setMax('');
        }}
      >
        Add
      </Button>
      {why ? <small className={styles.why}>{why}</small> : null}
    </div>
  );
}
