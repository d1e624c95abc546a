import type { FrameSheet } from '@/core/catalogue';
import { trimNumber } from '@/core/units';
import styles from './FrameSheetPanel.module.css';

const mm = (value: number): string => trimNumber(value, 2);
const range = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  `${mm(min)}–${mm(max)}`;

/** A system of transit frames in force, as its sheet gives it: what each module takes, what each frame has room for. */
export function FrameSheetPanel({ sheet }: { readonly sheet: FrameSheet }) {
  return (
    <details className={styles.box} id={`frames-${sheet.code}`}>
      <summary>
        Transit frames {sheet.code} revision {sheet.sheet.revision}: {sheet.modules.length} modules,{' '}
        {sheet.frames.length} frames
      </summary>
      <p className={styles.quiet}>
        {sheet.sheet.title}, issued {sheet.sheet.issued}. Crossings keep the revision they stand on.
      </p>
      <div className={styles.tables}>
        <table className={styles.table}>
          <caption>Modules, mm</caption>
          <thead>
            <tr>
              <th scope="col">Module</th>
              <th scope="col">Side</th>
              <th scope="col">Takes</th>
              <th scope="col">Layer</th>
              <th scope="col">Gap</th>
              <th scope="col">Cost</th>
            </tr>
          </thead>
          <tbody>
            {sheet.modules.map((m) => (
              <tr key={m.id}>
                <th scope="row">
                  {m.id}
                  {m.corner ? <small> rounded corner</small> : null}
                </th>
                <td>{mm(m.size)}</td>
                <td>{range(m.bore)}</td>
                <td>{mm(m.layer)}</td>
                <td>{range(m.gap)}</td>
                <td>{m.cost ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <table className={styles.table}>
          <caption>Frames, mm</caption>
          <thead>
            <tr>
              <th scope="col">Frame</th>
              <th scope="col">Openings</th>
              <th scope="col">Press unit</th>
              <th scope="col">Fillers, at most</th>
              <th scope="col">Cost</th>
            </tr>
          </thead>
          <tbody>
            {sheet.frames.map((f) => {
              const [first] = f.openings;
              if (!first) return null;
              const { press } = first;
              return (
                <tr key={f.id}>
                  <th scope="row">{f.id}</th>
                  <td>
                    {f.openings.length} × {mm(first.width)} × {mm(first.height)}
                    {first.cornerModule ? `, corners ${first.cornerModule}` : ''}
                  </td>
                  <td>
                    {range(press)}, {press.at.join(' or ')}
                    {press.id ? <small> {press.id}</small> : null}
                  </td>
                  <td>{first.fillers.map((x) => `${x.max} × ${mm(x.thickness)}`).join(', ') || 'none'}</td>
                  <td>{f.cost}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {sheet.cautions.length > 0 ? (
        <ul className={styles.cautions}>
          {sheet.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      ) : null}
    </details>
  );
}
