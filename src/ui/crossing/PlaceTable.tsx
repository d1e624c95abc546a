'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { gapWords, leftToRight, openingName, peelWords } from '@/core/frame-building';
import type { FramePlan, PlaceRef } from '@/core/frame-packing';
import { trimNumber } from '@/core/units';
import styles from './Crossing.module.css';

/** Rows in building order, each place with its module, cable and peel. Pointing at a line lights the place, and the other way round. */
export function PlaceTable({
  plan,
  only,
  lit,
  onLight,
  onPick,
}: {
  readonly plan: FramePlan;
  readonly only: number | null;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  readonly onPick: (ref: PlaceRef) => void;
}) {
  return (
    <div className={styles.rows}>
      {plan.frames.map((frame, f) =>
        only !== null && only !== f
          ? null
          : frame.openings.map((opening, o) => (
              <section key={openingName(f, o)} aria-label={`Opening ${openingName(f, o)}`}>
                <h3>
                  {openingName(f, o)} <span>{frame.frame}</span>{' '}
                  <small>
                    press unit {opening.press}, room {trimNumber(opening.closure, 2)} mm
                    {opening.fillers.length > 0 ? `, fillers ${opening.fillers.join(', ')} mm` : ''}
                  </small>
                </h3>
                {opening.rows.map((row, r) => {
                  const spares = new Map<string, number>();
                  for (const p of row.places)
                    if (p.cable === undefined) spares.set(p.module, (spares.get(p.module) ?? 0) + 1);
                  return (
                    <DataTable key={r} className={styles.rowTable}>
                      <caption>
                        Row {r + 1}, {trimNumber(row.height, 2)} mm
                        {spares.size > 0
                          ? `; spare ${[...spares].map(([id, n]) => `${n} × ${id}`).join(', ')}`
                          : ''}
                      </caption>
                      <TableBody>
                        {leftToRight(row.places)
                          .filter((p) => p.cable !== undefined)
                          .map((p) => (
                            <TableRow
                              key={p.cable}
                              data-lit={lit === p.cable ? 'yes' : undefined}
                              onPointerEnter={() => onLight(p.cable ?? null)}
                              onPointerLeave={() => onLight(null)}
                              onClick={() =>
                                onPick({ frame: f, opening: o, row: r, place: row.places.indexOf(p) })
                              }
                            >
                              <TableCell component="th" scope="row">
                                {p.cable}
                              </TableCell>
                              <TableCell>{p.module}</TableCell>
                              <TableCell>{peelWords(p)}</TableCell>
                              <TableCell className={styles.gap}>{p.gap ? gapWords(p) : '–'}</TableCell>
                              <TableCell>
                                {p.noPeel ? 'measure first' : p.remeasure ? 'measure again' : ''}
                              </TableCell>
                            </TableRow>
                          ))}
                      </TableBody>
                    </DataTable>
                  );
                })}
              </section>
            )),
      )}
    </div>
  );
}
