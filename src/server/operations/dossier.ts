import { strToU8 } from 'fflate';
import { METHOD_WORDS, QUANTITY_WORDS } from '@/core/cable-measurement';
import { faceDrawing, sealDrawings, type CrossingView } from '@/core/crossing';
import { strippedEndDrawing } from '@/core/cut-back';
import { hashBytes, ok, refuse, type Drawing, type Result } from '@/core/kernel';
import {
  eventLines,
  eventTitle,
  eventView,
  faultWords,
  formerNames,
  keyName,
  photosOf,
  replay,
  type EventView,
} from '@/core/record';
import {
  database,
  findPhoto,
  listCrossings,
  loadTerminations,
  type JobRow,
  type TerminationRow,
} from '@/data';
import { terminationTag } from '@/core/schedule';
import { dossierPdf, type DossierEvent, type DossierPart } from '@/formats/pdf/dossier';
import type { Paper } from '@/formats/pdf/sheet';
import { guarded } from '../guard';
import { publicKeyPem } from '../record/keep';
import { housedWith } from '../record/housed';
import { keepsRecord, type Assessment } from './assess';
import { viewCrossing } from './crossing';
import { recorded, scopeOf, type DossierOf, type Scope } from './dossier-scope';
import { bundleOf, recordCode } from './job-record';
import { assessOne, requireJob } from './load';
import { zipped } from './zipped';

interface Call {
  readonly now: Date;
  readonly progress: (done: number, of: number) => void;
  readonly cancelled: () => boolean;
}

export interface DossierFile {
  readonly name: string;
  readonly body: Uint8Array<ArrayBuffer>;
}

const time = (at: string): string => `${at.slice(0, 16).replace('T', ' ')} UTC`;

/** Most that one dossier holds: more is printed box by box. */
const MOST_PARTS = 500;

async function eventsOf(
  jobId: number,
  events: readonly EventView[],
  titles: ReadonlyMap<string, string>,
): Promise<DossierEvent[]> {
  const drawn: DossierEvent[] = [];
  for (const event of events) {
    const photos = [];
    for (const hash of photosOf(event)) {
      const bytes = await findPhoto(database(), jobId, hash);
      photos.push({ hash, bytes: bytes !== null && hashBytes(bytes) === hash ? bytes : null });
    }
    drawn.push({
      seq: event.seq,
      title: eventTitle(event, titles),
      lines: eventLines(event),
      actor: event.actor,
      receivedAt: event.receivedAt,
      hash: event.hash,
      photos,
    });
  }
  return drawn;
}

function readingsOf({ readings }: Assessment): DossierPart['readings'] {
  return readings.map(({ reading: r }) => [
    `${QUANTITY_WORDS[r.quantity]}, ${METHOD_WORDS[r.method]}`,
    `${r.text} ${r.unit}`,
    r.instrument ?? 'an instrument that nobody named',
    r.person ?? 'somebody',
    r.at === undefined ? 'at a time that nobody said' : time(r.at),
  ]);
}

function drawingOf({ plan }: Assessment): Drawing | null {
  if (plan?.plan.cut === null || plan === null) return null;
  const { cut, diameters, armour, cores } = plan.plan;
  return cut === null ? null : strippedEndDrawing({ cut, ...diameters, armour, cores }, 560);
}

const signedWords = (signer: string | null | undefined, faults: number): string =>
  faults > 0
    ? 'no signature counts: the record does not hold'
    : signer === null || signer === undefined
      ? 'not signed'
      : signer;

const tagOf = ({ cable, end }: TerminationRow): string => terminationTag(cable.tag, end);

/** With what an end is joined, and where the record of both stands. */
function jointFacts(assessment: Assessment): [string, string][] {
  const { joint } = assessment;
  if (joint === null) return [];
  const { box, keeper, mate, lack } = joint;
  if (keeper === null || mate === null) return [['Joint', `${box}: ${lack ?? ''}`]];
  return keepsRecord(assessment)
    ? [['Joint', `${box}, with ${tagOf(mate)}: one record and one signature for both`]]
    : [['Joint', `${box}, with ${tagOf(keeper)}, where the record of both stands`]];
}

