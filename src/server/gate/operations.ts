import { mixed, string } from 'yup';
import type { MissingField } from '@/core/gland-selection';
import { DEFAULT_SPARES } from '@/core/kit';
import { PAPERS } from '@/formats/pdf/sheet';
import { jobArchive } from '../operations/archive';
import { addBox, addEntries, previewBox, setBox, setEntry, takeOutBox, viewBoxes } from '../operations/boxes';
import { viewTestsAcross } from '../operations/across';
import { viewCharge } from '../operations/charge';
import { addType, setType, takeOutType, viewTypes } from '../operations/cable-types';
import { importCatalogue, viewCatalogue } from '../operations/catalogue';
import { viewCatalogueCables } from '../operations/catalogue-cables';
import { exportCatalogue, exportSizes, previewCatalogue } from '../operations/catalogue-preview';
import { lockSize, replan, takeSize } from '../operations/gland-selection';
import { viewCompound } from '../operations/compound-cure';
import { addCrossing, setCrossing, splitCrossing, viewCrossing, viewCrossings } from '../operations/crossing';
import { takeCrossingPlan } from '../operations/crossing-plan';
import { crossingFile, previewPlaces } from '../operations/crossing-file';
import { takeReentry } from '../operations/crossing-reentry';
import { cutCard } from '../operations/cut-card';
import { drawingFile } from '../operations/drawing-file';
import { redoNext, undoLast } from '../operations/edits';
import { setCompound, setPins, setTerminals } from '../operations/end-facts';
import { answerFact } from '../operations/facts';
import { acceptJobChoice, viewJobChoice } from '../operations/job-choice';
import { exportJob, importJob } from '../operations/job-file';
import { createJob, setArchived, setJob, viewJobCards } from '../operations/jobs';
import { exportRecord, viewJobRecord } from '../operations/job-record';
import { viewKit } from '../operations/kit';
import { kitAgainst, kitFile } from '../operations/kit-file';
import { addReading, withdrawReading } from '../operations/cable-measurement';
import { countMovedOn, restamp, viewMovedOn } from '../operations/moved-on';
import {
  endMySessions,
  invite,
  inviteBack,
  setAdministrator,
  setBlocked,
  setMember,
  viewMe,
  viewMembers,
  viewPeople,
  withdrawInvitation,
  withdrawProductInvitation,
} from '../operations/people';
import { viewWanted, wantedFile } from '../operations/wanted';
import { previewProfile, setProfile, viewProfile } from '../operations/profile';
import {
  addCable,
  editCable,
  editCables,
  retireCable,
  scheduleChoices,
  schedulePage,
  SCHEDULE_SORTS,
  type RowEdit,
  type ScheduleEdit,
} from '../operations/schedule';
import {
  exportSchedule,
  exportScheduleBook,
  importSheet,
  previewSheet,
  viewMapping,
} from '../operations/schedule-file';
import { importSetup, previewSetup, setupFile } from '../operations/setup-file';
import { viewJob, viewJobs, viewSummaries, viewTermination, viewTerminationAgain } from '../operations/view';
import { workKept } from '../operations/kept-work';
import { keepPhoto, viewPhoto } from '../operations/photo';
import { dossier, recordBundle } from '../operations/dossier';
import { DOSSIER_KINDS } from '../operations/dossier-scope';
import { searchRecord } from '../operations/search-record';
import { viewRunning } from '../operations/running';
import { work } from '../operations/work';
import { labelSheet, workPack } from '../operations/work-pack';
import {
  addInstrument,
  addInstrumentCheck,
  setInstrument,
  takeOutInstrument,
  viewInstruments,
} from '../operations/instruments';
import * as a from './arguments';
import { read, write } from './operation-kind';

const JOB = ['job', a.slug] as const;
const END = ['ref', a.terminationRef] as const;
const CROSSING = ['ref', a.crossingRef] as const;
const MEMBER = ['member', a.uuid] as const;
const ROLES = ['roles', a.roleWords] as const;
const BOX = ['box', a.shortText] as const;
const TYPE = ['type', a.shortText] as const;
const INSTRUMENT = ['instrument', a.shortText] as const;
const TOKEN = ['tokenHash', a.hash] as const;
const VERSION = ['version', a.version] as const;
const paper = string().oneOf(PAPERS).required();
const DOSSIER = [
  ['of', string().oneOf(DOSSIER_KINDS).required()],
  ['name', a.nameOrNone],
  ['end', a.nameOrNone],
] as const;
const field = mixed<MissingField>(
  (v): v is MissingField => typeof v === 'string' && v.length <= 40,
).required();

