'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { measuringBy } from '@/core/cable-measurement';
import {
  judgeTest,
  testVerdict,
  testWords,
  uncertaintyOf,
  withRegistered,
  type TestAnswer,
  type TestKind,
} from '@/core/electrical-test';
import type { Verdict as Mark } from '@/core/gland-selection';
import { capital } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import { workInput } from '../../bench/use-work';
import { useInstrument } from '../../common/use-instrument';
import { useSend } from '../../data/use-send';
import { Acts } from '../../kit-of-parts/Acts';
import { Answer } from '../../kit-of-parts/Answer';
import { Caution } from '../../kit-of-parts/Caution';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Problems } from '../../kit-of-parts/Problems';
import { TextField } from '../../kit-of-parts/TextField';
import { For } from '../../shell/may';
import { useRun } from '../../termination/use-run';
import { Looked } from '../../verdict/Looked';
import { NutMark } from '../../verdict/NutMark';
import type { TestProps } from './parts';
import { withoutReadings, type Asked } from './test-form';

const MARKS: Readonly<Record<TestAnswer, Mark>> = { holds: 'fits', fails: 'misfit', ask: 'unknown' };
const LEADS: Readonly<Record<TestAnswer, string>> = {
  holds: 'Every line below holds, with the uncertainty of the instrument.',
  fails: 'Kept in the record all the same. This end cannot be signed until a later test holds.',
  ask: 'What is not known counts as not proven. Kept as it is, it stands in the way of the signature.',
};

interface Props extends TestProps {
  readonly of: TestKind;
  readonly asked: Asked;
  /** Something must happen first; null when nothing must. */
  readonly first?: string | null;
}

/** What a test comes to, as it is typed, and the act that keeps it. */
export function Judged({ view, of, form, change, asked, first: wait = null }: Props) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [typed, setInstrument] = useInstrument(of);
  const simulated = form.simulated[of];
  const instrument = simulated ?? typed;
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
  const test = withRegistered(asked.test, measuringBy(view.job.rules).worth, instrument);
  const { answer, findings } = judgeTest(test);
  const [said, counted] = [uncertaintyOf(asked.test), uncertaintyOf(test)];
  const first = view.plan === null ? 'Choose a gland first: a record stands on a plan.' : wait;
  const keep = () =>
    void run(
      () =>
        send(
          'work',
          { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end },
          workInput({ kind: 'test', test, instrument }),
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
            disabled={simulated !== undefined}
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
        {counted.value > said.value ? (
          <p>
            Counted with ± {trimNumber(counted.value, 3)} {counted.unit}, as the register says of it.
          </p>
        ) : null}
        {simulated === undefined ? null : (
          <>
            <Caution tone="hold">
              Figures of a simulator stand above: nothing was measured, and no end is signed on them.
            </Caution>
            <Acts label="Measure it">
              <Button variant="outlined" onClick={() => change(withoutReadings(form, of))}>
                Clear what was read
              </Button>
            </Acts>
          </>
        )}
      </For>
      <Problems problems={problems} />
      <Looked findings={findings.map((f) => ({ verdict: f.verdict, words: testWords(f) }))} />
    </>
  );
}
