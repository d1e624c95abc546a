import { randomUUID } from 'node:crypto';
import { ROLES, type Role } from '@/core/people';
import { closeDatabase, database, findJob, insertPerson, setRoles, writePerson } from '@/data';
import { good, makeJob, NOW } from '../testing/job';
import { MAY, mayNot, permit } from './may';
import { OPERATIONS } from './operations';

afterAll(closeDatabase);

type Name = keyof typeof OPERATIONS;
/** Whoever may, by the first letters of planner, fitter, inspector, apprentice, administrator; `!` is for administrators of the product only, `*` for all who are signed in. */
const TABLE: Readonly<Record<string, string>> = {
  'PFIAX everybody of the job':
    'viewJob exportJob viewSummaries viewTermination viewTerminationAgain viewTestsAcross viewCompound viewProfile previewProfile viewJobRecord exportRecord searchRecord dossier recordBundle jobArchive countMovedOn viewMovedOn viewJobChoice viewKit viewWanted wantedFile kitAgainst kitFile cutCard drawingFile workPack labelSheet scheduleChoices schedulePage exportSchedule exportScheduleBook previewSheet previewSetup setupFile viewBoxes viewInstruments viewPhoto previewBox viewTypes viewMapping viewCatalogueCables viewCrossings viewCrossing crossingFile previewPlaces viewMembers viewCharge',
  'PFIA who measures': 'addReading withdrawReading undo redo',
  'PF who chooses': 'takeSize answerFact replan setTerminals setPins setCompound takeReentry',
  'FIA who works at the bench': 'work workKept keepPhoto',
  'PI who keeps instruments': 'addInstrument setInstrument addInstrumentCheck takeOutInstrument',
  'P who plans':
    'lockSize acceptJobChoice restamp setProfile addCrossing setCrossing splitCrossing takeCrossingPlan addCable editCable editCables retireCable importSheet importSetup addBox setBox addEntries setEntry takeOutBox addType setType takeOutType',
  'X who sets up': 'setJob setArchived setMember invite withdrawInvitation',
  'PX who takes in sheets': 'importCatalogue',
  '* whoever is signed in':
    'viewJobs viewJobCards viewCatalogue previewCatalogue exportCatalogue exportSizes viewMe endMySessions',
  '! administrators of the product':
    'createJob importJob viewPeople viewRunning setAdministrator setBlocked inviteAdministrator inviteBack withdrawProductInvitation',
};
const LETTERS = ['P', 'F', 'I', 'A', 'X'] as const;
const letterOf = (role: Role): string => LETTERS[ROLES.indexOf(role)] ?? '';

async function somebody(): Promise<string> {
  const id = randomUUID();
  await insertPerson(
    database(),
    { id, name: 'x', username: `x.${id.slice(0, 8)}`, administrator: false, passwordHash: 'x' },
    NOW,
  );
  return id;
}

it('has every operation in the table of who may do what, once', () => {
  const listed = Object.values(TABLE).flatMap((names) => names.split(' '));
  expect([...listed].sort()).toEqual(Object.keys(OPERATIONS).sort());
  expect(Object.keys(MAY).sort()).toEqual([...Object.keys(OPERATIONS), 'sign'].sort());
});

it('lets each role do what the table says, and nothing else', async () => {
  const slug = await makeJob();
  const job = await findJob(database(), slug);
  if (job === null) throw new Error('the job was just made');
  const wrong: string[] = [];
  for (const role of ROLES) {
    const who = { id: await somebody(), name: 'x' };
    await setRoles(database(), who.id, job.id, [role], null, NOW);
    for (const [key, names] of Object.entries(TABLE)) {
      const [letters = ''] = key.split(' ');
      for (const name of names.split(' ')) {
        const may = (await permit(name as Name, letters === '*' || letters === '!' ? null : slug, who)).ok;
        if (may !== (letters === '*' || letters.includes(letterOf(role))))
          wrong.push(`${role} ${name}: ${may}`);
      }
    }
  }
  expect(wrong).toEqual([]);
});

it('offers to everybody on the page what the gate lets them do, and nothing else', async () => {
  const slug = await makeJob();
  const job = await findJob(database(), slug);
  for (const role of ROLES) {
    const who = { id: await somebody(), name: role };
    await setRoles(database(), who.id, job?.id ?? 0, [role], null, NOW);
    const not = await good(mayNot(slug, who));
    const wrong: string[] = [];
    for (const name of Object.keys(MAY).filter((n) => n !== 'sign') as Name[]) {
      const may = (await permit(name, slug, who)).ok;
      if (may === name in not) wrong.push(`${role} ${name}`);
    }
    expect(wrong).toEqual([]);
    expect(Object.keys(not).length).toBeGreaterThan(3);
  }
});

it('lets who is nothing in the job see and do nothing in it, and an administrator of the product set it up, but neither plan nor work', async () => {
  const slug = await makeJob();
  const who = { id: await somebody(), name: 'x' };
  for (const name of ['viewJob', 'addReading', 'setMember'] as const)
    expect(await permit(name, slug, who)).toMatchObject({ ok: false, problems: [{ path: 'job' }] });
  await writePerson(database(), who.id, { administrator: true }, NOW);
  for (const name of ['viewJob', 'setMember', 'viewPeople'] as const)
    expect((await permit(name, slug, who)).ok).toBe(true);
  for (const name of ['addReading', 'work', 'setProfile'] as const)
    expect(await permit(name, slug, who)).toMatchObject({ ok: false, problems: [{ path: 'role' }] });
  await writePerson(database(), who.id, { blockedAt: NOW }, NOW);
  expect(await permit('viewJob', slug, who)).toMatchObject({ ok: false, problems: [{ path: 'person' }] });
});

it('forgets what somebody was as soon as they are it no longer', async () => {
  const slug = await makeJob();
  const job = await findJob(database(), slug);
  const who = { id: await somebody(), name: 'x' };
  await setRoles(database(), who.id, job?.id ?? 0, ['planner', 'fitter'], null, NOW);
  expect(await good(permit('lockSize', slug, who))).toEqual({ roles: ['planner', 'fitter'] });
  await setRoles(database(), who.id, job?.id ?? 0, ['fitter'], null, NOW);
  expect((await permit('lockSize', slug, who)).ok).toBe(false);
  expect((await permit('work', slug, who)).ok).toBe(true);
});
