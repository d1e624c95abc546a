'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { judgeTest, testVerdict, testWords, type TestAnswer } from '@/core/electrical-test';
import type { Verdict as Mark } from '@/core/gland-selection';
import { capital } from '@/core/kernel';
import { workInput } from '../../bench/use-work';
import { useInstrument } from '../../common/use-instrument';
import { useSend } from '../../data/use-send';
import { Acts } from '../../kit-of-parts/Acts';
import { Answer } from '../../kit-of-parts/Answer';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Problems } from '../../kit-of-parts/Problems';
import { TextField } from '../../kit-of-parts/TextField';
import { For } from '../../shell/may';
import { useRun } from '../../termination/use-run';
import { Looked } from '../../verdict/Looked';
import { NutMark } from '../../verdict/NutMark';
import type { TestProps } from './parts';
import type { Asked } from './test-form';

const MARKS: Readonly<Record<TestAnswer, Mark>> = { holds: 'fits', fails: 'misfit', ask: 'unknown' };
const LEADS: Readonly<Record<TestAnswer, string>> = {
  holds: 'Every line below holds, with the uncertainty of the instrument.',
  fails: 'Kept in the record all the same. This end cannot be signed until a later test holds.',
  ask: 'What is not known counts as not proven. Kept as it is, it stands in the way of the signature.',
};

interface Props extends Pick<TestProps, 'view'> {
  readonly asked: Asked;
  /** Something must happen first; null when nothing must. */
  readonly first?: string | null;
}

/** What a test comes to, as it is typed, and the act that keeps it. */
export function Judged({ view, asked, first: wait = null }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [instrument, setInstrument] = useInstrument('test' in asked ? asked.test.of : 'continuity');
  if ('lacking' in asked)
    return (
      <>
        <Answer words="Not judged yet" lead="Say on top:" />
        <PlainList ruled label="Not said yet">
          {asked.lacking.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </PlainList>
      </>
    );
  const { answer, findings } = judgeTest(asked.test);
  const first = view.plan === null ? 'Choose a gland first: a record stands on a plan.' : wait;
  const keep = () =>
    void run(
      () =>
        send(
          'work',
          { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end },
          workInput({ kind: 'test', test: asked.test, instrument }),
        ),
      answer === 'holds' ? 'In the record: it holds.' : 'In the record as it is.',
    );
  return (
    <>
      <Box data-answer={answer} sx={{ display: 'flex', gap: 1.5, mt: 2, mb: 1 }}>
        <Box sx={{ flex: 'none', pt: 0.5 }}>
          <NutMark verdict={MARKS[answer]} size={26} />
        </Box>
        <div>
          <Answer
            words={answer === 'holds' ? 'Holds' : capital(testVerdict(findings))}
            lead={LEADS[answer]}
          />
        </div>
      </Box>
      <For what="work" said>
        <Acts label="Keep the test">
          <TextField
            label="With which instrument"
            value={instrument}
            onChange={(e) => setInstrument(e.target.value)}
            slotProps={{ htmlInput: { maxLength: 60 } }}
            sx={{ width: 240 }}
          />
          <Button
            variant="contained"
            color="secondary"
            disabled={busy || first !== null || instrument.trim() === ''}
            onClick={keep}
          >
            Keep in the record
          </Button>
          {first === null && instrument.trim() !== '' ? null : (
            <span>{first ?? 'Say with which instrument: the record names it.'}</span>
          )}
        </Acts>
      </For>
      <Problems problems={problems} />
      <Looked findings={findings.map((f) => ({ verdict: f.verdict, words: testWords(f) }))} />
    </>
  );
}
