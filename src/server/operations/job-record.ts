import { group } from 'd3';
import { ok, type Result } from '@/core/kernel';
import { auditHead, auditReceipts, faultWords, formerNames, headCode, type SubjectKind } from '@/core/record';
import {
  database,
  listCrossings,
  loadCrossingPlans,
  loadHead,
  loadJobEvents,
  loadJobReceipts,
  plansOfTerminations,
  recordSubjects,
  subjectNames,
  type JobRow,
  type Tx,
} from '@/data';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { auditedRecords, planFaults } from '../record/faults';
import { publicKeyPem, remembered, signedByUs } from '../record/keep';
import type { Scope } from './dossier-scope';
import { requireJob } from './load';

interface Renamed {
  /** As it is called now. */
  readonly subject: string;
  readonly before: readonly string[];
}

/** What does not hold of a job's record: each subject with its first fault, or the job as a whole. */
export interface JobRecordView {
  readonly faults: readonly { readonly subject: string; readonly words: string }[];
  /** Subjects that were called otherwise when their events were written. */
  readonly renamed: readonly Renamed[];
  readonly entries: number;
  /** As it stands on prints; null before the first event. */
  readonly code: string | null;
}

/** The end of a job's record, as it is printed; null before its first event. */
export async function recordCode(tx: Tx, jobId: number): Promise<string | null> {
  const { last } = await loadHead(tx, jobId);
  return last ? headCode(last) : null;
}

/** The same for a job by its name in addresses; null where there is none. */
export async function recordCodeOf(slug: string): Promise<string | null> {
  const job = await requireJob(database(), slug);
  return job.ok ? recordCode(database(), job.value.id) : null;
}

/** Audits every subject of a job that has a record, now and from its first event on. */
export function viewJobRecord(slug: string): Promise<Result<JobRecordView>> {
  return guarded<JobRecordView>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const faults: { subject: string; words: string }[] = [];
    const renamed: Renamed[] = [];
    const known = remembered(slug);
    const head = await loadHead(tx, job.value.id);
    const [whole] = [
      ...auditHead({ job: slug, ...head, remembered: known }, signedByUs),
      ...auditReceipts(await loadJobReceipts(tx, job.value.id), signedByUs),
    ];
    if (whole) faults.push({ subject: job.value.name, words: faultWords(whole) });
    for (const kind of ['termination', 'crossing'] as const) {
      const found = await auditedSubjects(tx, job.value, kind);
      for (const { subject, words } of found.faults)
        if (!faults.some((f) => f.words === words)) faults.push({ subject, words });
      renamed.push(...found.renamed);
    }
    return ok({
      faults,
      renamed,
      entries: head.count,
      code: head.last ? headCode(head.last) : null,
    });
  });
}

async function auditedSubjects(tx: Tx, job: JobRow, kind: SubjectKind) {
  const faults: { subject: string; words: string }[] = [];
  const renamed: Renamed[] = [];
  const subjects = await recordSubjects(tx, job.id, kind);
  for await (const batch of inBatches(subjects, 50)) {
    const ids = batch.map((s) => s.id);
    const now = await subjectNames(tx, kind, ids);
    const recordOf = await auditedRecords(
      tx,
      job,
      kind,
      ids.map((id) => ({ id, end: now.get(id)?.end })),
    );
    const plans = await plansInForce(tx, kind, ids);
    for (const { id, subject } of batch) {
      const { events, faults: wrong } = recordOf(id);
      const [first] = [...planFaults(plans.get(id) ?? null, events), ...wrong];
      if (first) faults.push({ subject, words: faultWords(first) });
      const name = now.get(id)?.name;
      if (name === undefined)
        faults.push({ subject, words: 'is not in the database any more, and its record is' });
      else if (formerNames(events, name).length > 0)
        renamed.push({ subject: name, before: formerNames(events, name) });
    }
  }
  return { faults, renamed };
}

async function plansInForce(tx: Tx, kind: SubjectKind, ids: readonly number[]) {
  const plans =
    kind === 'crossing'
      ? (await loadCrossingPlans(tx, ids)).map((p) => ({ ...p, subjectId: p.crossingId }))
      : await plansOfTerminations(tx, ids, true);
  const newest = new Map<number, (typeof plans)[number]>();
  for (const plan of plans) if (!newest.has(plan.subjectId)) newest.set(plan.subjectId, plan);
  return newest;
}

/** The record of a job, or of what a scope names of it, as one value that can be checked without this database: see `verifyBundle`. */
export async function bundleOf(tx: Tx, job: JobRow, scope: Scope, now: Date) {
  const inScope = (kind: SubjectKind, id: number) => scope === null || scope[kind].includes(id);
  const events = (await loadJobEvents(tx, job.id)).filter((e) => inScope(e.subjectKind, e.subjectId));
  const receipts = await loadJobReceipts(tx, job.id);
  const crossings = new Map((await listCrossings(tx, job.id)).map((c) => [c.id, c.name]));
  const byKind = group(
    events,
    (e) => e.subjectKind,
    (e) => e.subjectId,
  );
  const subjects = [];
  for (const [kind, byId] of byKind)
    for (const [id, mine] of byId) {
      const named = new Set(mine.map((e) => e.planHash));
      const plans =
        kind === 'crossing'
          ? (await loadCrossingPlans(tx, [id])).map((p) => ({
              planHash: p.planHash,
              body: p.plan,
            }))
          : await plansOfTerminations(tx, [id], false);
      const name =
        kind === 'crossing' ? `crossing ${crossings.get(id) ?? id}` : (mine[mine.length - 1]?.subject ?? '');
      subjects.push({
        kind,
        name,
        events: [...mine].sort((a, b) => a.seq - b.seq).map(({ subjectId: _, ...event }) => event),
        plans: plans
          .filter((p) => named.has(p.planHash))
          .map((p) => ({ hash: p.planHash, body: p.body }))
          .filter((p, i, all) => all.findIndex((q) => q.hash === p.hash) === i),
      });
    }
  return {
    format: 'amber-collar-record',
    version: 1,
    job: job.slug,
    made: now.toISOString(),
    publicKey: publicKeyPem(),
    subjects,
    receipts: receipts.map(({ subjectId: _, ...receipt }) => receipt),
    ...(scope === null ? {} : { scope: subjects.map(({ kind, name }) => ({ kind, name })) }),
  };
}

/** The record of a job as one file. */
export function exportRecord(slug: string, now: Date): Promise<Result<string>> {
  return guarded<string>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    return job.ok ? ok(JSON.stringify(await bundleOf(tx, job.value, null, now))) : job;
  });
}
