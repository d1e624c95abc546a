import { hashOf } from '@/core/kernel';
import {
  auditHead,
  lostJobs,
  auditTail,
  eventHash,
  GENESIS,
  headCode,
  headHash,
  verifyBundle,
  type ChainedEvent,
  type Receipt,
  type ReceiptContent,
  type SubjectKind,
} from '.';

// A signature that only this file can make stands for that of a key.
const sign = (head: string): string => `signed ${head}`;
const signed = (head: string, signature: string, keyId: string): boolean =>
  keyId === 'k' && signature === sign(head);

const PLAN = { size: 'AY3-32', cutMm: 120 };
const PLAN_HASH = hashOf(PLAN);

/** The record of a job as the application writes it: two ends and a crossing, their events by turns. */
function job(version: 2 | 3 | 4 = 4) {
  const subjects: {
    kind: SubjectKind;
    name: string;
    events: ChainedEvent[];
    plans: { hash: string; body: unknown }[];
  }[] = [
    { kind: 'termination', name: 'K-101/A', events: [], plans: [{ hash: PLAN_HASH, body: PLAN }] },
    { kind: 'termination', name: 'K-101/B', events: [], plans: [{ hash: PLAN_HASH, body: PLAN }] },
    { kind: 'crossing', name: 'crossing X-1', events: [], plans: [{ hash: PLAN_HASH, body: PLAN }] },
  ];
  const receipts: Receipt[] = [];
  for (let n = 0; n < 12; n += 1) {
    const subject = subjects[n % subjects.length];
    if (!subject) throw new Error('no subject');
    const last = subject.events[subject.events.length - 1];
    const content = {
      version,
      id: `e${n}`,
      subjectKind: subject.kind,
      subject: subject.name,
      seq: (last?.seq ?? 0) + 1,
      stepId: `s${n}`,
      kind: 'confirm',
      actor: 'fitter',
      person: version > 2 && n % 2 === 0 ? 'p-1' : null,
      at: `2026-11-02T08:${10 + n}:00.000Z`,
      receivedAt: `2026-11-02T08:${10 + n}:01.000Z`,
      body: { fingerprint: 'f', title: `step ${n}` },
      planHash: PLAN_HASH,
      prevHash: last?.hash ?? GENESIS,
      kept: null,
      names: null,
    };
    const event = { ...content, hash: eventHash(content) };
    subject.events.push(event);
    const before = receipts[receipts.length - 1];
    const receipt: ReceiptContent = {
      job: 'quillmere',
      number: n + 1,
      subjectKind: subject.kind,
      subject: subject.name,
      seq: event.seq,
      eventHash: event.hash,
      prevHead: before?.head ?? GENESIS,
    };
    const head = headHash(receipt);
    receipts.push({ ...receipt, head, signature: sign(head), keyId: 'k' });
  }
  return {
    format: 'amber-collar-record',
    version: 1,
    job: 'quillmere',
    made: '2026-11-02T09:00:00.000Z',
    publicKey: 'pem',
    subjects,
    receipts,
  };
}
type Bundle = ReturnType<typeof job>;

const problemsOf = (bundle: Bundle): string[] => {
  const result = verifyBundle(JSON.parse(JSON.stringify(bundle)), signed);
  return result.ok ? [] : result.problems.map((p) => `${p.path}: ${p.message}`);
};
const at = <T>(list: readonly T[], i: number): T => {
  const found = list[i];
  if (found === undefined) throw new Error(`nothing at ${i}`);
  return found;
};
/** Somebody who can write to the database and knows how hashes are made hashes a subject's events again from `from` on. */
function rehash(events: ChainedEvent[], from: number): void {
  for (let i = from; i < events.length; i += 1) {
    const content = { ...at(events, i), prevHash: i === 0 ? GENESIS : at(events, i - 1).hash };
    events[i] = { ...content, hash: eventHash(content) };
  }
}

test('an untouched record holds, and says where it ends as prints do', () => {
  const bundle = job();
  const result = verifyBundle(JSON.parse(JSON.stringify(bundle)), signed);
  const head = at(bundle.receipts, 11);
  expect(result).toEqual({
    ok: true,
    value: { job: 'quillmere', subjects: 3, events: 12, photos: [], head: { number: 12, head: head.head } },
  });
  expect(headCode(head)).toMatch(/^12 · [0-9a-f]{4}-[0-9a-f]{4}$/);
});

