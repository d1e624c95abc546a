import { randomUUID } from 'node:crypto';
import { seededRandom } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import { DEFAULT_PROFILE, type Enclosure, type Entry } from '@/core/schedule';
import {
  database,
  findEntry,
  findJob,
  insertCable,
  insertCableType,
  insertEnclosure,
  insertEntry,
  insertJob,
  insertReadings,
  insertTermination,
  withTransaction,
} from '@/data';
import { CABLE_TYPES, ENCLOSURES } from '@/data/seed/quillmere';
import { refreshSummaries, requireJob } from './operations/load';

const SEED = 20261103;

/** Makes a job of that many terminations for measurements of speed; made once, named after its size. Returns its slug. */
export async function makeLargeJob(terminations: number): Promise<string> {
  const slug = `large-${terminations}`;
  if (await findJob(database(), slug)) return slug;
  const random = seededRandom(SEED);
  const template = ENCLOSURES.find((e) => e.enclosure.tag === 'JB-S1')?.enclosure;
  if (!template) throw new Error('the demo has a junction box');
  const marks = await withTransaction(async (tx) => {
    const jobId = await insertJob(tx, {
      slug,
      name: `Generated job, ${terminations} terminations`,
      unit: 'mm',
      secondPerson: 0,
      profile: JSON.stringify(DEFAULT_PROFILE),
    });
    const types: number[] = [];
    for (const facts of CABLE_TYPES) types.push(await insertCableType(tx, jobId, facts));
    const ids: number[] = [];
    const readings: { cableId: number; end: 'A' | 'B'; reading: Reading }[] = [];
    for (let i = 0; i < terminations / 2; i += 1) {
      const ends: number[] = [];
      const tag = `X-${1 + Math.floor(i / 10)}`;
      if (i % 10 === 0) {
        const enclosure: Enclosure = { ...template, tag, title: `Box ${1 + Math.floor(i / 10)}` };
        const enclosureId = await insertEnclosure(tx, jobId, `Area ${1 + Math.floor(i / 250)}`, enclosure);
        for (let n = 0; n < 20; n += 1) await insertEntry(tx, enclosureId, entryOf(n));
      }
      for (const n of [2 * (i % 10), 2 * (i % 10) + 1]) {
        const id = await findEntry(tx, jobId, tag, `E${n}`);
        if (id !== null) ends.push(id);
      }
      const cableId = await insertCable(tx, {
        jobId,
        tag: `C-${i + 1}`,
        typeId: types[Math.floor(random() * types.length)] ?? 0,
        routeMm: Math.round(random() * 90_000),
        note: '',
      });
      for (const [n, end] of (['A', 'B'] as const).entries()) {
        ids.push(
          await insertTermination(tx, { cableId, end, entryId: ends[n] ?? null, tailMm: 200, spareMm: 50 }),
        );
        const outer = 14 + random() * 30;
        readings.push(...measured(outer).map((reading) => ({ cableId, end, reading })));
      }
    }
    for (let i = 0; i < readings.length; i += 1000) await insertReadings(tx, readings.slice(i, i + 1000));
    return ids;
  });
  await withTransaction(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) throw new Error('just made');
    await refreshSummaries(tx, job.value, marks);
  });
  return slug;
}

const SIZES = ['M20', 'M25', 'M32', 'M40'] as const;
const entryOf = (n: number): Entry => ({
  label: `E${n}`,
  kind: 'threaded',
  thread: { form: 'metric', size: SIZES[n % SIZES.length] ?? 'M20', pitchMm: 1.5 },
  wallMm: 12,
  chamferMm: 1,
  holeMm: null,
});

function measured(outer: number): Reading[] {
  const caliper = (quantity: Reading['quantity'], mm: number): Reading => ({
    quantity,
    method: 'caliper',
    text: mm.toFixed(2),
    unit: 'mm',
    instrument: randomUUID().slice(0, 4),
  });
  return [
    caliper('outerSheath', outer),
    caliper('outerSheath', outer * 1.01),
    caliper('innerSheath', outer * 0.74),
    caliper('armourWire', 1.6),
  ];
}
