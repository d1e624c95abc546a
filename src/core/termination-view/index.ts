import type { ArmourKind, Compound, FamilyDiff } from '@/core/catalogue';
import type { SealPlan } from '@/core/compound-cure';
import type { MeasuringRules, Reading } from '@/core/cable-measurement';
import type {
  FindingView,
  MeasuredEnd,
  MeasuredQuantity,
  NearestView,
  QuestionView,
  TrailView,
  Verdict,
} from '@/core/gland-selection';
import type { Instrument, InstrumentCheck } from '@/core/instrument';
import { type ChainFault, type BenchAct, type Step, type EventView, type SubjectKind } from '@/core/record';
import type { CollarState, DecisionChange, TerminationPlan } from '@/core/procedure';
import type { Terminal } from '@/core/cut-back';
import type { Pin } from '@/core/pin-map';
import type { LookAlike } from '@/core/tightening';
import type { JobChoiceRequest, JobPick } from '@/core/job-choice';
import type { CableType, CodeProfile, Enclosure, End, Entry } from '@/core/schedule';
import type { LengthUnit } from '@/core/units';
import type { IntervalMm, Problem } from '@/core/kernel';

/** What the interface is given of a job. */
export interface JobView {
  readonly slug: string;
  readonly name: string;
  readonly unit: LengthUnit;
  readonly place: string;
  readonly families: readonly string[] | null;
  readonly archived: boolean;
  readonly version: number;
  readonly secondPerson: boolean;
  readonly profileTitle: string;
  readonly rules: MeasuringRules;
}

/** One line of rack and board; `arcs` is the code of `encodeArcs`. Kept short: there are thousands. */
export interface SummaryView {
  readonly cable: string;
  readonly end: End;
  readonly enclosure: string | null;
  readonly title: string | null;
  readonly area: string | null;
  readonly type: string;
  readonly arcs: string;
  readonly next: CollarState['next'];
  readonly blockedBy: string | null;
  readonly size: string | null;
}

export interface ReadingView {
  readonly id: number;
  readonly end: End | null;
  readonly reading: Reading;
}

export interface CandidateView {
  readonly code: string;
  readonly family: string;
  readonly familyTitle: string;
  readonly sheet: string;
  readonly verdict: Verdict;
  readonly marginMm: number | null;
  /** Ring, end stop and adaptor in words. */
  readonly ringWords: string;
  /** Why this kind of gland does not compete here; null when it does. */
  readonly notCalledFor: string | null;
  readonly adaptor: string | null;
  readonly findings: readonly FindingView[];
  /** What is drawn from the store with it: ring, adaptor, washers, tag, locknut, shroud with its step. */
  readonly goesWith: readonly string[];
  /** Why it may not be taken; null when it may. */
  readonly refusal: string | null;
  readonly planOnly: boolean;
  /** Printed inches of the outer seal, where the sheet gives them. */
  readonly printedInches: string | null;
}

export interface ChoiceView {
  readonly answer: string;
  readonly provisional: readonly string[];
  /** Where nothing fits: what comes nearest, and what would help. */
  readonly nearest: NearestView | null;
  readonly candidates: readonly CandidateView[];
}

export interface ReviewView {
  readonly size: string;
  /** Set when another revision of the sheet is in force than the one that the plan stands on. */
  readonly sheet: { readonly code: string; readonly from: string; readonly to: string } | null;
  readonly refusal: string | null;
  readonly restamped: readonly string[];
  readonly changed: readonly DecisionChange[];
  readonly redo: readonly { readonly id: string; readonly title: string }[];
  readonly provisional: readonly string[];
}

/** Everything the interface shows of one termination. */
export interface EndName {
  readonly cable: string;
  readonly end: End;
  readonly tag: string;
}

/** An end as one half of an in-line joint. */
export interface JointView {
  readonly box: string;
  /** The end whose record is that of both, and the other; null where there is no joint yet, and `lack` says why. */
  readonly keeper: EndName | null;
  readonly mate: EndName | null;
  /** What is left of the other half, for the one that keeps the record. */
  readonly mateSpareMm: number | null;
  readonly lack: string | null;
}

