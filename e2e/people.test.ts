import { createConnection } from 'mysql2/promise';
import { By, Key } from 'selenium-webdriver';
import { DEMO_PASSWORD, SHIFT_HOURS, tokenHash, type PeopleView } from '@/core/people';
import {
  address,
  browser,
  byLabel,
  byRole,
  click,
  d,
  gridCell,
  handOverTo,
  open,
  says,
  seriousFindings,
  withBrowser,
} from './page';
import { cookieOf, doneIn, seenIn, sessionOf, type Session } from './session';

withBrowser('/sign-in', 'nobody');

const JOB = '/job/quillmere';
const door = (what: string, body: unknown, headers: Readonly<Record<string, string>> = {}) =>
  fetch(`${address}/api/people/${what}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, ...headers },
    body: JSON.stringify(body),
  });
const said = async (answer: Promise<Response>): Promise<string> =>
  JSON.stringify(await (await answer).json());
const signIn = (username: string, password: string) => door('sign-in', { given: { username, password } });

describe('the door', () => {
  it('gives a cookie that no script reads and no other site sends, and none for a wrong password', async () => {
    const [cookie] = (await signIn('fitter', DEMO_PASSWORD)).headers.getSetCookie();
    expect(cookie).toMatch(/; HttpOnly/i);
    expect(cookie).toMatch(/; SameSite=Lax/i);
    expect(cookie).toMatch(/; Path=\//i);
    const wrong = await signIn('apprentice', 'not this one');
    expect(wrong.headers.getSetCookie()).toEqual([]);
    expect(await said(Promise.resolve(wrong))).toContain('do not belong together');
    expect(await said(signIn('nobody.at.all', 'not this one'))).toContain('do not belong together');
  });

  it('lets a name wait after five wrong passwords, the right one too, however many come at once', async () => {
    const name = 'guessed.name';
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) => said(signIn(name, `guess number ${i}`))),
    );
    expect(answers.filter((a) => a.includes('do not belong together'))).toHaveLength(5);
    expect(answers.filter((a) => a.includes('Too many wrong passwords'))).toHaveLength(7);
  });

  it('turns away another site, what is too large, and what is no door', async () => {
    const given = { given: { username: 'fitter', password: DEMO_PASSWORD } };
    expect((await door('sign-in', given, { origin: 'http://elsewhere.invalid' })).status).toBe(403);
    expect((await door('constructor', given)).status).toBe(404);
    for (const body of [null, [], { given: 1 }, { given: { username: ['x'], password: {} } }, { more: 1 }])
      expect((await door('sign-in', body)).status).toBeLessThan(500);
  });

  it('shows nobody anything: no page, no file, no answer', async () => {
    const plain = { redirect: 'manual' } as const;
    for (const path of [`${JOB}/board`, '/catalogue', '/people', '/me', '/', `${JOB}/t/K-104/B/choose`]) {
      const answer = await fetch(`${address}${path}`, plain);
      expect([path, answer.status]).toEqual([path, 307]);
      expect(answer.headers.get('location')).toContain('/sign-in');
      // The address that was asked for stands in it, and nothing that only the job knows.
      expect(/Still house|Vapour fan|AY3/.test(await answer.text())).toBe(false);
    }
    for (const path of [
      `/api/look/viewSummaries?args=${encodeURIComponent('["quillmere"]')}`,
      '/api/job/quillmere/record',
      `${JOB}/card/K-105/B`,
    ])
      expect([path, (await fetch(`${address}${path}`)).status]).toEqual([path, 401]);
  });

  it('ends a session for good when it is signed out, and takes no cookie that was changed', async () => {
    const session = await sessionOf(address, 'fitter');
    const me = (cookie: string) => fetch(`${address}/api/look/viewMe?args=[]`, { headers: { cookie } });
    expect((await me(cookieOf(session))).status).toBe(200);
    const changed = { ...session, value: session.value.replace(/.{5}$/, 'AAAA%3D') };
    expect((await me(cookieOf(changed))).status).toBe(401);
    await door('sign-out', {}, { cookie: cookieOf(session) });
    expect((await me(cookieOf(session))).status).toBe(401);
  });
});

it('says that a session is not ended while the database does not end it, and ends it then', async () => {
  const session = await sessionOf(address, 'inspector');
  const [token] = decodeURIComponent(session.value).split('.');
  const headers = { cookie: cookieOf(session) };
  const me = async () => (await fetch(`${address}/api/look/viewMe?args=[]`, { headers })).status;
  const other = await createConnection(process.env.E2E_DATABASE_URL ?? '');
  try {
    await other.beginTransaction();
    await other.query('SELECT id FROM person_session WHERE token = ? FOR UPDATE', [token]);
    const answer = await door('sign-out', {}, headers);
    expect(await answer.json()).toMatchObject({ ok: false });
    expect(answer.headers.getSetCookie()).toEqual([]);
    expect(await me()).toBe(200);
    await other.rollback();
  } finally {
    await other.end();
  }
  expect(await said(door('sign-out', {}, headers))).toContain('"ok":true');
  expect(await me()).toBe(401);
});

/** A session as it is once its shift is over. Nobody waits for that. */
async function outlive({ value }: Session): Promise<void> {
  const database = await createConnection(process.env.E2E_DATABASE_URL ?? '');
  const [token] = decodeURIComponent(value).split('.');
  const over = 'UPDATE person_session SET expires_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE token = ?';
  const [done] = await database.execute(over, [token ?? '']);
  await database.end();
  expect(done).toMatchObject({ affectedRows: 1 });
}

describe('a shift that is over', () => {
  it('is as long as it is said to be, and ends every session of it by itself, on pages and elsewhere', async () => {
    const [cookie] = (await signIn('fitter', DEMO_PASSWORD)).headers.getSetCookie();
    expect(Number(/Max-Age=(\d+)/i.exec(cookie ?? '')?.[1])).toBe(SHIFT_HOURS * 3600);
    const session = await sessionOf(address, 'fitter');
    const headers = { cookie: cookieOf(session) };
    const me = () => fetch(`${address}/api/look/viewMe?args=[]`, { headers });
    expect((await me()).status).toBe(200);
    await outlive(session);
    expect((await me()).status).toBe(401);
    expect((await fetch(`${address}${JOB}/board`, { headers, redirect: 'manual' })).status).toBe(307);
    expect(await doneIn(address, session, 'undo', 'quillmere')).toMatchObject({ ok: false });
  });
});

describe('a fitter', () => {
  it('is refused what is a planner’s, in words, and sees no people of the product', async () => {
    const session = await sessionOf(address, 'fitter');
    expect(await doneIn(address, session, 'addCrossing', 'quillmere', 'X-77', 'frames')).toMatchObject({
      ok: false,
      problems: [
        {
          path: 'role',
          message: expect.stringContaining('this is for a planner; here you are fitter') as string,
        },
      ],
    });
    const people = await fetch(`${address}/people`, { headers: { cookie: cookieOf(session) } });
    expect(await people.text()).toContain('administrator of the whole application');
  });
});

describe('in the browser', () => {
  it('signs in by hand, and says which field is wrong', async () => {
    await open('/me');
    await byRole('heading', 'Sign in', { level: 1 });
    await click(() => byRole('button', 'Sign in'));
    await says('under which name do you sign in?');
    expect(await seriousFindings()).toEqual([]);
    await (await byLabel('Name you sign in by')).sendKeys('Administrator');
    await (await byLabel('Password')).sendKeys(DEMO_PASSWORD, Key.ENTER);
    await byRole('heading', 'My account', { level: 1 });
    expect(await seriousFindings()).toEqual([]);
  });

  it('invites somebody by a link, who comes in once and is what they were invited as', async () => {
    await open(`${JOB}/people`);
    await (await byRole('textbox', 'Who')).sendKeys('New Hand');
    await click(() => byRole('button', 'Make the invitation'));
    const link = (await (await byRole('textbox', 'Link')).getAttribute('value')) ?? '';
    expect(link).toMatch(/\/invitation\/[\w-]{32}$/);
    await byRole('img', 'Code of the invitation for New Hand');
    expect(await seriousFindings()).toEqual([]);
    await click(() => byRole('button', 'works here'));
    await click(() => byRole('menuitem', 'Sign out'));
    await byRole('heading', 'Sign in', { level: 1 });
    await open(new URL(link).pathname);
    await says('You are asked to come as fitter');
    await (await byLabel('Name you sign in by')).sendKeys('new.hand');
    await (await byLabel('Password')).sendKeys('short', Key.ENTER);
    await says('at least 10 characters');
    await (await byLabel('Password')).sendKeys(' but not any more', Key.ENTER);
    await byRole('button', 'New Hand works here');
    await open(`${JOB}/people`);
    await says('An administrator of the job says who is what in it');
    await open(new URL(link).pathname);
    await says('does not hold');
  });

  it('sets a PIN that is not the first one tries, and locks it after five wrong ones until the password is used', async () => {
    await open('/me');
    const pin = await byLabel('4 to 8 digits');
    await pin.sendKeys('1234');
    await click(() => byRole('button', 'Set my PIN'));
    await says('the first that anybody tries');
    await pin.sendKeys('9');
    await click(() => byRole('button', 'Set my PIN'));
    await says('opens a shared device');
    const { value, name } = await sessionOf(address, 'planner');
    const mine = await d().executeScript<string>(
      `return fetch('/api/look/viewMe?args=[]').then((r) => r.json()).then((r) => r.value.id);`,
    );
    const guess = (code: string) =>
      said(door('hand-over', { key: mine, pin: code }, { cookie: `${name}=${value}` }));
    for (const left of [4, 3, 2, 1]) expect(await guess('00000')).toContain(`${left} more and it is locked`);
    expect(await guess('00000')).toContain('locked now');
    expect(await guess('12349')).toContain('is locked after 5 wrong ones');
    await signIn('new.hand', 'short but not any more');
    expect(await guess('12349')).toContain('"ok":true');
  });

  it('hands the device over at the bench, where it is always seen who works', async () => {
    await open('/me');
    await click(() => byRole('button', 'works here'));
    await click(() => byRole('menuitem', 'Sign out'));
    await click(() => byRole('button', /^Planner/));
    await byRole('button', 'Planner works here');
    await browser().resize(1024, 768);
    await open(`${JOB}/bench/K-105/A`);
    await handOverTo('Inspector');
    expect(new URL(await d().getCurrentUrl()).pathname).toBe(`${JOB}/bench/K-105/A`);
    await browser().resize(1280, 800);
  });

  it('gives whoever may not change something to read, and says who may', async () => {
    await open(`${JOB}/schedule`);
    await says('A planner adds cables and changes them here.');
    await gridCell('K-106', 'Tail B, mm');
    expect(await d().findElements(By.css('[aria-label^="Take out"], [role=grid] input'))).toEqual([]);
    await open(`${JOB}/t/K-131/B/cut`);
    for (const [name, who] of [
      ['Wall to farthest terminal', 'For a planner.'],
      ['Terminals that differ, core by core', 'For a planner or fitter.'],
    ] as const) {
      await says(who);
      const field = await byRole('textbox', name);
      const before = await field.getAttribute('value');
      await field.sendKeys('7', Key.ENTER);
      expect(await field.getAttribute('value')).toBe(before);
    }
    await open(`${JOB}/t/K-140/B/seal`);
    expect(await (await byRole('button', /^putty CP-5/)).isEnabled()).toBe(false);
    expect(await seriousFindings()).toEqual([]);
  });

  it('says that whoever wants to leave is still signed in, where the server is not reached', async () => {
    await open('/me');
    await d().executeScript('window.fetch = () => Promise.reject(new TypeError("away"))');
    await click(() => byRole('button', 'works here'));
    await click(() => byRole('menuitem', 'Sign out'));
    await byRole('menuitem', /^Not signed out: you are signed in here until .*The server cannot be reached/s);
    expect(await seriousFindings()).toEqual([]);
    await open('/me');
    await byRole('button', 'Inspector works here');
  });

  it('lets somebody who lost their password choose another by a link, once, and ends their sessions', async () => {
    const administrator = await sessionOf(address, 'administrator');
    const apprentice = await sessionOf(address, 'apprentice');
    const people = (await seenIn(address, administrator, 'viewPeople')) as PeopleView;
    const id = people.people.find((p) => p.username === 'apprentice')?.id;
    const invite = (token: string) => doneIn(address, administrator, 'inviteBack', id, tokenHash(token));
    expect(await invite('first-link')).toMatchObject({ ok: true });
    expect(await invite('second-link')).toMatchObject({ ok: true });
    const open_ = (await seenIn(address, administrator, 'viewPeople')) as PeopleView;
    const [second] = open_.invitations;
    expect(await doneIn(address, administrator, 'withdrawProductInvitation', second?.id)).toMatchObject({
      ok: true,
    });
    const take = (key: string) => said(door('invitation', { key, given: { password: DEMO_PASSWORD } }));
    expect(await take('second-link')).toContain('does not hold any more');
    expect(await take('first-link')).toContain('"ok":true');
    expect(await take('first-link')).toContain('does not hold any more');
    const old = await fetch(`${address}/api/look/viewMe?args=[]`, {
      headers: { cookie: cookieOf(apprentice) },
    });
    expect(old.status).toBe(401);
  });

  it('lets nobody who finds a device open try out the password', async () => {
    const session = await sessionOf(address, 'fitter');
    const change = (current: string) =>
      said(
        door(
          'password',
          { given: { current, password: 'another one entirely' } },
          { cookie: cookieOf(session) },
        ),
      );
    for (let n = 0; n < 5; n += 1) expect(await change(`guess ${n}`)).toContain('not your password');
    expect(await change(DEMO_PASSWORD)).toContain('Too many wrong ones');
  });

  it('ends all sessions elsewhere at a press', async () => {
    const elsewhere = await sessionOf(address, 'inspector');
    await open('/me');
    await click(() => byRole('button', 'Sign out everywhere but here'));
    await says('Signed out everywhere else');
    const me = await fetch(`${address}/api/look/viewMe?args=[]`, {
      headers: { cookie: cookieOf(elsewhere) },
    });
    expect(me.status).toBe(401);
    expect(await d().findElements(By.xpath('//td[.="here"]'))).toHaveLength(1);
  });
});
