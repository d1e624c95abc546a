import type { Attention } from '@/core/running';

const two = (n: number): string => n.toFixed(1);
const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

/** What is not as it should be, by how much, and what would mend it. */
export function attentionWords(a: Attention): string {
  switch (a.code) {
    case 'lost-job':
      return `${a.entries} ${a.entries === 1 ? 'entry' : 'entries'} of the job ${a.job} were written here, and this database holds no such job: it was taken out or renamed in the database itself, or this is another database. Compare with the last backup.`;
    case 'catalogue':
      return a.changed
        ? `In the catalogue ${a.words}: somebody has written to the database itself. Nothing is chosen, planned or confirmed until it is as it was; the last backup has it.`
        : `In the catalogue ${a.words}: it was taken out in the database itself, or an older copy was put back. What stood before it, if anything did, is in force again: take it in once more, and look what was planned since.`;
    case 'no-backup':
      return 'Nobody has backed this database up. Run deploy/backup.sh on a node, and restore it once elsewhere.';
    case 'old-backup':
      return `The last backup is ${Number.isFinite(a.hours) ? `${two(a.hours)} h old` : 'of no known time'}; no older than ${a.limit} h is asked for.`;
    case 'quiet':
      return `The process ${a.process} has said nothing for ${a.seconds.toFixed(0)} s (at most ${a.limit}): it has ended, or cannot reach the database.`;
    case 'late':
      return `The process ${a.process} lets others wait for up to ${a.ms} ms (at most ${a.limit}): add a process, or look what heavy work goes on.`;
    case 'statements':
      return `At the process ${a.process} ${a.waiting} ${a.waiting === 1 ? 'statement waits' : 'statements wait'} for a connection: the database is slow, or there are too few processes.`;
    case 'builds':
      return `Processes of ${a.builds.length} builds serve side by side (${a.builds.join('; ')}): finish the upgrade.`;
    case 'not-ready':
      return `The node ${a.node} is ${a.state.toLowerCase() || 'in no known state'} and writes nothing: it has lost the others.`;
    case 'no-majority-left':
      return `Only ${a.size} of the nodes ${a.size === 1 ? 'is' : 'are'} together: when one more goes, nothing is written. Start the others.`;
    case 'held-back':
      return `The node was held back for ${percent(a.share)} of its time (at most ${percent(a.limit)}): another node is too slow.`;
    case 'queue':
      return `At the node ${a.waiting} write sets wait (at most ${a.limit}): what it shows is of a while ago.`;
  }
}

const UNITS = ['B', 'kB', 'MB', 'GB', 'TB'] as const;

/** A size as people say it. */
export function bytesWords(bytes: number): string {
  const step = Math.min(UNITS.length - 1, Math.floor(Math.log10(Math.max(1, bytes)) / 3));
  const size = bytes / 1000 ** step;
  return `${step === 0 ? size.toFixed(0) : size.toPrecision(3)} ${UNITS[step]}`;
}