export interface TerminationView {
  readonly job: JobView;
  readonly tag: string;
  readonly cable: string;
  readonly end: End;
  readonly note: string;
  readonly routeMm: number | null;
  readonly tailMm: number | null;
  readonly spareMm: number;
  /** The way to each terminal, where they differ. */
  readonly terminals: readonly Terminal[];
  /** Pin map as it was typed; empty for the insert's own order. */
  readonly pins: readonly Pin[];
  /** Compound that was asked for; null leaves it to the fitting's list. */
  readonly compound: string | null;
  /** What was recorded, for the clocks that run. */
  readonly acts: readonly BenchAct[];
  /** Stages of other sheets that look the same and ask for something else, by stage id. */
  readonly lookAlikes: Readonly<Record<string, readonly LookAlike[]>>;
  readonly cableId: number;
  readonly versions: { readonly cable: number; readonly A: number; readonly B: number };
  readonly cableType: CableType;
  readonly place: { readonly area: string; readonly enclosure: Enclosure; readonly entry: Entry } | null;
  readonly readings: readonly ReadingView[];
  readonly measured: MeasuredEnd;
  readonly needed: readonly MeasuredQuantity[];
  readonly barrier: TrailView | null;
  readonly measureProblems: readonly Problem[];
  readonly choice: ChoiceView | null;
  /** Names what `choice` holds; null where it is null. */
  readonly choiceHash: string | null;
  /** What was asked and not answered, with what each answer would change. */
  readonly questions: readonly QuestionView[];
  readonly plan: {
    readonly plan: TerminationPlan;
    readonly hash: string;
    readonly actor: string;
    readonly madeAt: string;
  } | null;
  readonly sizeLocked: boolean;
  /** Null where the end is no half of an in-line joint. */
  readonly joint: JointView | null;
  /** What would be planned if the best candidate were taken; drawn until something is. */
  readonly preview: TerminationPlan | null;
  readonly stale: boolean;
  readonly review: ReviewView | null;
  readonly steps: readonly Step[];
  readonly done: readonly string[];
  readonly nextStep: string | null;
  readonly loops: number;
  readonly signedBy: string | null;
  readonly events: readonly EventView[];
  readonly chainFaults: readonly ChainFault[];
  /** What this end was called when its events were written, where that is not what it is called now. A server of a release before does not say. */
  readonly formerNames?: readonly string[];
  readonly collar: CollarState;
}

/** The same for whoever has its choice already, which is most of it and seldom changes: left out where it is the one that they have. */
export interface TerminationAgain extends Omit<TerminationView, 'choice'> {
  readonly choice: ChoiceView | null | 'as before';
}

/** One end whose chamber is filled, as the job's compound place shows it. */
export interface CompoundEnd {
  readonly tag: string;
  readonly cable: string;
  readonly end: End;
  readonly place: string;
  readonly size: string;
  readonly seal: SealPlan;
  /** `ready`: the compound is what comes next; `later`: other work comes first; `curing`, `mixed`, `hard`, `done`. */
  readonly state: 'later' | 'ready' | 'mixed' | 'curing' | 'done' | 'stale';
  /** What comes next, in words. */
  readonly next: string;
  readonly acts: readonly BenchAct[];
}

export interface CompoundView {
  readonly ends: readonly CompoundEnd[];
  /** Compounds of the catalogue by product: their packs. */
  readonly compounds: readonly Compound[];
}

/** Everything the whole-job choice needs, and what stands beside its answer. */
export interface JobChoiceView {
  readonly request: JobChoiceRequest;
  /** What is planned now. */
  readonly before: readonly JobPick[];
  /** Size codes by part number. */
  readonly sizes: Readonly<Record<string, string>>;
  /** Why a termination keeps its size, by tag. */
  readonly kept: Readonly<Record<string, string>>;
  /** Why nothing may be taken for a termination, by tag. */
  readonly open: Readonly<Record<string, string>>;
}