test.each<[string, (b: Bundle) => void, RegExp]>([
  [
    'changes the words of an event',
    (b) => {
      at(b.subjects, 0).events[1] = { ...at(at(b.subjects, 0).events, 1), body: { title: 'other' } };
    },
    /K-101\/A: event 2 has been changed/,
  ],
  [
    'changes the server’s time of an event',
    (b) => {
      at(b.subjects, 0).events[1] = {
        ...at(at(b.subjects, 0).events, 1),
        receivedAt: '2026-11-02T07:00:00.000Z',
      };
    },
    /K-101\/A: event 2 has been changed/,
  ],
  [
    'takes an event out of the middle',
    (b) => {
      at(b.subjects, 1).events.splice(1, 1);
    },
    /K-101\/B: event 2 was written and is missing/,
  ],
  [
    'cuts the tail off',
    (b) => {
      at(b.subjects, 0).events.pop();
    },
    /K-101\/A: event 4 was written and is missing/,
  ],
  [
    'deletes all events of an end',
    (b) => {
      at(b.subjects, 0).events = [];
    },
    /K-101\/A: event 1 was written and is missing/,
  ],
  [
    'deletes an end as a whole',
    (b) => {
      b.subjects.splice(2, 1);
    },
    /crossing X-1: is missing as a whole, from entry 3/,
  ],
  [
    'rewrites a chain from an event on, with new hashes',
    (b) => {
      const { events } = at(b.subjects, 0);
      events[1] = { ...at(events, 1), actor: 'somebody else' };
      rehash(events, 1);
    },
    /K-101\/A: event 2 is not the one that was written/,
  ],
  [
    'rewrites a chain and its receipts, without the key',
    (b) => {
      const { events } = at(b.subjects, 0);
      events[3] = { ...at(events, 3), actor: 'somebody else' };
      rehash(events, 3);
      let prevHead = at(b.receipts, 8).head;
      for (let i = 9; i < 12; i += 1) {
        const was = at(b.receipts, i);
        const made = { ...was, prevHead, ...(i === 9 ? { eventHash: at(events, 3).hash } : {}) };
        prevHead = headHash(made);
        b.receipts[i] = { ...made, head: prevHead };
      }
    },
    /receipts: entry 10 of the job’s record is not signed/,
  ],
  [
    'changes a plan',
    (b) => {
      at(at(b.subjects, 2).plans, 0).body = { ...PLAN, cutMm: 90 };
    },
    /crossing X-1: a plan has been changed/,
  ],
  [
    'changes a plan and its hash',
    (b) => {
      const body = { ...PLAN, cutMm: 90 };
      at(b.subjects, 2).plans = [{ hash: hashOf(body), body }];
    },
    /crossing X-1: the plan that event 1 stands on is missing/,
  ],
  [
    'adds an event',
    (b) => {
      const { events } = at(b.subjects, 0);
      const content = { ...at(events, 3), seq: 5, id: 'forged', prevHash: at(events, 3).hash };
      events.push({ ...content, hash: eventHash(content) });
    },
    /K-101\/A: event 5 has no receipt/,
  ],
  [
    'drops a receipt',
    (b) => {
      b.receipts.splice(4, 1);
    },
    /receipts: entry 6 of the job’s record stands where 5 was expected/,
  ],
  [
    'brings receipts of another job',
    (b) => {
      b.job = 'annex';
    },
    /receipts: entry 1 belongs to another job/,
  ],
])('whoever %s is found out, and the place is named', (_, attack, words) => {
  const bundle = job();
  attack(bundle);
  expect(problemsOf(bundle).join('\n')).toMatch(words);
});

test.each([
  ['names were sealed', 4, ['names']],
  ['devices kept anything', 3, ['names', 'kept']],
  ['anybody signed in', 2, ['names', 'kept', 'person']],
] as const)('a file of before %s holds as it did, though it knows nothing of that', (_, version, without) => {
  const bundle = JSON.parse(
    JSON.stringify(job(version), (key, value: unknown) =>
      (without as readonly string[]).includes(key) ? undefined : value,
    ),
  ) as Bundle;
  for (const name of without) expect(JSON.stringify(bundle)).not.toContain(`"${name}"`);
  expect(problemsOf(bundle)).toEqual([]);
});

test('what is no record at all is refused by what is wrong with it', () => {
  for (const json of [null, [], {}, { ...job(), version: 2 }, { ...job(), more: 1 }, 'x'])
    expect(verifyBundle(json, signed).ok).toBe(false);
});

test('an end of a record that lies before what was seen already, has gaps or another name, belongs to the whole job', () => {
  const { receipts } = job();
  const last = at(receipts, 11);
  const fault = (count: number, end: Receipt | null, remembered: number, name = 'quillmere') =>
    auditHead({ job: name, count, last: end, remembered }, signed).map((f) => f.fault)[0];
  expect(fault(12, last, 12)).toBeUndefined();
  expect(fault(0, null, 0)).toBeUndefined();
  expect(fault(8, at(receipts, 7), 12)).toMatch(/ends at entry 8, and 12/);
  expect(fault(0, null, 12)).toMatch(/ends at entry 0/);
  expect(fault(10, last, 12)).toMatch(/2 are missing/);
  expect(fault(12, { ...last, signature: 'forged' }, 12)).toMatch(/not signed/);
  expect(fault(12, last, 0, 'annex')).toBe('the record of this job was written under the name quillmere');
});

test('a job that is remembered and not there is named, by name', () => {
  const remembered = new Map([
    ['b', 3],
    ['a', 12],
    ['c', 1],
  ]);
  expect(lostJobs(remembered, ['c', 'd'])).toEqual([
    { job: 'a', entries: 12 },
    { job: 'b', entries: 3 },
  ]);
  expect(lostJobs(new Map(), [])).toEqual([]);
});

test('events of a subject without any receipt are not those of this application', () => {
  const { subjects } = job();
  expect(auditTail(at(subjects, 0).events, [], signed)).toHaveLength(4);
  expect(auditTail([], [], signed)).toEqual([]);
});
