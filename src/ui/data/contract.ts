import type { Reading } from '@/core/cable-measurement';
import type { CrossingKindId, CrossingView, PlacesPreview, PlanDraft, ReentryDraft } from '@/core/crossing';
import type { Terminal } from '@/core/cut-back';
import type { Pin } from '@/core/pin-map';
import type { MissingField } from '@/core/gland-selection';
import type { Instrument, InstrumentCheck } from '@/core/instrument';
import type { JobCard, JobSettings, NewJob } from '@/core/job';
import type { JobPick } from '@/core/job-choice';
import type { ChargeView, Invited, MembersView, MeView, PeopleView, Role } from '@/core/people';
import type { SheetMapping, SheetSetup } from '@/core/spreadsheet';
import type { ImportOutcomeView, ImportPreviewView } from '../schedule/schedule-types';
import type { KeptBatch, KeptOutcome } from '@/core/kept-work';
import type { SpareRule } from '@/core/kit';
import type {
  CrossingRef,
  EventView,
  FoundEvents,
  RecordGroup,
  SubjectRef,
  TerminationRef,
  WorkInput,
  WorkOutcome,
} from '@/core/record';
import type { RunningView } from '@/core/running';
import type { CableType, Entry } from '@/core/schedule';
import type {
  BoxView,
  CataloguePreview,
  CompoundView,
  EditOutcome,
  ManyOutcome,
  RowEdit,
  ImportReportView,
  InstrumentView,
  JobChoiceView,
  KitView,
  MovedOnLine,
  RowVersions,
  SetupOutcome,
  SetupPreview,
  SummaryView,
  TerminationAgain,
  TerminationView,
  TypeView,
  WantedView,
} from '@/core/termination-view';

interface Of<A extends readonly unknown[], V> {
  readonly args: A;
  readonly value: V;
}

type Fields = Readonly<Record<string, string>>;

/** What the pages look up while they are open: arguments and what comes back. The server checks that it serves them as they stand here. */
export interface Looks {
  viewTermination: Of<[ref: TerminationRef], TerminationView>;
  viewTestsAcross: Of<[ref: TerminationRef], readonly EventView[]>;
  viewTerminationAgain: Of<[ref: TerminationRef, choiceHash: string], TerminationAgain>;
  viewCrossing: Of<[ref: CrossingRef], CrossingView>;
  viewCompound: Of<[job: string], CompoundView>;
  viewSummaries: Of<[job: string], readonly SummaryView[]>;
  viewJobRecord: Of<[job: string], RecordState>;
  searchRecord: Of<[job: string, text: string, group: RecordGroup, offset: number], FoundEvents>;
  viewJobChoice: Of<[job: string], JobChoiceView>;
  viewMovedOn: Of<[job: string], readonly MovedOnLine[]>;
  kitAgainst: Of<[job: string, rule: SpareRule, stock: string], KitView>;
  viewWanted: Of<[job: string], readonly WantedView[]>;
  previewPlaces: Of<[ref: CrossingRef, text: string], PlacesPreview>;
  previewCatalogue: Of<[text: string], CataloguePreview>;
  viewMe: Of<[], MeView>;
  viewInstruments: Of<[job: string], readonly InstrumentView[]>;
  viewBoxes: Of<[job: string], readonly BoxView[]>;
  previewBox: Of<[job: string, box: string, facts: unknown], readonly string[]>;
  viewTypes: Of<[job: string], readonly TypeView[]>;
  viewMapping: Of<[job: string, headings: string], SheetMapping | null>;
  previewSetup: Of<[job: string, setup: SheetSetup], SetupPreview>;
  previewSheet: Of<[job: string, sheet: unknown], ImportPreviewView>;
  viewJobCards: Of<[], readonly JobCard[]>;
  viewPeople: Of<[], PeopleView>;
  viewRunning: Of<[], RunningView>;
  viewMembers: Of<[job: string], MembersView>;
  viewCharge: Of<[job: string], ChargeView>;
}

/** Whether the record of a job holds. */
export interface RecordState {
  readonly faults: readonly { readonly subject: string; readonly words: string }[];
  readonly entries: number;
  readonly code: string | null;
}

