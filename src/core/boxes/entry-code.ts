import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { isThreadSize, type Thread } from '@/core/catalogue';
import type { Entry } from '@/core/schedule';

/** Threads per inch of tapered pipe threads by nominal size (ASME B1.20.1), as pitch in mm. */
const NPT_PITCH: Readonly<Record<string, number>> = {
  '1/4': 25.4 / 18,
  '3/8': 25.4 / 18,
  '1/2': 25.4 / 14,
  '3/4': 25.4 / 14,
  '1': 25.4 / 11.5,
  '1 1/4': 25.4 / 11.5,
  '1 1/2': 25.4 / 11.5,
  '2': 25.4 / 11.5,
};
const NPT_LARGE = 25.4 / 8;
const nptPitch = (size: string): number => Number((NPT_PITCH[size] ?? NPT_LARGE).toFixed(3));
/** Metric glands and entries use pitch 1.5 where nothing else is said (IEC 60423). */
const METRIC_PITCH = 1.5;

/** What a hole is, without its label and its wall. */
export type Hole = Pick<Entry, 'kind' | 'thread' | 'holeMm'>;

const threaded = (thread: Thread): Result<Hole> => ok({ kind: 'threaded', thread, holeMm: null });

/**
 * Reads a hole as people write it: `M25`, `M25x1.5`, `3/4 NPT`, `3/4" NPT`, `1-1/4 NPT`, `hole 20.5`, `Ø 20,5 mm`. Refused with what would be
 * read instead.
 */
export function readHole(text: string): Result<Hole> {
  const plain = text.trim().replace(/\s+/g, ' ').replace(',', '.').replace(/["”″]/g, '');
  const metric = /^M ?(\d{2,3})(?: ?[x×*] ?(\d(?:\.\d+)?))?$/i.exec(plain);
  if (metric) {
    const size = `M${metric[1] ?? ''}`;
    const pitchMm = metric[2] === undefined ? METRIC_PITCH : Number(metric[2]);
    if (pitchMm < 0.5 || pitchMm > 6) return refuse('size', 'is not a pitch of such a thread', text);
    return isThreadSize('metric', size)
      ? threaded({ form: 'metric', size, pitchMm })
      : refuse('size', 'is not a metric size', text);
  }
  const npt =
    /^(?:NPT ?)?(\d+(?:[- ]\d+\/\d+)?|\d+\/\d+) ?(?:in|inch)? ?(?:NPT)?(?: ?[x×*] ?(\d(?:\.\d+)?))?$/i.exec(
      plain,
    );
  if (npt && /npt/i.test(plain)) {
    const size = (npt[1] ?? '').replace('-', ' ');
    const pitchMm = npt[2] === undefined ? nptPitch(size) : Number(npt[2]);
    if (pitchMm < 0.5 || pitchMm > 6) return refuse('size', 'is not a pitch of such a thread', text);
    return isThreadSize('npt', size)
      ? threaded({ form: 'npt', size, pitchMm })
      : refuse('size', 'is not a nominal size of a tapered thread', text);
  }
  const hole = /^(?:hole|Ø|ø|dia\.?|d) ?(\d{1,3}(?:\.\d+)?)(?: ?mm)?$/i.exec(plain);
  if (hole) {
    const holeMm = Number(hole[1]);
    if (holeMm < 5 || holeMm > 150) return refuse('size', 'is not a hole of 5 to 150 mm', text);
    return ok({ kind: 'clearance', thread: null, holeMm });
  }
  return refuse('size', 'is no hole: write M25, M25x1.5, 3/4 NPT or hole 20.5', text);
}

/** A hole as text that `readHole` reads back. */
export const holeText = ({ thread, holeMm }: Pick<Entry, 'thread' | 'holeMm'>): string => {
  if (thread === null) return holeMm === null ? '' : `hole ${holeMm}`;
  const [name, usual] =
    thread.form === 'npt' ? [`${thread.size} NPT`, nptPitch(thread.size)] : [thread.size, METRIC_PITCH];
  return thread.pitchMm === usual ? name : `${name}${thread.form === 'npt' ? ' x ' : 'x'}${thread.pitchMm}`;
};

const MOST_ENTRIES = 200;

/** `E1–E12` as twelve labels; one label as itself. Null when the range runs backwards or is too long. */
function labelsOf(range: string): string[] | null {
  const found = /^(.*?)(\d+) ?(?:-|–|—|\.\.|to|bis) ?(.*?)(\d+)$/i.exec(range);
  if (!found) return [range];
  const [, prefix = '', from = '', other = '', to = ''] = found;
  if (other !== '' && other !== prefix) return null;
  const [first, last] = [Number(from), Number(to)];
  if (last < first || last - first >= MOST_ENTRIES) return null;
  const width = from.startsWith('0') ? from.length : 0;
  return Array.from(
    { length: last - first + 1 },
    (_, i) => `${prefix}${String(first + i).padStart(width, '0')}`,
  );
}

/** What all holes of a list have in common. Lengths in mm. */
export interface Wall {
  readonly wallMm: number;
  readonly chamferMm: number;
}

/**
 * Reads a list of entries: `E1–E12 M20; E13, E14 M32; C1 hole 20.5`. Every part names its labels and the hole that they are. Each label is
 * refused that stands twice, or is among `taken`.
 */
export function readEntries(text: string, wall: Wall, taken: ReadonlySet<string>): Result<Entry[]> {
  const problems: Problem[] = [];
  const entries: Entry[] = [];
  const seen = new Set<string>(taken);
  for (const part of text.split(/[;\n]/).map((p) => p.trim())) {
    if (part === '') continue;
    const at =
      /(?:,|\s)\s*(M ?\d.*|(?:\d+[- ])?\d+(?:\/\d+)?["”″]? ?NPT|NPT.*|(?:hole|Ø|ø|dia\.?) ?\d.*)$/i.exec(
        part,
      );
    if (!at) {
      problems.push({ path: 'entries', message: 'names no hole: write E1–E12 M20', value: part });
      continue;
    }
    const hole = readHole(at[1] ?? '');
    if (!hole.ok) {
      problems.push(...hole.problems.map((p) => ({ ...p, path: 'entries' })));
      continue;
    }
    for (const range of part.slice(0, at.index).split(',')) {
      const labels = labelsOf(range.trim());
      if (labels === null) {
        problems.push({ path: 'entries', message: 'is no row of labels', value: range.trim() });
        continue;
      }
      for (const label of labels) {
        if (label === '' || label.length > 20 || label.includes('/'))
          problems.push({ path: 'entries', message: 'is no label of an entry', value: label });
        else if (seen.has(label))
          problems.push({ path: 'entries', message: 'is there already', value: label });
        else entries.push({ label, ...hole.value, ...wall });
        seen.add(label);
      }
    }
  }
  if (entries.length > MOST_ENTRIES)
    problems.push({ path: 'entries', message: `at most ${MOST_ENTRIES} at once`, value: entries.length });
  if (entries.length === 0 && problems.length === 0) return refuse('entries', 'names no entry');
  return problems.length > 0 ? fail(problems) : ok(entries);
}
