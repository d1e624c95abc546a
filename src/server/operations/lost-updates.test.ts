import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { FITTER, good, makeJob, makeSealedJob, NOW, PLANNER } from '../testing/job';
import { lockSize, takeSize } from './gland-selection';
import { addCrossing, setCrossing, viewCrossing } from './crossing';
import { setCompound, setPins, setTerminals } from './end-facts';
import { setProfile, viewProfile } from './profile';
import { editCable, retireCable, schedulePage } from './schedule';
import { viewTermination } from './view';

afterAll(closeDatabase);

const WRITERS = 20;
const ref = (job: string) => ({ job, cable: 'K-1', end: 'A' });
const who = (i: number) => (i % 2 === 0 ? PLANNER : FITTER);

async function rowOf(job: string) {
  const page = await good(
    schedulePage(job, { filter: 'K-1', sort: 'tag', descending: false, offset: 0, limit: 1 }),
  );
  const [row] = page.rows;
  if (!row) throw new Error('no K-1');
  return row;
}

/** Twenty who have read the same version write at once: how many are told that theirs was saved? */
async function told(write: (i: number) => Promise<'saved' | 'late'>): Promise<number> {
  const answers = await Promise.all(Array.from({ length: WRITERS }, (_, i) => write(i)));
  return answers.filter((a) => a === 'saved').length;
}
const outcome = async (result: Promise<{ ok: boolean }>): Promise<'saved' | 'late'> =>
  (await result).ok ? 'saved' : 'late';

describe('one of twenty who write over the same version is told “saved”, the others are told who was faster', () => {
  it('a row of the schedule, three rounds', async () => {
    const job = await makeJob();
    for (let round = 0; round < 3; round += 1) {
      const row = await rowOf(job);
      const versions = { cable: row.version, A: row.a.version, B: row.b.version };
      const saved: string[] = [];
      const count = await told(async (i) => {
        const note = `round ${round} of ${i}`;
        const made = await good(editCable(job, row.id, versions, { note }, who(i), NOW));
        if ('conflict' in made) return 'late';
        saved.push(note);
        return 'saved';
      });
      expect(count).toBe(1);
      expect((await rowOf(job)).note).toBe(saved[0]);
    }
  });

  it('both ends of a cable: what was written first in a lost race is rolled back', async () => {
    const job = await makeJob();
    const row = await rowOf(job);
    const versions = { cable: row.version, A: row.a.version, B: row.b.version };
    await good(editCable(job, row.id, versions, { bTail: '300' }, FITTER, NOW));
    const late = await good(editCable(job, row.id, versions, { note: 'mine', bTail: '310' }, PLANNER, NOW));
    expect(late).toMatchObject({ conflict: { by: FITTER.name, row: { note: '', b: { tailMm: 300 } } } });
    expect(await rowOf(job)).toMatchObject({ note: '', b: { tailMm: 300 } });
  });

  it('taking a cable out, and changing it meanwhile', async () => {
    const job = await makeJob();
    const row = await rowOf(job);
    const versions = { cable: row.version, A: row.a.version, B: row.b.version };
    await good(editCable(job, row.id, versions, { note: 'still needed' }, FITTER, NOW));
    expect(await outcome(retireCable(job, row.id, row.version, PLANNER, NOW))).toBe('late');
  });

  it('a profile', async () => {
    const job = await makeJob();
    const { version, profile } = await good(viewProfile(job));
    const count = await told((i) =>
      outcome(
        setProfile(
          job,
          version,
          { ...profile, cut: { ...profile.cut, kerfMm: 1 + i / 10 + 0.01 } },
          who(i),
          NOW,
        ),
      ),
    );
    expect(count).toBe(1);
  });

  it('terminals, pin map, compound and lock of one end', async () => {
    const job = await makeSealedJob();
    await good(takeSize(ref(job), 'WC4-32', randomUUID(), PLANNER, NOW));
    const seen = async () => (await good(viewTermination(ref(job)))).versions.A;
    let version = await seen();
    expect(await told((i) => outcome(setTerminals(ref(job), version, `L1 ${150 + i}`, who(i), NOW)))).toBe(1);
    version = await seen();
    expect(await told((i) => outcome(setPins(ref(job), version, `BN ${i}`, who(i), NOW)))).toBe(1);
    version = await seen();
    expect(await told((i) => outcome(setCompound(ref(job), version, 'putty CP-5', who(i), NOW)))).toBe(1);
    version = await seen();
    expect(await told((i) => outcome(lockSize(ref(job), version, i % 2 === 0, who(i), NOW)))).toBe(1);
  });

  it('the setup of a crossing', async () => {
    const job = await makeJob();
    await good(addCrossing(job, 'W-1'));
    const { version, setup } = await good(viewCrossing({ job, crossing: 'W-1' }));
    const count = await told((i) =>
      outcome(setCrossing({ job, crossing: 'W-1' }, version, { ...setup, place: `wall ${i}` }, who(i))),
    );
    expect(count).toBe(1);
  });
});

describe('a cable of another job, one that was taken out, and what is no number', () => {
  it.each([[NaN], [true], ['1'], [null], [{}], [0], [-1], [1.5]])(
    'refuses %p and writes nothing',
    async (id) => {
      const job = await makeJob();
      const before = await rowOf(job);
      const versions = { cable: 1, A: 1, B: 1 };
      expect(await outcome(editCable(job, id as number, versions, { note: 'x' }, PLANNER, NOW))).toBe('late');
      expect(await outcome(retireCable(job, id as number, 1, PLANNER, NOW))).toBe('late');
      expect(await rowOf(job)).toEqual(before);
    },
  );

  it('refuses to write to either', async () => {
    const [job, other] = [await makeJob(), await makeJob()];
    const row = await rowOf(job);
    const versions = { cable: row.version, A: row.a.version, B: row.b.version };
    expect(await outcome(editCable(other, row.id, versions, { note: 'x' }, PLANNER, NOW))).toBe('late');
    expect(await outcome(retireCable(other, row.id, row.version, PLANNER, NOW))).toBe('late');
    await good(retireCable(job, row.id, row.version, PLANNER, NOW));
    const after = { cable: row.version + 1, A: row.a.version + 1, B: row.b.version + 1 };
    expect(await outcome(editCable(job, row.id, after, { aPlace: 'BX-1/E2' }, PLANNER, NOW))).toBe('late');
  });
});