/** What the pages ask to be done. Versions are those that were seen; `knowing` says that work which goes has been shown. */
export interface Commands {
  addInstrument: Of<[job: string, facts: Instrument], SetupOutcome>;
  setInstrument: Of<[job: string, instrument: string, version: number, facts: Instrument], SetupOutcome>;
  addInstrumentCheck: Of<[job: string, instrument: string, check: InstrumentCheck], SetupOutcome>;
  takeOutInstrument: Of<[job: string, instrument: string, version: number], SetupOutcome>;
  addBox: Of<[job: string, facts: unknown, entries: readonly Entry[]], SetupOutcome>;
  setBox: Of<[job: string, box: string, version: number, facts: unknown], SetupOutcome>;
  addEntries: Of<[job: string, box: string, entries: readonly Entry[]], SetupOutcome>;
  setEntry: Of<[job: string, box: string, label: string, version: number, facts: Entry], SetupOutcome>;
  takeOutBox: Of<[job: string, box: string, version: number, label: string | null], SetupOutcome>;
  addType: Of<[job: string, facts: CableType], SetupOutcome>;
  setType: Of<[job: string, type: string, version: number, facts: CableType], SetupOutcome>;
  takeOutType: Of<[job: string, type: string, version: number], SetupOutcome>;
  importSetup: Of<[job: string, setup: SheetSetup, hash: string], SetupOutcome>;
  importSheet: Of<[job: string, sheet: unknown, hash: string], ImportOutcomeView>;
  createJob: Of<[given: NewJob], { readonly slug: string }>;
  importJob: Of<[text: string], { readonly slug: string }>;
  setJob: Of<[job: string, version: number, settings: JobSettings], null>;
  setArchived: Of<[job: string, version: number, archived: boolean], null>;
  setMember: Of<[job: string, member: string, roles: readonly Role[]], null>;
  invite: Of<[job: string, name: string, roles: readonly Role[], tokenHash: string], Invited>;
  inviteAdministrator: Of<[name: string, tokenHash: string], Invited>;
  inviteBack: Of<[member: string, tokenHash: string], Invited>;
  withdrawProductInvitation: Of<[invitation: number], null>;
  withdrawInvitation: Of<[job: string, invitation: number], null>;
  setAdministrator: Of<[member: string, administrator: boolean], null>;
  setBlocked: Of<[member: string, blocked: boolean], null>;
  endMySessions: Of<[session: string, others: boolean], { readonly ended: number }>;
  addReading: Of<[ref: TerminationRef, reading: Reading], { readonly id: number }>;
  withdrawReading: Of<[ref: TerminationRef, id: number], null>;
  takeSize: Of<[ref: TerminationRef, size: string, knowing: boolean], { readonly provisional: boolean }>;
  lockSize: Of<[ref: TerminationRef, version: number, locked: boolean], null>;
  answerFact: Of<[ref: TerminationRef, field: MissingField, value: unknown], null>;
  replan: Of<[ref: TerminationRef], null>;
  work: Of<[ref: SubjectRef, input: WorkInput], WorkOutcome>;
  workKept: Of<[ref: SubjectRef, batch: KeptBatch], KeptOutcome>;
  /** Base 64; answers with the SHA-256 that the photo is known by. */
  keepPhoto: Of<[job: string, photo: string], { readonly hash: string }>;
  setPins: Of<[ref: TerminationRef, version: number, text: string], readonly Pin[]>;
  setTerminals: Of<[ref: TerminationRef, version: number, text: string], readonly Terminal[]>;
  setCompound: Of<[ref: TerminationRef, version: number, product: string | null], null>;
  acceptJobChoice: Of<[job: string, picks: readonly JobPick[]], { readonly planned: number }>;
  restamp: Of<[job: string, tags: readonly string[]], { readonly restamped: number }>;
  setProfile: Of<[job: string, version: number, profile: unknown], { readonly changed: number }>;
  addCrossing: Of<[job: string, name: string, kind: CrossingKindId], { readonly name: string }>;
  setCrossing: Of<[ref: CrossingRef, version: number, setup: unknown], { readonly version: number }>;
  splitCrossing: Of<
    [ref: CrossingRef, version: number, parts: unknown],
    { readonly names: readonly string[] }
  >;
  takeCrossingPlan: Of<[ref: CrossingRef, draft: PlanDraft], { readonly planHash: string }>;
  takeReentry: Of<[ref: CrossingRef, draft: ReentryDraft], { readonly planHash: string }>;
  undo: Of<[job: string], { readonly label: string }>;
  redo: Of<[job: string], { readonly label: string }>;
  addCable: Of<[job: string, fields: Fields], { readonly id: number }>;
  editCable: Of<[job: string, cable: number, versions: RowVersions, fields: Fields], EditOutcome>;
  editCables: Of<[job: string, rows: readonly RowEdit[]], ManyOutcome>;
  retireCable: Of<
    [job: string, cable: number, version: number],
    { readonly tag: string; readonly events: number }
  >;
  importCatalogue: Of<[text: string], ImportReportView>;
}

export type LookName = keyof Looks;
export type CommandName = keyof Commands;

/** Names a look and what it is asked with: also the key under which its answer is kept. */
export type LookKey<N extends LookName = LookName> = readonly [name: N, ...args: Looks[N]['args']];
