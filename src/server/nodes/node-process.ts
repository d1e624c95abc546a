// A process of the application in front of one node, as far as tests need one: it reads calls as lines of JSON, and writes what came of them.
import { createInterface } from 'node:readline';
import { inspect } from 'node:util';
import { setTimeout as after } from 'node:timers/promises';
import {
  caughtUp,
  closeDatabase,
  database,
  inDated,
  isAlone,
  isCollision,
  isDatabaseAway,
  lastBackup,
  lastHeard,
  leaveHeavyPlace,
  poolFigures,
  takeHeavyPlace,
} from '@/data';
import * as gate from '../gate';
import { databaseState } from '../health';
import { sayThatItRuns } from '../running/process';
import { confirmStep, nextStep, take } from '../testing/bench';
import { good, makeJob, NOW, PLANNER } from '../testing/job';

/** What a test asks of a process. `at` (milliseconds since 1970) lets several begin in the same instant. */
export type Asked =
  | { readonly what: 'makeJob' }
  /** Waits until this node has what any had. */
  | { readonly what: 'catchUp' }
  | { readonly what: 'lastBackup' }
  | { readonly what: 'state' }
  /** How many connections are not given back. */
  | { readonly what: 'held' }
  /** Takes one of so many places for heavy work, or gives it back. */
  | {
      readonly what: 'heavyPlace';
      readonly holder: string;
      readonly person: string;
      readonly places: number;
      readonly seconds: number;
      readonly at: number;
    }
  | { readonly what: 'leaveHeavyPlace'; readonly holder: string }
  /** Says that this process runs, once. */
  | { readonly what: 'say' }
  /** What this node last knew, and of when that is. */
  | { readonly what: 'dated'; readonly name: gate.ReadName; readonly args: readonly unknown[] }
  | { readonly what: 'take'; readonly job: string; readonly size: string }
  | { readonly what: 'confirm'; readonly job: string; readonly id: string; readonly at: number }
  | { readonly what: 'look'; readonly name: gate.ReadName; readonly args: readonly unknown[] }
  | {
      readonly what: 'act';
      readonly name: gate.WriteName;
      readonly args: readonly unknown[];
      readonly id?: string;
      readonly at: number;
    };

/** The steps that were confirmed, by the ids under which: sent again, it is the same one. */
const confirmed = new Map<string, Awaited<ReturnType<typeof nextStep>>>();

/** Is this said because nobody can be asked just now? */
const isAway = (error: unknown): boolean =>
  isAlone(error) ||
  isDatabaseAway(error) ||
  (error instanceof Error && [...gate.AWAY].some((words) => error.message.includes(words)));

async function answer(asked: Asked): Promise<unknown> {
  if ('at' in asked) await after(Math.max(0, asked.at - Date.now()));
  switch (asked.what) {
    case 'makeJob':
      return makeJob();
    case 'catchUp':
      return caughtUp(database());
    case 'lastBackup':
      return lastBackup(database());
    case 'state':
      return databaseState();
    case 'held': {
      const { open, free } = poolFigures();
      return open - free;
    }
    case 'heavyPlace':
      try {
        return await takeHeavyPlace(
          database(),
          { holder: asked.holder, person: asked.person },
          { places: asked.places, each: 2 },
          asked.seconds,
        );
      } catch (error) {
        if (isCollision(error)) return false;
        throw error;
      }
    case 'leaveHeavyPlace':
      return leaveHeavyPlace(database(), asked.holder);
    case 'say':
      sayThatItRuns()();
      return null;
    case 'dated':
      return inDated(async () => ({
        at: await lastHeard(database()),
        seen: await good(gate.lookLoose(asked.name, asked.args, PLANNER)),
      }));
    case 'take':
      return good(take(asked.job, asked.size));
    case 'confirm': {
      const step = confirmed.get(asked.id) ?? (await nextStep(asked.job));
      confirmed.set(asked.id, step);
      return confirmStep(asked.job, step, { id: asked.id });
    }
    case 'look':
      return good(gate.lookLoose(asked.name, asked.args, PLANNER));
    case 'act':
      return gate.actLoose(asked.name, asked.args, PLANNER, {
        now: NOW,
        ...(asked.id === undefined ? {} : { id: asked.id }),
      });
  }
}

// A process that is told to end finishes what it has begun: else that opens the database again behind it.
const begun = new Set<Promise<unknown>>();
const lines = createInterface({ input: process.stdin });
lines.on('line', (line) => {
  const { n, asked } = JSON.parse(line) as { n: number; asked: Asked };
  const one = answer(asked).then(
    (value) => process.stdout.write(`${JSON.stringify({ n, value: value ?? null })}\n`),
    (error: unknown) => {
      process.stdout.write(`${JSON.stringify({ n, error: inspect(error), away: isAway(error) })}\n`);
    },
  );
  begun.add(one);
  void one.then(() => begun.delete(one));
});
lines.on('close', () => void Promise.all(begun).then(closeDatabase));
