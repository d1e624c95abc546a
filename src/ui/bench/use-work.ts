'use client';
import { useState } from 'react';
import {
  deedAt,
  deedPhotos,
  mayKeep,
  subjectKey,
  type Base,
  type GoneOn,
  type KeptDeed,
} from '@/core/kept-work';
import { fail, ok, type Problem, type Result } from '@/core/kernel';
import type { Person, Step, SubjectRef, WorkCommand, WorkInput, WorkOutcome } from '@/core/record';
import { inReach, lastContact, lostContact } from '../data/contact';
import { inTime, noAnswer } from '../data/in-time';
import { useSend } from '../data/use-send';
import { dropPhotos, putSent, spendPhotos, type StoredDeed } from '../kept/kept-db';
import { sendPhotos } from '../kept/send-photos';
import { drop, keep, nowKept } from '../kept/kept-store';
import { useActor } from '../shell/actor';

/** A server that has not answered by then is taken to be away; what it may have done after all is found by its id. */
const ANSWER_MS = 6000;

/** A command with an id of its own for good: sent twice, it is stored once. */
export const workInput = (command: WorkCommand): WorkInput => ({
  id: crypto.randomUUID(),
  at: new Date().toISOString(),
  command,
});

interface Work {
  readonly subject: SubjectRef;
  /** What the device knows of the record. */
  readonly base: Base;
  readonly steps: readonly Step[];
  /** What is kept for this subject already. */
  readonly kept: readonly StoredDeed[];
  /** What these deeds come to, one after the other. */
  readonly judge: (deeds: readonly KeptDeed[]) => Pick<GoneOn<unknown>, 'stopped' | 'waste'>;
}

/** A signature and a cut back need the server: they are not kept, and done again when it is there. */
const mayBeKept = (command: WorkCommand, steps: readonly Step[]): boolean =>
  command.kind !== 'recut' &&
  !(command.kind === 'confirm' && steps.some((s) => s.id === command.stepId && s.kind === 'sign'));

/** The photos first, then the step that names them. */
async function withPhotos<T>(
  job: string,
  photos: readonly string[],
  then: () => Promise<Result<T>>,
): Promise<Result<T>> {
  const arrived = await sendPhotos(job, photos);
  return arrived.ok ? then() : arrived;
}

const isAway = (result: Result<unknown>): boolean => !result.ok && result.problems.some((p) => p.path === '');

/**
 * Has done what a hand did at the bench. Every deed is on this device's disk before it goes anywhere. With the server in reach its answer is
 * waited for; without, the deed is judged here by the same rules, kept, and sent later: once, in order, by its id.
 */
export function useWork({ subject, base, steps, kept, judge }: Work) {
  const say = useSend();
  const me = useActor();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [waste, setWaste] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const deedOf = (input: WorkInput, person: Person): KeptDeed => {
    const { command } = input;
    const step = 'stepId' in command ? steps.find((s) => s.id === command.stepId) : undefined;
    return {
      subject,
      base,
      // Where the server was never heard nothing is kept.
      contact: lastContact() ?? NEVER,
      person,
      title: step?.title ?? TITLES[command.kind],
      deed: { kind: 'work', input },
    };
  };

  const refused = (found: readonly Problem[]) => {
    setProblems(found);
    setWaste(null);
  };

  /** What stands against keeping it, by the clock of this device and by the rules of the work; else what it comes to. */
  const weighed = (deed: KeptDeed, at: string): Result<{ readonly waste: string | null }> => {
    const last = kept[kept.length - 1];
    const may = mayKeep(at, lastContact(), last === undefined ? null : deedAt(last.deed));
    if (!may.ok) return may;
    const { stopped, waste: gone } = judge([...kept, deed]);
    return stopped === null ? ok({ waste: gone }) : fail(stopped.problems);
  };

  const keepHere = async (deed: KeptDeed, at: string): Promise<void> => {
    const may = weighed(deed, at);
    if (!may.ok) {
      refused(may.problems);
      return;
    }
    await spendPhotos(deedPhotos(deed.deed));
    await keep(deed, false);
    setProblems([]);
    setWaste(may.value.waste);
  };

  const answered = (result: Result<WorkOutcome>) => {
    setProblems(result.ok ? [] : result.problems);
    setWaste(result.ok ? result.value.waste : null);
  };

  const sendNow = async (deed: KeptDeed, input: WorkInput): Promise<void> => {
    if (!mayBeKept(input.command, steps)) {
      answered(await inTime(say('work', subject, input), ANSWER_MS, noAnswer));
      return;
    }
    // A browser that keeps nothing works as long as the server answers.
    const n = await keep(deed, true).catch(() => null);
    const photos = deedPhotos(deed.deed);
    const result = await inTime<Result<WorkOutcome>>(
      withPhotos(subject.job, photos, () => say('work', subject, input)),
      ANSWER_MS,
      noAnswer,
    );
    if (!isAway(result) || n === null) {
      // Remembered before it is dropped: what is done here meanwhile knows of it as its own.
      if (result.ok && n !== null) await putSent(subjectKey(subject), [input.id]);
      if (n !== null) await drop([n]);
      if (result.ok) await dropPhotos(photos);
      answered(result);
      return;
    }
    lostContact();
    const may = weighed(deed, input.at);
    if (!may.ok) {
      // Not kept. Had the server done it after all, its view says so as soon as it is back.
      await drop([n]);
      refused(may.problems);
      return;
    }
    await spendPhotos(photos);
    await nowKept(n);
    setProblems([]);
    setWaste(may.value.waste);
  };

  const perform = async (command: WorkCommand) => {
    if (me === null) {
      refused([{ path: 'person', message: 'nobody is signed in on this device: the record says who' }]);
      return;
    }
    const input = workInput(command);
    const deed = deedOf(input, { id: me.id, name: me.name });
    setBusy(true);
    try {
      await (kept.length === 0 && inReach() ? sendNow(deed, input) : keepHere(deed, input.at));
    } catch {
      refused([
        {
          path: '',
          message:
            'This browser can keep nothing on this device, so that nothing may be done here without the server.',
        },
      ]);
    } finally {
      setBusy(false);
    }
  };

  return {
    command: (command: WorkCommand) => void perform(command),
    busy,
    problems,
    /** What was said to the last attempt is over as soon as something else is typed or ticked. */
    clear: () => setProblems([]),
    waste,
  };
}

const NEVER = { server: '', device: '' };

const TITLES: Readonly<Record<WorkCommand['kind'], string>> = {
  confirm: 'A step',
  correct: 'A step taken back',
  temperature: 'Temperature of the work',
  recut: 'Cut back',
  test: 'An electrical test',
};
