import { randomUUID } from 'node:crypto';
import type { Result } from '@/core/kernel';
import { CODE_PROFILES } from '@/core/schedule';
import { lockSize } from '@/server/operations/gland-selection';
import { addCrossing, setCrossing, viewCrossing } from '@/server/operations/crossing';
import { setCompound, setTerminals } from '@/server/operations/end-facts';
import { setProfile, viewProfile } from '@/server/operations/profile';
import { editCable, schedulePage } from '@/server/operations/schedule';
import { viewTermination } from '@/server/operations/view';
import type { Row } from './row';

const WRITERS = 20;
const ROUNDS = 30;

function good<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.problems.map((p) => `${p.path} ${p.message}`).join('; '));
  return result.value;
}

/**
 * Twenty who have read the same version write at once, thirty rounds over each thing that people edit: in every round just one is told that it
 * was saved. Returns in how many rounds that was not so.
 */
export async function benchWriters(): Promise<Row[]> {
  const slug = 'quillmere';
  const who = (i: number) => ({ id: null, name: `writer ${i}` });
  const now = () => new Date();
  const end = { job: slug, cable: 'K-140', end: 'B' };
  const crossing = { job: slug, crossing: `W-${randomUUID().slice(0, 6)}` };
  good(await addCrossing(slug, crossing.crossing));
  const seen = async () => good(await viewTermination(end)).versions.B;
  const row = async () =>
    good(await schedulePage(slug, { filter: 'K-148', sort: 'tag', descending: false, offset: 0, limit: 1 }))
      .rows[0];
  const saved = async (result: Promise<{ ok: boolean }>) => (await result).ok;

  const tables: readonly (readonly [string, (round: number) => Promise<(i: number) => Promise<boolean>>])[] =
    [
      [
        'row of the schedule',
        async (round) => {
          const of = await row();
          if (!of) throw new Error('no K-148');
          const versions = { cable: of.version, A: of.a.version, B: of.b.version };
          return async (i) => {
            const made = good(
              await editCable(slug, of.id, versions, { note: `round ${round} by ${i}` }, who(i), now()),
            );
            return !('conflict' in made);
          };
        },
      ],
      [
        'profile',
        async (round) => {
          const { version } = good(await viewProfile(slug));
          const [profile] = CODE_PROFILES;
          return (i) =>
            saved(setProfile(slug, version, { ...profile, title: `round ${round} by ${i}` }, who(i), now()));
        },
      ],
      [
        'terminals',
        async (round) => {
          const version = await seen();
          return (i) => saved(setTerminals(end, version, `L1 ${100 + round + i}`, who(i), now()));
        },
      ],
      [
        'compound',
        async (round) => {
          const version = await seen();
          const product = round % 2 === 0 ? 'putty CP-5' : null;
          return (i) => saved(setCompound(end, version, product, who(i), now()));
        },
      ],
      [
        'lock of a size',
        async (round) => {
          const version = await seen();
          return (i) => saved(lockSize(end, version, round % 2 === 0, who(i), now()));
        },
      ],
      [
        'setup of a crossing',
        async (round) => {
          const view = good(await viewCrossing(crossing));
          return (i) =>
            saved(
              setCrossing(crossing, view.version, { ...view.setup, place: `round ${round} by ${i}` }, who(i)),
            );
        },
      ],
    ];
  const rows: Row[] = [];
  for (const [name, begin] of tables) {
    let wrong = 0;
    for (let round = 0; round < ROUNDS; round += 1) {
      const write = await begin(round);
      const told = await Promise.all(Array.from({ length: WRITERS }, (_, i) => write(i)));
      if (told.filter(Boolean).length !== 1) wrong += 1;
    }
    rows.push({
      what: `${name}: rounds of ${ROUNDS} in which not just one of ${WRITERS} was told “saved”`,
      value: wrong,
      unit: 'rounds',
      bar: 0,
    });
  }
  return rows;
}
