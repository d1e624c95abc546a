import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { problemLine, type Result } from '@/core/kernel';
import type { Role } from '@/core/people';
import type { Reading } from '@/core/cable-measurement';
import { DEFAULT_PROFILE, type Enclosure, type Entry } from '@/core/schedule';
import {
  database,
  findEntry,
  insertCable,
  insertCableType,
  insertEnclosure,
  insertEntry,
  insertJob,
  insertPerson,
  isDuplicate,
  setRoles,
  insertReadings,
  insertTermination,
  withTransaction,
} from '@/data';
import { CABLE_TYPES } from '@/data/seed/quillmere';
import { importCatalogue } from '../operations/catalogue';
import { refreshSummaries, requireJob } from '../operations/load';

const someone = (n: number, name: string) => ({ id: `00000000-0000-4000-8000-00000000000${n}`, name });
export const PLANNER = someone(1, 'planner');
export const FITTER = someone(2, 'fitter');
/** Can sign in, and is nothing in any job. */
export const STRANGER = someone(3, 'stranger');
/** What the people of the tests are in every job that is made for one. */
const CREW: readonly (readonly [typeof PLANNER, readonly Role[]])[] = [
  [PLANNER, ['planner', 'fitter', 'inspector', 'administrator']],
  [FITTER, ['fitter', 'inspector']],
  [STRANGER, []],
];

/** They are the same in every test file, so whichever comes first makes them. */
async function people(): Promise<void> {
  for (const [{ id, name }] of CREW)
    try {
      await insertPerson(
        database(),
        { id, name, username: name, administrator: false, passwordHash: 'none' },
        NOW,
      );
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
}
export const NOW = new Date('2026-11-10T08:00:00.000Z');

/** The value of a result that must be good; its refusal fails the test with its words. */
export async function good<T>(result: Promise<Result<T>>): Promise<T> {
  const r = await result;
  if (!r.ok) throw new Error(r.problems.map(problemLine).join('\n'));
  return r.value;
}

/** The messages of a result that must be refused. */
export async function refused(result: Promise<Result<unknown>>): Promise<string> {
  const r = await result;
  if (r.ok) throw new Error('was not refused');
  return r.problems.map(problemLine).join('\n');
}

const metric = (size: string) => ({ form: 'metric' as const, size, pitchMm: 1.5 });
const threaded = (label: string, size: string): Entry => ({
  label,
  kind: 'threaded',
  thread: metric(size),
  wallMm: 16,
  chamferMm: 1,
  holeMm: null,
});

const BOX: Enclosure = {
  tag: 'BX-1',
  title: 'Test box',
  concept: 'Ex e',
  zone: 1,
  gasGroup: 'IIB',
  dustGroup: null,
  temperatureClass: 'T3',
  ip: '66',
  material: 'steel',
  wallEarthed: true,
  freeVolumeCm3: 2000,
  ambientMinC: -10,
  entryMaxC: 60,
};

/** Readings of a 4 × 25 mm² cable that RW2-32 and AY3-32 take. */
export function readingsFor(outer: readonly [string, string] = ['27.9', '28.2']): Reading[] {
  const caliper = (quantity: Reading['quantity'], text: string, angleDeg?: number): Reading => ({
    quantity,
    method: 'caliper',
    text,
    unit: 'mm',
    ...(angleDeg === undefined ? {} : { angleDeg }),
  });
  return [
    caliper('outerSheath', outer[0], 0),
    caliper('outerSheath', outer[1], 90),
    caliper('innerSheath', '21.4', 0),
    caliper('innerSheath', '21.7', 90),
    caliper('armourWire', '1.6'),
  ];
}

interface Scene {
  readonly secondPerson?: boolean;
  /** The cables have a gas path between their cores and go into flameproof boxes: barrier glands with compound. */
  readonly sealed?: boolean;
}

/** A job of its own for one test: two cables, two boxes, the demo catalogue. Returns its slug. */
export const makeJob = (secondPerson = false): Promise<string> => build({ secondPerson });

/** The same, where a barrier gland is called for: WC4-32 fits its cable. */
export const makeSealedJob = (): Promise<string> => build({ sealed: true });

const SEALED_READINGS: readonly Reading[] = [
  { quantity: 'outerSheath', method: 'wrapTape', text: '88.7', unit: 'mm' },
  { quantity: 'laidUpCores', method: 'caliper', text: '19.8', unit: 'mm', angleDeg: 0 },
  { quantity: 'laidUpCores', method: 'caliper', text: '19.9', unit: 'mm', angleDeg: 90 },
  { quantity: 'core', method: 'caliper', text: '8.2', unit: 'mm', angleDeg: 0 },
  { quantity: 'core', method: 'caliper', text: '8.2', unit: 'mm', angleDeg: 90 },
];

let ground: Promise<void> | null = null;

/** What all jobs of a test file stand on. */
async function laid(): Promise<void> {
  await good(importCatalogue(readFileSync('examples/catalogue/demo.json', 'utf8'), PLANNER, NOW));
  await people();
}

async function build({ secondPerson = false, sealed = false }: Scene): Promise<string> {
  const slug = `job-${randomUUID().slice(0, 8)}`;
  ground ??= laid();
  await ground;
  await withTransaction(async (tx) => {
    const jobId = await insertJob(tx, {
      slug,
      name: slug,
      unit: 'mm',
      secondPerson: secondPerson ? 1 : 0,
      profile: JSON.stringify(DEFAULT_PROFILE),
    });
    for (const [{ id }, roles] of CREW) await setRoles(tx, id, jobId, roles, null, NOW);
    const types = new Map<string, number>();
    for (const facts of CABLE_TYPES)
      types.set(
        facts.code,
        await insertCableType(tx, jobId, sealed ? { ...facts, effectivelyFilled: false } : facts),
      );
    for (const tag of ['BX-1', 'BX-2']) {
      const id = await insertEnclosure(tx, jobId, 'Test area', {
        ...BOX,
        tag,
        ...(sealed ? { concept: 'Ex d' as const } : {}),
      });
      for (const entry of [threaded('E1', 'M32'), threaded('E2', 'M32'), threaded('E3', 'M20')])
        await insertEntry(tx, id, entry);
    }
    const terminations: number[] = [];
    for (const [tag, a, b] of [
      ['K-1', 'E1', 'E1'],
      ['K-2', 'E2', 'E2'],
    ] as const) {
      const cableId = await insertCable(tx, {
        jobId,
        tag,
        typeId: types.get('W4-25') ?? 0,
        routeMm: 30_000,
        note: '',
      });
      for (const [end, box, label] of [
        ['A', 'BX-1', a],
        ['B', 'BX-2', b],
      ] as const) {
        terminations.push(
          await insertTermination(tx, {
            cableId,
            end: end,
            entryId: await findEntry(tx, jobId, box, label),
            tailMm: 240,
            spareMm: 30,
          }),
        );
      }
      if (tag === 'K-1')
        await insertReadings(
          tx,
          [...readingsFor(), ...(sealed ? SEALED_READINGS : [])].flatMap((reading) =>
            (['A', 'B'] as const).map((end) => ({ cableId, end, reading })),
          ),
        );
    }
    const job = await requireJob(tx, slug);
    if (!job.ok) throw new Error('just made');
    await refreshSummaries(tx, job.value, terminations);
  });
  return slug;
}
