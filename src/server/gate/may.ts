import { ok, refuse, type Result } from '@/core/kernel';
import { ROLE_WORDS, ROLES, SIGNS, type Role } from '@/core/people';
import { database, findPerson, personInJob, rolesAnywhere, rolesInJob, type Tx } from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { rememberKnown, takeKnown, type Known } from '../operations/just-seen';
import type { OPERATIONS } from './operations';

type OperationName = keyof typeof OPERATIONS;

/** Who may do something: somebody in this job, in any job, everybody who is signed in, or an administrator of the whole product. */
export type Rule =
  | { readonly of: 'job' | 'anyJob'; readonly roles: readonly Role[] }
  | { readonly of: 'signedIn' | 'product' };

const inJob = (...roles: Role[]): Rule => ({ of: 'job', roles });
const EVERYBODY = inJob(...ROLES);
const SIGNED_IN: Rule = { of: 'signedIn' };
const PRODUCT: Rule = { of: 'product' };
const PLANS = inJob('planner');
const CHOOSES = inJob('planner', 'fitter');
/** An apprentice too, under somebody: whoever that is, the work itself asks. */
const BENCH = inJob('fitter', 'inspector', 'apprentice');
const MEASURES = inJob('planner', 'fitter', 'inspector', 'apprentice');
/** Who keeps the register of instruments. */
const KEEPS = inJob('planner', 'inspector');
const SETS_UP = inJob('administrator');
/** A sheet that is taken in is there for every job. */
const TAKES_IN: Rule = { of: 'anyJob', roles: ['planner', 'administrator'] };

/**
 * Who may do what, operation by operation: the one place where it is decided. An operation that is not in it does not build. An administrator
 * of the product counts as administrator of every job.
 */
export const MAY: Readonly<Record<OperationName | 'sign', Rule>> = {
  viewJobs: SIGNED_IN,
  viewJobCards: SIGNED_IN,
  createJob: PRODUCT,
  importJob: PRODUCT,
  viewCatalogue: SIGNED_IN,
  previewCatalogue: SIGNED_IN,
  exportCatalogue: SIGNED_IN,
  exportSizes: SIGNED_IN,
  importCatalogue: TAKES_IN,

  viewJob: EVERYBODY,
  exportJob: EVERYBODY,
  viewSummaries: EVERYBODY,
  viewTermination: EVERYBODY,
  viewTerminationAgain: EVERYBODY,
  viewTestsAcross: EVERYBODY,
  viewCompound: EVERYBODY,
  viewProfile: EVERYBODY,
  previewProfile: EVERYBODY,
  viewJobRecord: EVERYBODY,
  exportRecord: EVERYBODY,
  searchRecord: EVERYBODY,
  dossier: EVERYBODY,
  recordBundle: EVERYBODY,
  jobArchive: EVERYBODY,
  countMovedOn: EVERYBODY,
  viewMovedOn: EVERYBODY,
  viewJobChoice: EVERYBODY,
  viewKit: EVERYBODY,
  viewWanted: EVERYBODY,
  wantedFile: EVERYBODY,
  kitAgainst: EVERYBODY,
  kitFile: EVERYBODY,
  cutCard: EVERYBODY,
  drawingFile: EVERYBODY,
  workPack: EVERYBODY,
  labelSheet: EVERYBODY,
  scheduleChoices: EVERYBODY,
  schedulePage: EVERYBODY,
  exportSchedule: EVERYBODY,
  exportScheduleBook: EVERYBODY,
  previewSheet: EVERYBODY,
  previewSetup: EVERYBODY,
  setupFile: EVERYBODY,
  viewBoxes: EVERYBODY,
  viewInstruments: EVERYBODY,
  viewPhoto: EVERYBODY,
  previewBox: EVERYBODY,
  viewTypes: EVERYBODY,
  viewMapping: EVERYBODY,
  viewCatalogueCables: EVERYBODY,
  viewCrossings: EVERYBODY,
  viewCrossing: EVERYBODY,
  crossingFile: EVERYBODY,
  previewPlaces: EVERYBODY,

  addReading: MEASURES,
  withdrawReading: MEASURES,
  takeSize: CHOOSES,
  lockSize: PLANS,
  answerFact: CHOOSES,
  replan: CHOOSES,
  work: BENCH,
  workKept: BENCH,
  keepPhoto: BENCH,
  sign: inJob(...SIGNS),
  setTerminals: CHOOSES,
  setPins: CHOOSES,
  setCompound: CHOOSES,
  acceptJobChoice: PLANS,
  restamp: PLANS,
  setProfile: PLANS,
  addCrossing: PLANS,
  setCrossing: PLANS,
  splitCrossing: PLANS,
  takeCrossingPlan: PLANS,
  takeReentry: CHOOSES,
  undo: MEASURES,
  redo: MEASURES,
  addCable: PLANS,
  editCable: PLANS,
  editCables: PLANS,
  retireCable: PLANS,
  importSheet: PLANS,
  importSetup: PLANS,
  addBox: PLANS,
  setBox: PLANS,
  addEntries: PLANS,
  setEntry: PLANS,
  takeOutBox: PLANS,
  addInstrument: KEEPS,
  setInstrument: KEEPS,
  addInstrumentCheck: KEEPS,
  takeOutInstrument: KEEPS,
  addType: PLANS,
  setType: PLANS,
  takeOutType: PLANS,

  viewPeople: PRODUCT,
  viewRunning: PRODUCT,
  inviteBack: PRODUCT,
  withdrawProductInvitation: PRODUCT,
  setAdministrator: PRODUCT,
  setBlocked: PRODUCT,
  viewMembers: EVERYBODY,
  viewCharge: EVERYBODY,
  setJob: SETS_UP,
  setArchived: SETS_UP,
  setMember: SETS_UP,
  invite: SETS_UP,
  inviteAdministrator: PRODUCT,
  withdrawInvitation: SETS_UP,
  viewMe: SIGNED_IN,
  endMySessions: SIGNED_IN,
};