const formerFacts = (names: readonly string[] = []): [string, string][] =>
  names.length === 0 ? [] : [['Written in part as', names.join(', ')]];

async function endPart(
  job: JobRow,
  cable: string,
  end: string,
  origin: string,
): Promise<Result<DossierPart>> {
  const found = await assessOne(database(), { job: job.slug, cable, end });
  if (!found.ok) return found;
  const { assessment } = found.value;
  const { tag, row, plan, stale, steps, progress, events, chainFaults } = assessment;
  const titles = new Map(steps.map((s) => [s.id, s.title]));
  const place = row.place;
  return ok({
    name: tag,
    title: `${plan?.plan.size ?? 'No gland chosen'}${stale ? ', the plan is stale' : ''}`,
    facts: [
      ['Cable', `${row.cable.tag}: ${row.cableType.title}`],
      [
        'Into',
        place === null
          ? 'no entry'
          : `${place.enclosure.title} (${place.enclosure.tag}), entry ${place.entry.label}, ${place.area}`,
      ],
      [
        'Plan',
        plan === null
          ? 'none'
          : `${plan.planHash.slice(0, 16)}, by ${plan.actor}, ${time(plan.madeAt.toISOString())}`,
      ],
      ...jointFacts(assessment),
      ...formerFacts(keepsRecord(assessment) ? formerNames(events, tag) : []),
      ['Done', `${progress?.done.size ?? 0} of ${steps.length} steps`],
      ['Signed by', signedWords(progress?.signedBy, chainFaults.length)],
    ],
    drawing: drawingOf(assessment),
    readings: readingsOf(assessment),
    events: keepsRecord(assessment) ? await eventsOf(job.id, events.map(eventView), titles) : [],
    faults: chainFaults.map(faultWords),
    address: `${origin}/job/${encodeURIComponent(job.slug)}/t/${encodeURIComponent(cable)}/${end}/prove`,
  });
}

/** A crossing in frames from the front, any other cut through. */
function pictureOf(view: CrossingView): Drawing | null {
  if (view.kind === 'frames') {
    const [inForce] = view.plans;
    return inForce === undefined ? null : faceDrawing(inForce.request, inForce.plan, { side: 'front' });
  }
  const [inForce] = view.plans;
  return inForce === undefined ? null : sealDrawings(inForce).section;
}

async function crossingPart(job: JobRow, name: string, origin: string): Promise<Result<DossierPart>> {
  const found = await viewCrossing({ job: job.slug, crossing: name });
  if (!found.ok) return found;
  const view = found.value;
  const [inForce] = view.plans;
  const { done, signedBy } = replay(view.steps, view.acts);
  const titles = new Map(view.steps.map((s) => [s.id, s.title]));
  return ok({
    name: view.name,
    title: view.setup.place,
    facts: [
      ['Rating of the wall', view.setup.rating.trim() === '' ? 'nobody has said' : view.setup.rating],
      [
        'Plan',
        inForce === undefined
          ? 'none'
          : `${inForce.planHash.slice(0, 16)}, by ${inForce.actor}, ${time(inForce.madeAt)}`,
      ],
      ...formerFacts(view.formerNames),
      ['Done', `${done.size} of ${view.steps.length} steps`],
      ['Signed by', signedWords(signedBy, view.faults.length)],
    ],
    drawing: pictureOf(view),
    readings: null,
    events: await eventsOf(job.id, view.events, titles),
    faults: view.faults,
    address: `${origin}/job/${encodeURIComponent(job.slug)}/crossings/${encodeURIComponent(name)}/record`,
  });
}

interface Named {
  readonly kind: 'end' | 'crossing';
  readonly name: string;
  readonly end: string;
}

