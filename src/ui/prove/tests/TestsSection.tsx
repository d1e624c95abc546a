'use client';
import Box from '@mui/material/Box';
import { useState } from 'react';
import { TEST_CAUTIONS, TEST_KINDS, testKindWords, type TestKind } from '@/core/electrical-test';
import { readBody, type EventBody } from '@/core/record';
import { Caution } from '../../kit-of-parts/Caution';
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

/** The tests of a cable, measured from this end: what was read is judged as it is typed, and kept in the record with what it came to. */
export function TestsSection({ view }: Pick<StationProps, 'view'>) {
  const [of, setOf] = useState<TestKind>('continuity');
  const { form, change, ready } = useTestForm(view.job.slug, view.cable, view.cableType);
  const kept = view.events.flatMap((e): Kept[] => {
    const body = e.kind === 'test' ? readBody('test', e.body) : null;
    return body?.ok ? [body.value] : [];
  });
  const stateOf = (kind: TestKind) => {
    const last = kept.findLast((t) => t.of === kind);
    return last === undefined ? 'not tested' : ANSWER_WORDS[last.answer];
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
