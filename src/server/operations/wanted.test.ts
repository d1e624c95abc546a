import { closeDatabase } from '@/data';
import { readCsv } from '@/formats/csv/read';
import { ref } from '../testing/bench';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { addReading } from './cable-measurement';
import { randomUUID } from 'node:crypto';
import { viewWanted, wantedFile } from './wanted';
import { viewTermination } from './view';

afterAll(closeDatabase);

it('lists an end for which nothing fits, with its figures and the nearest size, and nobody else', async () => {
  const job = await makeJob();
  expect(await good(viewWanted(job))).toEqual([]);
  expect(await refused(wantedFile(job))).toMatch(/nothing has to be asked for/);
  // Somebody reads 49 mm where 28 were: no entry of M32 takes that.
  const end = await good(viewTermination(ref(job, 'K-1', 'A')));
  expect(end.choice?.candidates[0]?.verdict).not.toBe('misfit');
  for (const angleDeg of [0, 90])
    await good(
      addReading(
        ref(job, 'K-1', 'A'),
        { quantity: 'outerSheath', method: 'caliper', text: '49', unit: 'mm', angleDeg },
        randomUUID(),
        PLANNER,
        NOW,
      ),
    );
  const [wanted, ...others] = await good(viewWanted(job));
  expect(others).toEqual([]);
  expect(wanted?.tag).toBe('K-1/A');
  expect(new Map(wanted?.needs).get('outer sheath')).toMatch(/–49\.\d+ mm$/);
  expect(wanted?.nearest?.reasons[0]).toMatch(/\d mm/);
  const csv = await good(wantedFile(job));
  const table = readCsv(new TextEncoder().encode(csv));
  expect(table.ok && table.value.rows).toHaveLength(1);
  expect(table.ok && table.value.rows[0]).toMatchObject({ end: 'K-1/A', pieces: '1' });
});
