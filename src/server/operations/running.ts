import { ok, type Result } from '@/core/kernel';
import { revisionFaultWords } from '@/core/catalogue';
import type { RunningView } from '@/core/running';
import { database, lastBackup, nodeFigures, processesSeen, revisionFaults } from '@/data';
import { lostJobsOf } from '../record/lost';
import { guarded } from '../guard';
import { heavyPlacesNow } from '../heavy-place';

/** A process that has been quiet for longer was ended, and is nobody's concern. */
const FORGOTTEN_SECONDS = 600;

/** What runs now: for an administrator of the whole application. */
export function viewRunning(): Promise<Result<RunningView>> {
  return guarded<RunningView>(async () => {
    const tx = database();
    const processes = await processesSeen(tx, FORGOTTEN_SECONDS);
    const backup = await lastBackup(tx);
    return ok({
      heavy: await heavyPlacesNow(),
      processes: processes.map(({ startedAt, figures, ...row }) => ({
        ...row,
        ...figures,
        startedAt: startedAt.toISOString(),
      })),
      database: await nodeFigures(tx),
      lostJobs: await lostJobsOf(tx),
      catalogueFaults: (await revisionFaults(tx)).map((fault) => ({
        words: revisionFaultWords(fault),
        changed: fault.fault === 'changed',
      })),
      backup: backup && {
        ...backup,
        beganAt: backup.beganAt.toISOString(),
        endedAt: backup.endedAt.toISOString(),
      },
    });
  });
}