export const SIGNED_OUT = 'Nobody is signed in here any more: sign in again. What you typed is still there.';

/** As what somebody does something: what they are in the job that it is about; in none, nothing. */
export interface Granted {
  readonly roles: readonly Role[];
}

const listed = (roles: readonly Role[]): string =>
  roles.map((r) => ROLE_WORDS[r].name.toLowerCase()).join(' or ');

/** What somebody may not do, in the job of that slug or in none, and who may, in words. A page does not offer it; whoever asks all the same is refused. */
export function mayNot(job: string | null, who: Actor): Promise<Result<Readonly<Record<string, string>>>> {
  const { id } = who;
  return guarded(async () => (id === null ? ok({}) : ok(await refusedTo(job, id))));
}

async function refusedTo(job: string | null, id: string): Promise<Readonly<Record<string, string>>> {
  const tx = database();
  const person = await findPerson(tx, id);
  const plus = person?.administrator === true ? (['administrator'] as const) : [];
  const here: readonly Role[] = [...(job === null ? [] : await rolesInJob(tx, id, job)), ...plus];
  const anywhere: readonly Role[] = [...(await rolesAnywhere(tx, id)), ...plus];
  return Object.fromEntries(
    Object.entries(MAY).flatMap(([name, rule]) => {
      if (rule.of === 'job' || rule.of === 'anyJob') {
        const own = rule.of === 'job' ? here : anywhere;
        return own.some((r) => rule.roles.includes(r)) ? [] : [[name, listed(rule.roles)]];
      }
      return rule.of === 'signedIn' || person?.administrator === true
        ? []
        : [[name, 'administrator of the whole application']];
    }),
  );
}

/** Somebody and what they are in a job. What the work at a bench shows with its answer is for whom it was let in: it makes nobody anything else. */
async function knownIn(tx: Tx, name: OperationName, id: string, job: string): Promise<Known | null> {
  const before = takeKnown(id, job);
  if (before !== null) return before;
  const found = await personInJob(tx, id, job);
  if (name === 'work' && found !== null) rememberKnown(id, job, found);
  return found;
}

/** May this person do this, in the job of that slug? Whoever is nothing in a job is not told whether it is there. */
export async function permit(name: OperationName, job: string | null, who: Actor): Promise<Result<Granted>> {
  const { id } = who;
  if (id === null) return refuse('person', SIGNED_OUT);
  return guarded(async () => {
    const tx = database();
    const found =
      job === null ? { person: await findPerson(tx, id), roles: [] } : await knownIn(tx, name, id, job);
    const person = found?.person ?? null;
    if (found === null || person === null || person.blockedAt !== null) return refuse('person', SIGNED_OUT);
    const rule = MAY[name];
    const own: readonly Role[] =
      job === null && rule.of === 'anyJob' ? await rolesAnywhere(tx, id) : found.roles;
    const roles: readonly Role[] = person.administrator
      ? [...new Set([...own, 'administrator' as const])]
      : own;
    switch (rule.of) {
      case 'signedIn':
        return ok({ roles });
      case 'product':
        return person.administrator
          ? ok({ roles })
          : refuse('role', 'this is for an administrator of the whole application');
      case 'job':
      case 'anyJob':
        if (rule.of === 'job' && roles.length === 0)
          return refuse('job', 'there is no such job among yours', job);
        return roles.some((r) => rule.roles.includes(r))
          ? ok({ roles })
          : refuse(
              'role',
              `this is for a ${listed(rule.roles)}${roles.length === 0 ? '' : `; here you are ${listed(roles).replaceAll(' or ', ' and ')}`}. An administrator of the job says who is what`,
            );
    }
  });
}