/** What a scope names that has a record, ends first, each as it is called today; what one asks for by name is in it without a record too. */
async function named(job: JobRow, scope: Scope): Promise<Named[]> {
  const tx = database();
  const ends =
    scope === null ? (await recorded(tx, job, 'termination', null)).map((s) => s.id) : scope.termination;
  const kept = await loadTerminations(tx, ends);
  // The other half of a joint has no record of its own: it stands beside the one that keeps it.
  const mates = [...(await housedWith(tx, kept)).values()].flatMap((h) => ('lack' in h ? [] : [h.mate]));
  const rows = [...new Map([...kept, ...mates].map((r) => [r.id, r])).values()];
  const walls =
    scope === null ? (await recorded(tx, job, 'crossing', null)).map((s) => s.id) : scope.crossing;
  const crossings = await listCrossings(tx, job.id);
  return [
    ...rows.map((r) => ({ kind: 'end', name: r.cable.tag, end: r.end }) as const),
    ...crossings
      .filter((c) => walls.includes(c.id))
      .map((c) => ({ kind: 'crossing', name: c.name, end: '' }) as const),
  ];
}

const fileName = (job: JobRow, { kind, name, end }: DossierOf): string =>
  [job.slug, kind, name, end].filter((part) => part !== '').join('-');

/** Everything that is known of one end, a crossing, a box or the job, on paper. Null when it was cancelled. */
export function dossier(
  slug: string,
  of: DossierOf,
  paper: Paper,
  origin: string,
  { now, progress, cancelled }: Call,
): Promise<Result<DossierFile | null>> {
  return guarded<DossierFile | null>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const scope = await scopeOf(tx, job.value, of);
    if (!scope.ok) return scope;
    const subjects = await named(job.value, scope.value);
    if (subjects.length === 0) return refuse('record', 'nothing is recorded yet: there is nothing to print');
    if (subjects.length > MOST_PARTS)
      return refuse(
        'record',
        `${subjects.length} records; at most ${MOST_PARTS} go into one dossier: print it box by box`,
      );
    const head = {
      title: `Dossier ${of.kind === 'job' ? job.value.name : of.name}${of.end}`,
      jobName: job.value.name,
      record: await recordCode(tx, job.value.id),
      key: keyName(publicKeyPem()),
      printed: now,
      paper,
    };
    const body = await dossierPdf(head, subjects.length, partsOf(job.value, subjects, origin), {
      onProgress: progress,
      cancelled,
    });
    return ok(body === null ? null : { name: `${fileName(job.value, of)}-dossier.pdf`, body });
  });
}

async function* partsOf(
  job: JobRow,
  subjects: readonly Named[],
  origin: string,
): AsyncGenerator<DossierPart> {
  for (const { kind, name, end } of subjects) {
    const part =
      kind === 'end' ? await endPart(job, name, end, origin) : await crossingPart(job, name, origin);
    if (part.ok) yield part.value;
    // It was there a moment ago: whoever took it out meanwhile leaves a page that says so.
    else yield { ...GONE, name: `${name}${end}`, faults: part.problems.map((p) => p.message) };
  }
}

const GONE: DossierPart = {
  name: '',
  title: 'Not there any more',
  facts: [],
  drawing: null,
  readings: null,
  events: [],
  faults: [],
  address: '',
};

/**
 * The record of one end, a crossing, a box or the job as a zip: events, plans, receipts signed outside the database, and every photo under its hash.
 * `plan verify` checks it anywhere.
 */
export function recordBundle(slug: string, of: DossierOf, now: Date): Promise<Result<DossierFile>> {
  return guarded<DossierFile>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const scope = await scopeOf(tx, job.value, of);
    if (!scope.ok) return scope;
    const bundle = await bundleOf(tx, job.value, scope.value, now);
    if (bundle.subjects.length === 0) return refuse('record', 'nothing is recorded yet');
    const files: Record<string, Uint8Array> = { 'record.json': strToU8(JSON.stringify(bundle)) };
    for (const hash of new Set(bundle.subjects.flatMap((s) => s.events.flatMap(photosOf)))) {
      const bytes = await findPhoto(tx, job.value.id, hash);
      // One that is not there is missing in the file as well: whoever checks it is told.
      if (bytes !== null) files[`photos/${hash}.jpg`] = new Uint8Array(bytes);
    }
    return ok({ name: `${fileName(job.value, of)}-record.zip`, body: zipped(files, now) });
  });
}
