import { QueryClient } from '@tanstack/react-query';
import type { LookKey } from './contract';
import { shownHolder } from './DataProvider';
import { sendBy } from './use-send';

const KEY: LookKey = ['viewTermination', { job: 'barn', cable: 'C-1', end: 'A' }];
const json = (body: unknown) =>
  new Response(JSON.stringify(body), { headers: { 'content-type': 'application/json' } });

/** A server whose commands are answered when the test says so, in the order in which it says so. */
function page() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: 'always' } } });
  const holder = shownHolder();
  holder.set(KEY);
  const answers: ((view: string) => void)[] = [];
  jest
    .spyOn(globalThis, 'fetch')
    .mockImplementation(
      () =>
        new Promise((resolve) =>
          answers.push((view) =>
            resolve(json({ result: { ok: true, value: null }, shown: { ok: true, value: view } })),
          ),
        ),
    );
  const send = () => sendBy(client, holder)('replan', { job: 'barn', cable: 'C-1', end: 'A' });
  return {
    client,
    send,
    answer: (i: number, view: string) => answers[i]?.(view),
    shown: () => client.getQueryData(KEY),
  };
}

afterEach(() => jest.restoreAllMocks());

it('keeps what a command brought back over a look that began before it and is answered after', async () => {
  const { client, send, answer, shown } = page();
  let answerLook = (_view: string): void => undefined;
  const looked = client
    .query({ queryKey: KEY, queryFn: () => new Promise<string>((resolve) => (answerLook = resolve)) })
    .catch(() => 'called off');
  const sent = send();
  answer(0, 'planned again');
  await sent;
  answerLook('stale');
  await looked;
  expect(shown()).toBe('planned again');
});

it('shows what the later of two commands brought back, whichever is answered last', async () => {
  const { send, answer, shown } = page();
  const [first, second] = [send(), send()];
  answer(1, 'after both');
  await second;
  answer(0, 'after the first');
  await first;
  expect(shown()).toBe('after both');
});

it('asks for an end again without the choice that is here, and shows it with that choice', async () => {
  const { client, send, shown } = page();
  client.setQueryData(KEY, { tag: 'C-1/A', choice: { answer: 'fits' }, choiceHash: 'c1' });
  const asked = jest
    .spyOn(globalThis, 'fetch')
    .mockResolvedValueOnce(
      json({
        result: { ok: true, value: null },
        shown: { ok: true, value: { tag: 'C-1/A', stale: true, choice: 'as before', choiceHash: 'c1' } },
      }),
    )
    .mockResolvedValueOnce(
      json({
        result: { ok: true, value: null },
        shown: { ok: true, value: { tag: 'C-1/A', choice: { answer: 'none' }, choiceHash: 'c2' } },
      }),
    );
  await send();
  expect(JSON.parse(asked.mock.calls[0]?.[1]?.body as string)).toMatchObject({
    show: ['viewTerminationAgain', KEY[1], 'c1'],
  });
  expect(shown()).toMatchObject({ stale: true, choice: { answer: 'fits' }, choiceHash: 'c1' });
  await send();
  expect(shown()).toMatchObject({ choice: { answer: 'none' }, choiceHash: 'c2' });
});
