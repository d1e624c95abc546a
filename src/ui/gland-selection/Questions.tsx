'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { MISSING_FIELDS, type MissingField, type QuestionView } from '@/core/gland-selection';
import type { TerminationView } from '@/core/termination-view';
import { parseLength } from '@/core/units';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';
import styles from './Questions.module.css';
import { useSend } from '../data/use-send';

const isField = (fact: QuestionView['fact']): fact is MissingField => MISSING_FIELDS.some((f) => f === fact);

/**
 * What was asked and not answered: each question with what its answers would change, answered in place. What would not change the answer is
 * folded away; `onlyDeciding` leaves it out. Nothing where nothing is open.
 */
export function Questions({
  view,
  onlyDeciding = false,
}: Pick<StationProps, 'view'> & { readonly onlyDeciding?: boolean }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const deciding = view.questions.filter((q) => q.decides);
  const others = onlyDeciding ? [] : view.questions.filter((q) => !q.decides);
  if (deciding.length + others.length === 0) return null;
  const answer = (field: MissingField, value: unknown) =>
    void run(
      () => send('answerFact', { job: view.job.slug, cable: view.cable, end: view.end }, field, value),
      'Answered. Everything was judged again.',
    );
  const list = (questions: readonly QuestionView[]) => (
    <ul className={styles.list}>
      {questions.map((question) => (
        <li key={question.fact} className={styles.question}>
          <p className={styles.words}>
            <b>{question.words}</b> <span className={styles.waiting}>{waitingWords(question)}</span>
          </p>
          <Answers question={question} view={view} busy={busy} onAnswer={answer} />
        </li>
      ))}
    </ul>
  );
  return (
    <section
      className={styles.box}
      aria-label="Open questions"
      data-deciding={deciding.length > 0 ? 'yes' : undefined}
    >
      {deciding.length > 0 ? (
        <>
          <h3 className={styles.title}>{count(deciding)} not known</h3>
          {list(deciding)}
        </>
      ) : null}
      {others.length > 0 ? (
        <details className={styles.others}>
          <summary>{count(others)} not known, and would not change the answer</summary>
          {list(others)}
        </details>
      ) : null}
      <Problems problems={problems} />
    </section>
  );
}

const count = (questions: readonly QuestionView[]): string =>
  questions.length === 1 ? 'One thing is' : `${questions.length} things are`;

/** What an answer comes to: the choice's sentence, or what becomes of the sizes that wait where the sentence stays the same. */
function outcomeWords(
  { decides }: QuestionView,
  { would, fits, refused }: QuestionView['options'][number],
): string {
  if (decides) return would;
  return [
    fits.length > 0 ? `${fits.join(', ')} would fit too` : '',
    refused.length > 0 ? `${refused.join(', ')} would be refused` : '',
  ]
    .filter((w) => w !== '')
    .join('; ');
}

function waitingWords({ waiting }: QuestionView): string {
  if (waiting.length === 0) return '';
  const some = waiting.slice(0, 3).join(', ');
  return waiting.length <= 3 ? `${some} wait for it.` : `${some} and ${waiting.length - 3} more wait for it.`;
}

interface AnswersProps {
  readonly question: QuestionView;
  readonly view: TerminationView;
  readonly busy: boolean;
  readonly onAnswer: (field: MissingField, value: unknown) => void;
}

function Answers({ question, view, busy, onAnswer }: AnswersProps) {
  const { fact, options } = question;
  const link = linkFor(question, view);
  if (!isField(fact) || link !== null)
    return link === null ? null : (
      <Button component={Link} href={link.href} variant="outlined" size="small">
        {link.words}
      </Button>
    );
  return (
    <>
      {fact === 'length' ? (
        <LengthAnswer busy={busy} onAnswer={(metres) => onAnswer('length', metres)} />
      ) : null}
      <ul className={styles.options}>
        {options.map((option) => (
          <li key={option.words} className={styles.option}>
            {fact === 'length' ? (
              <span className={styles.case}>{option.words}</span>
            ) : (
              <Button
                variant="outlined"
                size="small"
                disabled={busy}
                onClick={() => onAnswer(fact, option.value)}
                className={styles.pick}
              >
                {option.words}
              </Button>
            )}
            <span className={styles.would}>{outcomeWords(question, option)}</span>
          </li>
        ))}
      </ul>
      <p className={styles.hint}>{REACH[REACHES[fact]](view)}</p>
    </>
  );
}

/** Where a question is answered that has no list of answers: at the bench of measurements, or in the profile. */
function linkFor({ fact }: QuestionView, view: TerminationView) {
  if (fact === 'profile')
    return { href: `/job/${encodeURIComponent(view.job.slug)}/profile`, words: 'Open the code profile' };
  if (isField(fact)) return null;
  return { href: stationPath(view.job.slug, view.cable, view.end, 'measure'), words: 'Measure it' };
}

type Reach = 'type' | 'box' | 'cable' | 'profile';

/** How far an answer reaches. */
const REACH: Readonly<Record<Reach, (view: TerminationView) => string>> = {
  type: (view) => `Holds for every cable of type ${view.cableType.code}. Undo takes it back.`,
  box: (view) =>
    `Holds for every entry of ${view.place?.enclosure.tag ?? 'this box'}; it stands on its nameplate or in the area drawing. Undo takes it back.`,
  cable: (view) => `Route length of ${view.cable}, as in the schedule.`,
  profile: () => '',
};

const REACHES: Readonly<Record<MissingField, Reach>> = {
  compact: 'type',
  listings: 'type',
  armourMaterial: 'type',
  singleCoreAc: 'type',
  ignitionSource: 'box',
  gasGroup: 'box',
  dustGroup: 'box',
  zone: 'box',
  place: 'box',
  classGroup: 'box',
  wet: 'box',
  length: 'cable',
  profile: 'profile',
};

function LengthAnswer({
  busy,
  onAnswer,
}: {
  readonly busy: boolean;
  readonly onAnswer: (metres: number) => void;
}) {
  const [text, setText] = useState('');
  const read = parseLength(/[a-z]/i.test(text) ? text : `${text} m`);
  const metres = read.ok && text.trim() !== '' ? read.value.mm / 1000 : null;
  return (
    <form
      className={styles.length}
      onSubmit={(event) => {
        event.preventDefault();
        if (metres !== null && metres > 0) onAnswer(metres);
      }}
    >
      <label>
        Route length{' '}
        <input
          className={styles.number}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />{' '}
        m
      </label>
      <Button type="submit" variant="outlined" size="small" disabled={busy || metres === null || metres <= 0}>
        Keep
      </Button>
    </form>
  );
}