/**
 * Everything that the application can be asked to do or to show: its arguments and who does it. Pages, actions and routes come in through
 * this table only (the import rules see to it), so whatever is not in it cannot be reached.
 */
export const OPERATIONS = {
  viewMe: read([], (_, { who, now }) => viewMe(who, now)),
  viewPeople: read([], (_, { now }) => viewPeople(now)),
  viewRunning: read([], () => viewRunning()),
  viewMembers: read([JOB], ([job], { roles, now }) => viewMembers(job, roles, now)),
  viewCharge: read([JOB], ([job], { who, roles, now }) => viewCharge(job, who, roles, now)),
  viewJobs: read([], (_, { who }) => viewJobs(who)),
  viewJobCards: read([], (_, { who }) => viewJobCards(who)),
  exportJob: read([JOB], ([job]) => exportJob(job), 'heavy'),
  viewJob: read([JOB], ([job]) => viewJob(job)),
  viewSummaries: read([JOB], ([job]) => viewSummaries(job)),
  viewTermination: read([END], ([ref]) => viewTermination(ref)),
  viewTestsAcross: read([END], ([ref]) => viewTestsAcross(ref)),
  viewTerminationAgain: read([END, ['known', a.hash]], ([ref, known]) => viewTerminationAgain(ref, known)),
  viewCompound: read([JOB], ([job], { now }) => viewCompound(job, now)),
  viewProfile: read([JOB], ([job]) => viewProfile(job)),
  previewProfile: read([JOB, ['profile', a.json]], ([job, profile]) => previewProfile(job, profile), 'heavy'),
  viewJobRecord: read([JOB], ([job]) => viewJobRecord(job), 'heavy'),
  exportRecord: read([JOB], ([job], { now }) => exportRecord(job, now), 'heavy'),
  dossier: read(
    [JOB, ...DOSSIER, ['paper', paper], ['origin', a.webOrigin]],
    ([job, kind, name, end, size, origin], { now, signal, progress }) =>
      dossier(job, { kind, name, end }, size, origin, { now, progress, cancelled: () => signal.aborted }),
    'heavy',
  ),
  recordBundle: read(
    [JOB, ...DOSSIER],
    ([job, kind, name, end], { now }) => recordBundle(job, { kind, name, end }, now),
    'heavy',
  ),
  jobArchive: read(
    [JOB, ['origin', a.webOrigin]],
    ([job, origin], { now, signal, progress }) =>
      jobArchive(job, origin, { now, progress, cancelled: () => signal.aborted }),
    'heavy',
  ),
  searchRecord: read(
    [JOB, ['text', a.shortOrNothing], ['group', a.recordGroup], ['offset', a.count]],
    ([job, text, group, offset]) => searchRecord(job, text, group, offset),
    'heavy',
  ),
  countMovedOn: read([JOB], ([job]) => countMovedOn(job)),
  viewMovedOn: read([JOB], ([job]) => viewMovedOn(job), 'heavy'),
  viewJobChoice: read([JOB], ([job]) => viewJobChoice(job), 'heavy'),
  viewKit: read([JOB], ([job]) => viewKit(job, DEFAULT_SPARES, null), 'heavy'),
  viewWanted: read([JOB], ([job]) => viewWanted(job), 'heavy'),
  wantedFile: read([JOB], ([job]) => wantedFile(job), 'heavy'),
  kitAgainst: read(
    [JOB, ['rule', a.json], ['stock', a.fileText]],
    ([job, rule, stock]) => kitAgainst(job, rule, stock),
    'heavy',
  ),
  kitFile: read(
    [JOB, ['format', a.shortText], ['rule', a.json], ['stock', a.fileText]],
    ([job, format, rule, stock]) => kitFile(job, format, rule, stock),
    'heavy',
  ),
  cutCard: read([END, ['paper', paper]], ([ref, size], { now }) => cutCard(ref, now, size)),
  drawingFile: read([END, ['file', a.shortText]], ([ref, file]) => drawingFile(ref, file)),
  workPack: read(
    [JOB, ['tags', a.tags], ['paper', paper]],
    ([job, tags, size], { now, signal, progress }) =>
      workPack({ job, tags, paper: size }, now, progress, () => signal.aborted),
    'heavy',
  ),
  labelSheet: read(
    [JOB, ['tags', a.tags], ['paper', paper], ['origin', a.webOrigin]],
    ([job, tags, size, origin], { now }) => labelSheet({ job, tags, paper: size }, origin, now),
    'heavy',
  ),
  scheduleChoices: read([JOB], ([job]) => scheduleChoices(job)),
  schedulePage: read(
    [
      JOB,
      ['filter', a.longText],
      ['sort', string().oneOf(SCHEDULE_SORTS).required()],
      ['descending', a.yesNo],
      ['offset', a.count],
      ['limit', a.count],
    ],
    ([job, filter, sort, descending, offset, limit]) =>
      schedulePage(job, { filter, sort, descending, offset, limit }),
  ),
  exportSchedule: read([JOB], ([job]) => exportSchedule(job), 'heavy'),
  exportScheduleBook: read([JOB], ([job]) => exportScheduleBook(job), 'heavy'),
  previewSheet: read([JOB, ['sheet', a.json]], ([job, sheet]) => previewSheet(job, sheet), 'heavy'),
  viewMapping: read([JOB, ['headings', a.hash]], ([job, headings]) => viewMapping(job, headings)),
  previewSetup: read([JOB, ['setup', a.json]], ([job, setup]) => previewSetup(job, setup), 'heavy'),
  setupFile: read([JOB, ['file', a.shortText]], ([job, file]) => setupFile(job, file), 'heavy'),
  viewInstruments: read([JOB], ([job], { now }) => viewInstruments(job, now), 'heavy'),
  viewPhoto: read([JOB, ['photo', a.hash]], ([job, photo]) => viewPhoto(job, photo)),
  viewBoxes: read([JOB], ([job]) => viewBoxes(job)),
  previewBox: read(
    [JOB, BOX, ['facts', a.json]],
    ([job, box, facts]) => previewBox(job, box, facts),
    'heavy',
  ),
  viewTypes: read([JOB], ([job]) => viewTypes(job)),
  viewCatalogue: read([], () => viewCatalogue()),
  viewCatalogueCables: read([JOB], ([job]) => viewCatalogueCables(job), 'heavy'),
  previewCatalogue: read([['file', a.fileText]], ([file], { now }) => previewCatalogue(file, now), 'heavy'),
  exportCatalogue: read([], (_, { now }) => exportCatalogue(now)),
  exportSizes: read([['family', a.shortTextOrNull]], ([family]) => exportSizes(family)),
  viewCrossings: read([JOB], ([job]) => viewCrossings(job)),
  viewCrossing: read([CROSSING], ([ref]) => viewCrossing(ref)),
  crossingFile: read([CROSSING, ['file', a.shortText]], ([ref, file], { now }) =>
    crossingFile(ref, file, now),
  ),
  previewPlaces: read([CROSSING, ['file', a.fileText]], ([ref, file]) => previewPlaces(ref, file)),

  addReading: write([END, ['reading', a.json]], ([ref, reading], who, { now, id }) =>
    addReading(ref, reading, id, who, now),
  ),
  withdrawReading: write([END, ['reading', a.rowId]], ([ref, id], who, { now }) =>
    withdrawReading(ref, id, who, now),
  ),
  takeSize: write(
    [END, ['size', a.shortText], ['knowing', a.yesNo]],
    ([ref, size, knowing], who, { now, id }) => takeSize(ref, size, id, who, now, knowing),
  ),
  lockSize: write([END, VERSION, ['locked', a.yesNo]], ([ref, version, locked], who, { now }) =>
    lockSize(ref, version, locked, who, now),
  ),
  answerFact: write(
    [END, ['field', field], ['value', a.json]],
    ([ref, name, value], who, { now }) => answerFact(ref, name, value, who, now),
    'heavy',
  ),
  replan: write([END], ([ref], who, { now, id }) => replan(ref, id, who, now)),
  work: write(
    [
      ['subject', a.subject],
      ['input', a.workInput],
    ],
    ([ref, input], who, { now, roles }) => work(ref, input, who, roles, now),
  ),
  keepPhoto: write([JOB, ['photo', a.photoText]], ([job, photo], who, { now }) =>
    keepPhoto(job, photo, who, now),
  ),
  workKept: write(
    [
      ['subject', a.subject],
      ['batch', a.keptBatch],
    ],
    ([ref, batch], who, { now, roles }) => workKept(ref, batch, who, roles, now),
    'heavy',
  ),
  setPins: write([END, VERSION, ['pins', a.longText]], ([ref, version, pins], who, { now }) =>
    setPins(ref, version, pins, who, now),
  ),
  setTerminals: write([END, VERSION, ['terminals', a.longText]], ([ref, version, terminals], who, { now }) =>
    setTerminals(ref, version, terminals, who, now),
  ),
  setCompound: write(
    [END, VERSION, ['compound', a.shortTextOrNull]],
    ([ref, version, product], who, { now }) => setCompound(ref, version, product, who, now),
  ),
  acceptJobChoice: write(
    [JOB, ['picks', a.jobPicks]],
    ([job, picks], who, { now }) => acceptJobChoice(job, picks, who, now),
    'heavy',
  ),
  restamp: write(
    [JOB, ['tags', a.manyTags]],
    ([job, tags], who, { now }) => restamp(job, tags, who, now),
    'heavy',
  ),
  setProfile: write(
    [JOB, VERSION, ['profile', a.json]],
    ([job, version, profile], who, { now }) => setProfile(job, version, profile, who, now),
    'heavy',
  ),
  addCrossing: write([JOB, ['name', a.longText], ['kind', a.shortText]], ([job, name, kind]) =>
    addCrossing(job, name, kind),
  ),
  setCrossing: write([CROSSING, VERSION, ['setup', a.json]], ([ref, version, setup], who) =>
    setCrossing(ref, version, setup, who),
  ),
  splitCrossing: write([CROSSING, VERSION, ['parts', a.json]], ([ref, version, parts]) =>
    splitCrossing(ref, version, parts),
  ),
  takeCrossingPlan: write([CROSSING, ['draft', a.planDraft]], ([ref, draft], who, { now }) =>
    takeCrossingPlan(ref, draft, who, now),
  ),
  takeReentry: write([CROSSING, ['draft', a.reentryDraft]], ([ref, draft], who, { now }) =>
    takeReentry(ref, draft, who, now),
  ),
  undo: write([JOB], ([job], who, { now }) => undoLast(job, who, now)),
  redo: write([JOB], ([job], who, { now }) => redoNext(job, who, now)),
  addCable: write([JOB, ['fields', a.typedFields]], ([job, fields], who, { now }) =>
    addCable(job, fields as ScheduleEdit, who, now),
  ),
  editCable: write(
    [JOB, ['cable', a.rowId], ['versions', a.rowVersions], ['fields', a.typedFields]],
    ([job, cable, versions, fields], who, { now }) =>
      editCable(job, cable, versions, fields as ScheduleEdit, who, now),
  ),
  editCables: write([JOB, ['rows', a.rowEdits]], ([job, rows], who, { now }) =>
    editCables(job, rows as readonly RowEdit[], who, now),
  ),
  retireCable: write([JOB, ['cable', a.rowId], VERSION], ([job, cable, version], who, { now }) =>
    retireCable(job, cable, version, who, now),
  ),
  addBox: write([JOB, ['facts', a.json], ['entries', a.json]], ([job, facts, entries], who, { now }) =>
    addBox(job, facts, entries, who, now),
  ),
  setBox: write(
    [JOB, BOX, VERSION, ['facts', a.json]],
    ([job, box, version, facts], who, { now }) => setBox(job, box, version, facts, who, now),
    'heavy',
  ),
  addEntries: write([JOB, BOX, ['entries', a.json]], ([job, box, entries], who, { now }) =>
    addEntries(job, box, entries, who, now),
  ),
  setEntry: write(
    [JOB, BOX, ['entry', a.shortText], VERSION, ['facts', a.json]],
    ([job, box, label, version, facts], who, { now }) =>
      setEntry(job, box, { label, version }, facts, who, now),
    'heavy',
  ),
  takeOutBox: write(
    [JOB, BOX, VERSION, ['entry', a.shortTextOrNull]],
    ([job, box, version, label], who, { now }) => takeOutBox(job, box, version, label, who, now),
  ),
  // What they may be off is judged anew in every end that was measured with them.
  addInstrument: write([JOB, ['facts', a.json]], ([job, facts]) => addInstrument(job, facts), 'heavy'),
  setInstrument: write(
    [JOB, INSTRUMENT, VERSION, ['facts', a.json]],
    ([job, code, version, facts]) => setInstrument(job, code, version, facts),
    'heavy',
  ),
  addInstrumentCheck: write([JOB, INSTRUMENT, ['check', a.json]], ([job, code, check], who, { now }) =>
    addInstrumentCheck(job, code, check, who, now),
  ),
  takeOutInstrument: write([JOB, INSTRUMENT, VERSION], ([job, code, version], _, { now }) =>
    takeOutInstrument(job, code, version, now),
  ),
  addType: write([JOB, ['facts', a.json]], ([job, facts], who, { now }) => addType(job, facts, who, now)),
  setType: write(
    [JOB, TYPE, VERSION, ['facts', a.json]],
    ([job, type, version, facts], who, { now }) => setType(job, type, version, facts, who, now),
    'heavy',
  ),
  takeOutType: write([JOB, TYPE, VERSION], ([job, type, version], who, { now }) =>
    takeOutType(job, type, version, who, now),
  ),
  importSheet: write(
    [JOB, ['sheet', a.json], ['hash', a.hash]],
    ([job, sheet, hash], who, { now }) => importSheet(job, sheet, hash, who, now),
    'heavy',
  ),
  importSetup: write(
    [JOB, ['setup', a.json], ['hash', a.hash]],
    ([job, setup, hash], who, { now }) => importSetup(job, setup, hash, who, now),
    'heavy',
  ),
  createJob: write([['new', a.json]], ([given], who, { now }) => createJob(given, who, now)),
  importJob: write([['file', a.fileText]], ([file], who, { now }) => importJob(file, who, now), 'heavy'),
  setJob: write(
    [JOB, VERSION, ['settings', a.json]],
    ([job, version, given], who, { now }) => setJob(job, version, given, who, now),
    'heavy',
  ),
  setArchived: write([JOB, VERSION, ['archived', a.yesNo]], ([job, version, yes], who, { now }) =>
    setArchived(job, version, yes, who, now),
  ),
  setMember: write([JOB, MEMBER, ROLES], ([job, person, roles], who, { now }) =>
    setMember(job, person, roles, who, now),
  ),
  invite: write([JOB, ['name', a.shortText], ROLES, TOKEN], ([job, name, roles, token], who, { now }) =>
    invite({ job, name, roles, token }, who, now),
  ),
  inviteAdministrator: write([['name', a.shortText], TOKEN], ([name, token], who, { now }) =>
    invite({ job: null, name, roles: [], token }, who, now),
  ),
  withdrawInvitation: write([JOB, ['invitation', a.rowId]], ([job, id], _, { now }) =>
    withdrawInvitation(job, id, now),
  ),
  inviteBack: write([MEMBER, TOKEN], ([member, token], who, { now }) => inviteBack(member, token, who, now)),
  withdrawProductInvitation: write([['invitation', a.rowId]], ([id], _, { now }) =>
    withdrawProductInvitation(id, now),
  ),
  setAdministrator: write([MEMBER, ['administrator', a.yesNo]], ([person, yes], _, { now }) =>
    setAdministrator(person, yes, now),
  ),
  setBlocked: write([MEMBER, ['blocked', a.yesNo]], ([person, yes], _, { now }) =>
    setBlocked(person, yes, now),
  ),
  endMySessions: write(
    [
      ['session', a.uuid],
      ['others', a.yesNo],
    ],
    ([session, others], who) => endMySessions(others ? { but: session } : { only: session }, who),
  ),
  importCatalogue: write(
    [['file', a.fileText]],
    ([file], who, { now }) => importCatalogue(file, who, now),
    'heavy',
  ),
};
