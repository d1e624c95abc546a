import type { ReadName, ValueOf, WriteName } from '@/server/gate';
import type { CommandName, Commands, LookName, Looks } from '@/ui/data/contract';

// What pages may ask for, and only that. Neither table compiles where the server answers otherwise than the page believes.

type Same<Served, Believed> = Served extends Believed ? true : never;

/** Everything that pages look up as JSON while they are open. */
const LOOKS: {
  readonly [N in LookName]: N extends ReadName ? Same<ValueOf<N>, Looks[N]['value']> : never;
} = {
  viewTermination: true,
  viewTerminationAgain: true,
  viewTestsAcross: true,
  viewCrossing: true,
  viewCompound: true,
  viewSummaries: true,
  viewJobRecord: true,
  searchRecord: true,
  viewJobChoice: true,
  viewMovedOn: true,
  kitAgainst: true,
  viewWanted: true,
  previewPlaces: true,
  previewCatalogue: true,
  viewMe: true,
  viewBoxes: true,
  viewInstruments: true,
  previewBox: true,
  viewTypes: true,
  viewMapping: true,
  previewSetup: true,
  previewSheet: true,
  viewJobCards: true,
  viewPeople: true,
  viewRunning: true,
  viewMembers: true,
  viewCharge: true,
};

/** Everything that pages have done. */
const COMMANDS: {
  readonly [N in CommandName]: N extends WriteName ? Same<ValueOf<N>, Commands[N]['value']> : never;
} = {
  addReading: true,
  withdrawReading: true,
  takeSize: true,
  lockSize: true,
  answerFact: true,
  replan: true,
  work: true,
  workKept: true,
  keepPhoto: true,
  setTerminals: true,
  setPins: true,
  setCompound: true,
  acceptJobChoice: true,
  restamp: true,
  setProfile: true,
  addCrossing: true,
  setCrossing: true,
  splitCrossing: true,
  takeCrossingPlan: true,
  takeReentry: true,
  undo: true,
  redo: true,
  addCable: true,
  editCable: true,
  editCables: true,
  retireCable: true,
  importCatalogue: true,
  createJob: true,
  importJob: true,
  setJob: true,
  setArchived: true,
  importSheet: true,
  importSetup: true,
  addInstrument: true,
  setInstrument: true,
  addInstrumentCheck: true,
  takeOutInstrument: true,
  addBox: true,
  setBox: true,
  addEntries: true,
  setEntry: true,
  takeOutBox: true,
  addType: true,
  setType: true,
  takeOutType: true,
  setMember: true,
  invite: true,
  inviteAdministrator: true,
  inviteBack: true,
  withdrawInvitation: true,
  withdrawProductInvitation: true,
  setAdministrator: true,
  setBlocked: true,
  endMySessions: true,
};

export const isLook = (name: string): name is LookName => Object.hasOwn(LOOKS, name);
export const isCommand = (name: string): name is CommandName => Object.hasOwn(COMMANDS, name);
