'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from '../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useState } from 'react';
import { MISSING_FIELDS, type MissingField, type QuestionView } from '@/core/gland-selection';
import type { TerminationView } from '@/core/termination-view';
import { parseLength } from '@/core/units';
import { Acts } from '../kit-of-parts/Acts';
import { PlainList } from '../kit-of-parts/PlainList';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';
import { useSend } from '../data/use-send';
import { useWhoElse } from '../shell/may';

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
    <PlainList>
      {questions.map((question) => (
        <Box
          component="li"
          key={question.fact}
          sx={{ '& + &': { mt: 1, pt: 1, borderTop: '1px solid', borderColor: 'divider' } }}
        >
          <Typography sx={{ mb: 0.75 }}>
            <b>{question.words}</b>{' '}
            <Typography component="span" variant="quiet">
              {waitingWords(question)}
            </Typography>
          </Typography>
          <Answers question={question} view={view} busy={busy} onAnswer={answer} />
        </Box>
      ))}
    </PlainList>
  );
  return (
    <Box
      component="section"
      aria-label="Open questions"
      sx={{
        my: 1,
        p: '8px 12px',
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'divider',
        borderLeft: '5px solid',
        borderLeftColor: deciding.length > 0 ? 'warning.main' : 'divider',
        borderRadius: 1,
      }}
    >
      {deciding.length > 0 ? (
        <>
          <Typography variant="h3" sx={{ fontSize: 15 }}>
            {count(deciding)} not known
          </Typography>
          {list(deciding)}
        </>
      ) : null}
      {others.length > 0 ? (
        <details>
          <Box component="summary" sx={{ minHeight: 28, fontSize: 14, cursor: 'pointer' }}>
            {count(others)} not known, and would not change the answer
          </Box>
          {list(others)}
        </details>
      ) : null}
      <Problems problems={problems} />
    </Box>
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
  const others = useWhoElse('answerFact');
  if (!isField(fact) || link !== null)
    return link === null ? null : (
      <Button component={Link} href={link.href} variant="outlined" size="small">
        {link.words}
      </Button>
    );
  return (
    <>
      {fact === 'length' && others === undefined ? (
        <LengthAnswer busy={busy} onAnswer={(metres) => onAnswer('length', metres)} />
      ) : null}
      <PlainList>
        {options.map((option) => (
          <Box component="li" key={option.words} sx={OPTION}>
            {fact === 'length' || others !== undefined ? (
              <b>{option.words}</b>
            ) : (
              <Button
                variant="outlined"
                size="small"
                disabled={busy}
                onClick={() => onAnswer(fact, option.value)}
                sx={{ justifyContent: 'flex-start' }}
              >
                {option.words}
              </Button>
            )}
            <Typography component="span" variant="body2">
              {outcomeWords(question, option)}
            </Typography>
          </Box>
        ))}
      </PlainList>
      <Typography variant="quiet">
        {REACH[REACHES[fact]](view)}
        {others === undefined ? '' : ` For a ${others} to answer.`}
      </Typography>
    </>
  );
}

const OPTION = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr', sm: '200px 1fr' },
  alignItems: 'baseline',
  gap: '4px 12px',
  py: 0.375,
} as const;

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
  temperatureClass: 'box',
  wet: 'box',
  length: 'cable',
  profile: 'profile',
};

interface LengthProps {
  readonly busy: boolean;
  readonly onAnswer: (metres: number) => void;
}

function LengthAnswer({ busy, onAnswer }: LengthProps) {
  const [text, setText] = useState('');
  const read = parseLength(/[a-z]/i.test(text) ? text : `${text} m`);
  const metres = read.ok && text.trim() !== '' ? read.value.mm / 1000 : null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (metres !== null && metres > 0) onAnswer(metres);
      }}
    >
      <Acts>
        <TextField
          label="Route length"
          value={text}
          onChange={(e) => setText(e.target.value)}
          slotProps={{
            htmlInput: { inputMode: 'decimal' },
            input: { endAdornment: <InputAdornment position="end">m</InputAdornment> },
          }}
          sx={{ width: 130 }}
        />
        <Button
          type="submit"
          variant="outlined"
          size="small"
          disabled={busy || metres === null || metres <= 0}
        >
          Keep
        </Button>
      </Acts>
    </form>
  );
}
