import { area, line, scaleLinear, scaleTime, type ScaleLinear } from 'd3';
import type { CureTrack, TemperatureReading } from '@/core/compound-cure';
import { trimNumber } from '@/core/units';
import { hoursBelow, timeOfDay } from './clock-words';
import { apart, useWidth } from '../../common/use-width';
import styles from './Charts.module.css';

const USUAL_WIDTH = 600;
const HEIGHT = 200;
const LEFT = 46;
const RIGHT = 46;
const TOP = 16;
const BOTTOM = 26;
const MINUTE = 60_000;
/** So many pixels has “hard 05:00 on 1 Dec”. */
const READY_WIDE = 130;

/** About so many, of a clock's own steps; never one alone, by which no other time could be told. */
function clockTicks(from: number, to: number, about: number): number[] {
  const scale = scaleTime().domain([from * MINUTE, to * MINUTE]);
  let ticks = scale.ticks(about);
  for (let more = about + 1; ticks.length < 2 && more <= about + 6; more += 1) ticks = scale.ticks(more);
  return ticks.map((at) => at.getTime() / MINUTE);
}

/** From where to where a cure is drawn, and how far it has come between, minutes. */
function spanOf({ curve, ready, hardAt }: CureTrack, readings: readonly TemperatureReading[]) {
  // Just filled in: the clock has not come to the first reading yet, and nothing has cured.
  const first = curve[0]?.at ?? readings[0]?.at ?? 0;
  const last = curve[curve.length - 1]?.at ?? first;
  const read = readings[readings.length - 1]?.at ?? last;
  return { first, last, end: Math.max(last + 10, read, ready?.latest ?? ready?.at ?? 0, hardAt ?? 0) };
}

/** How far the cure has come, the temperatures it came by, where it stood still, and when it will be hard: the band between coldest and hottest. */
export function CureChart({
  track,
  readings,
}: {
  readonly track: CureTrack;
  readonly readings: readonly TemperatureReading[];
}) {
  const [ref, width] = useWidth(USUAL_WIDTH);
  const { ready } = track;
  const { first, last, end } = spanOf(track, readings);
  const x = scaleLinear()
    .domain([first, end])
    .range([LEFT, width - RIGHT]);
  const y = scaleLinear()
    .domain([0, 1])
    .range([HEIGHT - BOTTOM, TOP]);
  const temperatures = readings.map((r) => r.c);
  const t = scaleLinear()
    .domain([Math.min(0, ...temperatures), Math.max(30, ...temperatures) + 5])
    .range([HEIGHT - BOTTOM, TOP]);
  const progress = line<{ at: number; progress: number }>()
    .x((p) => x(p.at))
    .y((p) => y(p.progress));
  // At whole hours and halves, as a clock has them.
  const ticks = clockTicks(first, end, Math.max(2, Math.floor((width - LEFT - RIGHT) / 84)));
  return (
    <svg
      className={styles.chart}
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      height={HEIGHT}
      role="img"
      aria-label={`Cure ${Math.floor(track.progress * 100)} percent${ready ? `, hard at about ${timeOfDay(ready.at * MINUTE)}` : ''}`}
    >
      {[0, 0.5, 1].map((p) => (
        <g key={p}>
          <line x1={LEFT} x2={width - RIGHT} y1={y(p)} y2={y(p)} className={styles.grid} />
          <text x={LEFT - 8} y={y(p) + 4} className={styles.tickEnd}>
            {p * 100} %
          </text>
        </g>
      ))}
      {hoursBelow(ticks.map((m) => m * MINUTE)).map((words, i) => (
        <text key={ticks[i]} x={x(ticks[i] ?? first)} y={HEIGHT - 8} className={styles.tick}>
          {words}
        </text>
      ))}
      {track.holds.map((h) => (
        <rect
          key={`${h.from}`}
          x={x(h.from)}
          width={Math.max(2, x(h.to) - x(h.from))}
          y={TOP}
          height={HEIGHT - BOTTOM - TOP}
          className={styles.holdBand}
        />
      ))}
      {ready ? <Expected track={track} ready={ready} last={last} end={end} x={x} y={y} /> : null}
      <path d={progress([...track.curve]) ?? ''} className={styles.cure} />
      <circle cx={x(last)} cy={y(track.progress)} r="5" className={styles.hit} />
      {readings.map((r) => (
        <circle key={r.at} cx={x(r.at)} cy={t(r.c)} r="3" className={styles.temperature} />
      ))}
      {apart(readings, (r) => x(r.at), 30).map((r) => (
        <text key={r.at} x={x(r.at)} y={t(r.c) - 7} className={styles.tick}>
          {trimNumber(r.c, 1)}°
        </text>
      ))}
    </svg>
  );
}

interface ExpectedProps {
  readonly track: CureTrack;
  readonly ready: NonNullable<CureTrack['ready']>;
  readonly last: number;
  readonly end: number;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
}

/** When it will be hard: the band between the coldest and the hottest that was logged, and the line of what is likely. */
function Expected({ track, ready, last, end, x, y }: ExpectedProps) {
  const toward = (at: number, by: number | null) =>
    by === null || by <= last
      ? track.progress
      : Math.min(1, track.progress + ((1 - track.progress) * (at - last)) / (by - last));
  const fan = area<number>()
    .x((at) => x(at))
    .y0((at) => y(toward(at, ready.latest)))
    .y1((at) => y(toward(at, ready.earliest)));
  const right = x(ready.at) < LEFT + READY_WIDE;
  const steps = Array.from({ length: 25 }, (_, i) => last + ((end - last) * i) / 24);
  return (
    <>
      <path d={fan(steps) ?? ''} className={styles.band} />
      <line x1={x(ready.at)} x2={x(ready.at)} y1={TOP} y2={HEIGHT - BOTTOM} className={styles.expected} />
      {/* On the side that has room for it with its day. */}
      <text
        x={x(ready.at) + (right ? 5 : -5)}
        y={TOP + 10}
        className={styles.readyText}
        style={right ? { textAnchor: 'start' } : undefined}
      >
        hard {timeOfDay(ready.at * MINUTE)}
      </text>
    </>
  );
}
