'use client';
import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { TEST_CAUTIONS, TEST_KINDS, testKindWords, type TestKind } from '@/core/electrical-test';
import { readBody, type EventBody, type EventView } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { RelativeTime } from '../../common/RelativeTime';
import { useLook } from '../../data/use-look';
import { Caution } from '../../kit-of-parts/Caution';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Section } from '../../kit-of-parts/Section';
import { Segments } from '../../kit-of-parts/Segments';
import type { StationProps } from '../../termination/station-props';
import { CableFacts } from './CableFacts';
import { ContinuityTest } from './ContinuityTest';
import { EarthTest } from './EarthTest';
import { InsulationTest } from './InsulationTest';
import { useTestForm } from './use-test-form';

type Kept = EventBody<'test'>;
const ANSWER_WORDS: Readonly<Record<Kept['answer'], string>> = {
  holds: 'holds',
  fails: 'fails',
  ask: 'not proven',
};

interface KeptTest {
  readonly at: number;
  readonly who: string;
  readonly body: Kept;
}

const testsIn = (events: readonly EventView[]): KeptTest[] =>
  events.flatMap((e): KeptTest[] => {
    const body = e.kind === 'test' ? readBody('test', e.body) : null;
    return body?.ok ? [{ at: Date.parse(e.receivedAt), who: e.actor, body: body.value }] : [];
  });

const otherEnd = ({ end }: Pick<TerminationView, 'end'>): 'A' | 'B' => (end === 'A' ? 'B' : 'A');

/** What was tested from the other end. */
function useAcross({ job, cable, end }: TerminationView): readonly KeptTest[] {
  const { view } = useLook(['viewTestsAcross', { job: job.slug, cable, end }]);
  return useMemo(() => testsIn(view ?? []), [view]);
}

/** The tests of a cable, measured from this end: what was read is judged as it is typed, and kept in the record with what it came to. */
export function TestsSection({ view }: Pick<StationProps, 'view'>) {
  const [of, setOf] = useState<TestKind>('continuity');
  const { form, change, ready } = useTestForm(view.job.slug, view.cable, view.cableType);
  const here = testsIn(view.events);
  const across = useAcross(view);
  // A test is of the cable: the last one counts, from whichever end.
  const all = [...here, ...across].sort((a, b) => a.at - b.at);
  const kept = here.map((t) => t.body);
  const stateOf = (kind: TestKind) => {
    const last = all.findLast((t) => t.body.of === kind);
    if (last === undefined) return 'not tested';
    return `${ANSWER_WORDS[last.body.answer]}${across.includes(last) ? ` at ${otherEnd(view)}` : ''}`;
  };
  const shared = { view, form, change };
  return (
    <Section title="Tests">
      {TEST_CAUTIONS.map((words) => (
        <Caution key={words} tone="hold">
          {words}
        </Caution>
      ))}
      <Box sx={{ mt: 1.5 }}>
        <Segments
          label="Test"
          value={of}
          onChange={setOf}
          options={TEST_KINDS.map((kind) => [kind, testKindWords(kind), stateOf(kind)] as const)}
        />
      </Box>
      {across.length > 0 ? (
        <PlainList label={`Tested from ${view.cable}/${otherEnd(view)}`}>
          {across.map((t) => (
            <li key={`${t.at} ${t.body.of}`}>
              From {view.cable}/{otherEnd(view)}: {testKindWords(t.body.of)} {ANSWER_WORDS[t.body.answer]},{' '}
              {t.body.verdict} ({t.who}, <RelativeTime at={new Date(t.at).toISOString()} />)
            </li>
          ))}
        </PlainList>
      ) : null}
      {ready ? (
        <>
          <CableFacts form={form} change={change} />
          {of === 'continuity' ? <ContinuityTest {...shared} /> : null}
          {of === 'earthPath' ? <EarthTest {...shared} /> : null}
          {of === 'insulation' ? <InsulationTest {...shared} kept={kept} /> : null}
        </>
      ) : null}
    </Section>
  );
}
