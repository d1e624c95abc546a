import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { eventMarks, layTimeline, TIMELINE_LANES, type TimelineLane, type TimelineMark } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { Section } from '../kit-of-parts/Section';
import styles from './Timeline.module.css';

const WORDS: Readonly<Record<TimelineLane, string>> = {
  measured: 'Measured',
  worked: 'Worked',
  looked: 'Looked at',
  compound: 'Compound',
  tested: 'Tested',
  takenBack: 'Taken back',
  signed: 'Signed',
};

const WIDTH = 700;
const [LEFT, RIGHT, TOP, LANE] = [100, 16, 10, 28];

const clock = (ms: number): string => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

/** How long a rest was, in the largest unit that it fills. */
function restWords(ms: number): string {
  const hours = ms / 3_600_000;
  return hours < 48 ? `${Math.round(hours)} h` : `${Math.round(hours / 24)} d`;
}

/** Readings that stand, as marks: those of the record's own events are in it already. */
const readingMarks = ({ readings }: TerminationView): TimelineMark[] =>
  readings.flatMap(({ reading }) =>
    reading.at === undefined
      ? []
      : [
          {
            at: Date.parse(reading.at),
            lane: 'measured' as const,
            title: `${QUANTITY_WORDS[reading.quantity]} ${reading.text} ${reading.unit}`,
            who: reading.person ?? 'not said',
            seq: null,
          },
        ],
  );

/** The history of an end from left to right: who did what when. The table of the record says the same in words. */
export function Timeline({ view }: { readonly view: TerminationView }) {
  const titles = new Map(view.steps.map((s) => [s.id, s.title]));
  const { marks, pieces, rests } = layTimeline([...readingMarks(view), ...eventMarks(view.events, titles)]);
  if (marks.length < 2) return null;
  const lanes = TIMELINE_LANES.filter((lane) => marks.some((m) => m.lane === lane));
  const x = (share: number) => LEFT + share * (WIDTH - LEFT - RIGHT);
  const y = (lane: TimelineLane) => TOP + (lanes.indexOf(lane) + 0.5) * LANE;
  const bottom = TOP + lanes.length * LANE;
  const people = new Set(marks.map((m) => m.who));
  return (
    <Section title="History">
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="History, scrolls sideways">
        <svg
          className={styles.timeline}
          viewBox={`0 0 ${WIDTH} ${bottom + 40}`}
          role="img"
          aria-label={`History: ${marks.length} entries by ${people.size} ${people.size === 1 ? 'person' : 'people'}, ${rests.length} ${rests.length === 1 ? 'rest' : 'rests'} between. The record says each in words.`}
        >
          {lanes.map((lane) => (
            <g key={lane}>
              <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(lane)} y2={y(lane)} className={styles.lane} />
              <text x={LEFT - 12} y={y(lane) + 5} className={styles.name}>
                {WORDS[lane]}
              </text>
            </g>
          ))}
          {rests.map((rest) => (
            <g key={rest.x0}>
              <rect
                x={x(rest.x0)}
                width={x(rest.x1) - x(rest.x0)}
                y={TOP}
                height={bottom - TOP}
                className={styles.rest}
              />
              {x(rest.x1) - x(rest.x0) > 20 ? (
                <text x={(x(rest.x0) + x(rest.x1)) / 2} y={bottom + 16} className={styles.time}>
                  {restWords(rest.ms)}
                </text>
              ) : null}
            </g>
          ))}
          {marks.map((m, i) => (
            <circle
              key={`${m.seq ?? 'reading'} ${i}`}
              cx={x(m.x)}
              cy={y(m.lane)}
              r={m.lane === 'signed' ? 8 : 5.5}
              className={m.lane === 'takenBack' ? styles.back : styles.mark}
            >
              <title>{`${m.title}, ${m.who}, ${clock(m.at)} UTC`}</title>
            </circle>
          ))}
          {[pieces[0]?.from, pieces[pieces.length - 1]?.to].map((ms, i) =>
            ms === undefined ? null : (
              <text
                key={i === 0 ? 'first' : 'last'}
                x={i === 0 ? LEFT : WIDTH - RIGHT}
                y={bottom + 34}
                className={i === 0 ? styles.first : styles.last}
              >
                {clock(ms)} UTC
              </text>
            ),
          )}
        </svg>
      </div>
    </Section>
  );
}