export interface ProfileView {
  readonly profile: CodeProfile;
  readonly version: number;
  /** The shipped profile it is a copy of; null when there is none of that key. */
  readonly originTitle: string | null;
  readonly edited: boolean;
  readonly shipped: readonly CodeProfile[];
}

/** What another profile would change at one termination. */
export interface ProfileChange {
  readonly tag: string;
  readonly before: { readonly answer: string; readonly barrier: string };
  readonly after: { readonly answer: string; readonly barrier: string };
  /** Size that is planned now. */
  readonly size: string | null;
  /** What becomes of its plan: it must be restamped, or its size does not do any more. Null when nothing does. */
  readonly planFate: 'restamp' | 'lost' | null;
}

/** What a revision would do to a plan that stands on an older one. */
export interface PlanEffect {
  readonly job: string;
  readonly tag: string;
  /** Why its size would not do any more; null when it does. */
  readonly refusal: string | null;
  readonly changed: readonly DecisionChange[];
}

/** What a catalogue file would bring in. */
export interface CataloguePreview {
  readonly name: string;
  readonly parts: number;
  readonly families: readonly {
    readonly code: string;
    readonly title: string;
    readonly revision: string;
    /** Revision in force now; null for a new family. */
    readonly before: string | null;
    /** Would this revision be the one in force? A sheet issued earlier only stands behind the plans made by it. */
    readonly leads: boolean;
    readonly sizes: number;
    readonly missing: readonly string[];
    readonly diff: FamilyDiff | null;
    readonly plans: readonly PlanEffect[];
  }[];
  /** Sheets that crossings stand on. */
  readonly sheets: readonly {
    /** Of what: “transit frames”. */
    readonly words: string;
    readonly code: string;
    readonly title: string;
    readonly revision: string;
    /** Revision in force now; null for a new one. */
    readonly before: string | null;
    /** `clash`: this revision is there with other figures, and the file will be refused. */
    readonly state: 'new' | 'there' | 'clash';
    readonly leads: boolean;
    readonly parts: number;
    /** Its parts by id, against the revision in force. */
    readonly added: readonly string[];
    readonly gone: readonly string[];
    readonly changed: readonly string[];
  }[];
}

/** A measured cable end as it is drawn on the range charts of a family. */
export interface CatalogueCable {
  readonly tag: string;
  readonly armour: ArmourKind;
  readonly outer: IntervalMm;
  readonly inner: IntervalMm | null;
  /** Thickness of wire or tape, or the diameter over metal-clad armour. */
  readonly armourMm: IntervalMm | null;
  readonly cores: IntervalMm | null;
  readonly provisional: boolean;
}

export * from './import-report';
export * from './kit';
export * from './moved-on';
export * from './schedule-row';
export * from './setup-preview';

/** A box with its entries, and who has each of them. */
export interface BoxView {
  readonly id: number;
  readonly area: string;
  readonly version: number;
  readonly box: Enclosure;
  readonly entries: readonly {
    readonly id: number;
    readonly version: number;
    readonly entry: Entry;
    /** Its thread or its diameter, in words. */
    readonly hole: string;
    /** The cable end that goes into it, as `K-101/A`. */
    readonly holder: string | null;
  }[];
}

/** A cable type and how many cables are of it. */
export interface TypeView {
  readonly type: CableType;
  readonly cables: number;
  readonly version: number;
}

/** How many ends were judged anew, or entries made. */
export interface SetupOutcome {
  readonly touched: number;
}

/** An instrument of the register of a job. */
export interface InstrumentView {
  readonly version: number;
  readonly instrument: Instrument;
  readonly checks: readonly (InstrumentCheck & { readonly actor: string; readonly at: string })[];
  /** As of today; `until` the day on which that ends. */
  readonly good: boolean;
  readonly until: string | null;
  readonly words: string;
  /** What was measured or made with it on a day on which it was not good. */
  readonly openAgain: readonly {
    readonly kind: SubjectKind | 'reading';
    readonly subject: string;
    readonly at: string;
  }[];
}
