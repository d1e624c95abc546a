'use client';
import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { judgeGate, NOTHING_SAID, type GateAnswers, type Hazard } from '@/core/area-gate';
import type { Problem } from '@/core/kernel';
import { Caution } from '../../kit-of-parts/Caution';
import { Facts } from '../../kit-of-parts/Facts';
import type { PadKind } from '../../kit-of-parts/Keypad';
import { Problems } from '../../kit-of-parts/Problems';
import { PadField } from '../../kit-of-parts/PadField';
import { Segments } from '../../kit-of-parts/Segments';
import { HoldButton } from '../HoldButton';
import { BenchButtons, BenchDetail, BenchStep, BenchTitle } from '../parts';
import { Ticks } from '../Ticks';

interface Props {
  /** The area, and what is known of it. */
  readonly title: string;
  readonly hazard: Hazard;
  readonly facts: readonly (readonly [string, string])[];
  readonly lapsedMs: number | null;
  readonly onPass: (untilMs: number) => void;
  /** The way back. */
  readonly back: ReactNode;
}

const WAYS = [
  ['outside', 'It stays outside of any zone'],
  ['permit', 'It goes in, by permit'],
] as const;

/** Before any device is used in a classified area: where it stays, and what the permit and the gas test say of it. One page, asked again when it lapses. */
export function GatePage({ title, hazard, facts, lapsedMs, onPass, back }: Props) {
  const [answers, setAnswers] = useState<GateAnswers>(NOTHING_SAID);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const against = useRef<HTMLDivElement>(null);
  // On a phone it stands below what was typed: what keeps the gate shut must be seen.
  useEffect(() => {
    if (problems.length > 0) against.current?.scrollIntoView({ block: 'center' });
  }, [problems]);
  const say = (more: Partial<GateAnswers>) => {
    setAnswers({ ...answers, ...more });
    setProblems([]);
  };
  const pass = () => {
    const now = new Date();
    const judged = judgeGate(answers, hazard, now.getTime(), now.getHours() * 60 + now.getMinutes());
    if (judged.ok) onPass(judged.value.untilMs);
    else setProblems(judged.problems);
  };
  return (
    <BenchStep>
      <BenchTitle>{title}</BenchTitle>
      {lapsedMs === null ? null : (
        <Caution tone="hold">
          What was said here lapsed at{' '}
          {new Date(lapsedMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}: stop, and
          say it anew.
        </Caution>
      )}
      <BenchDetail>
        This tablet, its camera, testers, torches, heat guns and power tools are themselves ignition sources
        there.
      </BenchDetail>
      {facts.length > 0 ? <Facts facts={facts} /> : null}
      <Segments<'outside' | 'permit' | 'none'>
        label="Where this device stays"
        options={WAYS}
        value={answers.way ?? 'none'}
        onChange={(way) => say({ way: way === 'none' ? null : way })}
      />
      {answers.way === 'permit' ? <Permit answers={answers} hazard={hazard} onSay={say} /> : null}
      <div ref={against}>
        <Problems problems={problems} />
      </div>
      <BenchButtons>
        {back}
        <HoldButton disabled={answers.way === null} onConfirm={pass}>
          {answers.way === null
            ? 'Say where it stays first'
            : answers.way === 'outside'
              ? 'Hold: it stays outside'
              : 'Hold: permit covers this device'}
        </HoldButton>
      </BenchButtons>
    </BenchStep>
  );
}

interface PermitProps {
  readonly answers: GateAnswers;
  readonly hazard: Hazard;
  readonly onSay: (more: Partial<GateAnswers>) => void;
}

interface Asked {
  readonly name: 'permit' | 'permitUntil' | 'gasRead' | 'gasAllowed' | 'gasTestedAt' | 'gasStandsMin';
  readonly label: string;
  readonly kind?: PadKind;
  readonly unit?: string;
  readonly placeholder?: string;
}

const ASKED: readonly Asked[] = [
  { name: 'permit', label: 'Permit number', kind: 'code' },
  { name: 'permitUntil', label: 'Holds until', kind: 'code', placeholder: '16:00' },
];
const ASKED_OF_GAS: readonly Asked[] = [
  { name: 'gasRead', label: 'Gas test showed', unit: '% LEL' },
  { name: 'gasAllowed', label: 'Permit allows', unit: '% LEL' },
  { name: 'gasTestedAt', label: 'Tested at', kind: 'code', placeholder: '13:40' },
  { name: 'gasStandsMin', label: 'A test stands for', unit: 'min' },
];

function Permit({ answers, hazard, onSay }: PermitProps) {
  const ticks: readonly (readonly [keyof GateAnswers, string])[] = [
    ['coversTablet', 'The permit names this tablet with its camera'],
    ['coversTools', 'It names testers, torches and tools that are used here'],
    ...(hazard.dust
      ? [['dustGone', 'Dust is gone from where the work is, and none is stirred up'] as const]
      : []),
  ];
  return (
    <>
      <Box sx={FIELDS}>
        {[...ASKED, ...(hazard.gas ? ASKED_OF_GAS : [])].map(({ name, ...field }) => (
          <PadField
            key={name}
            name={name}
            {...field}
            value={answers[name]}
            onChange={(text) => onSay({ [name]: text })}
          />
        ))}
      </Box>
      <Ticks
        checks={ticks.map(([, words]) => words)}
        ticked={new Set(ticks.flatMap(([key], i) => (answers[key] === true ? [i] : [])))}
        onTick={(i) => {
          const [key] = ticks[i] ?? [];
          if (key !== undefined) onSay({ [key]: answers[key] !== true });
        }}
      />
    </>
  );
}

const FIELDS = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(min(210px, 100%), 1fr))',
  gap: 2,
  mt: 1,
} as const;
