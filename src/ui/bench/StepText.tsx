import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { isHoldPoint, type Step } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { BenchDetail, BenchTitle, PHONE } from './parts';

/** The title of a step that has just come up takes the focus when it has gone to nobody, so that it is read out and Tab goes on from there. */
const announce = (title: HTMLElement | null): void => {
  if (title !== null && (document.activeElement === null || document.activeElement === document.body))
    title.focus({ preventScroll: true });
};

const STATES = {
  done: { words: 'done', color: 'var(--ac-amber-text)' },
  later: { words: 'comes later', color: 'text.secondary' },
} as const;

interface Props {
  readonly step: Step;
  readonly at: number;
  readonly of: number;
  readonly state: 'done' | 'now' | 'later';
  readonly children: ReactNode;
}

/** What a step asks for: its number from two metres, how, why, and what to mind. */
export function StepText({ step, at, of, state, children }: Props) {
  const { list = [] } = step;
  return (
    <>
      <Box component="p" sx={{ display: 'flex', gap: 1.5, m: 0, color: 'text.secondary' }}>
        {step.end === undefined ? null : (
          <Box component="b" sx={{ color: 'text.primary' }}>
            {step.end}
          </Box>
        )}
        step {at + 1} of {of}
        {isHoldPoint(step) ? (
          <Box component="b" sx={{ color: 'info.main' }}>
            hold point
          </Box>
        ) : null}
        {state === 'now' ? null : (
          <Box component="b" sx={{ color: STATES[state].color }}>
            {STATES[state].words}
          </Box>
        )}
      </Box>
      <BenchTitle titleRef={announce}>{step.title}</BenchTitle>
      {step.figure ? <Figure figure={step.figure} /> : null}
      {children}
      <BenchDetail>
        {step.tool ? <b>{step.tool}. </b> : null}
        {step.detail}
      </BenchDetail>
      <Typography sx={{ mt: '-6px', fontSize: 16, color: 'text.secondary' }}>{step.reason}</Typography>
      {list.length > 0 ? (
        <Box component="ol" sx={{ m: 0, pl: 3.75, fontSize: 20, fontWeight: 600, lineHeight: 1.6 }}>
          {list.map((item) => (
            <li key={item}>{item}</li>
          ))}
        </Box>
      ) : null}
      {step.caution ? <Caution>{step.caution}</Caution> : null}
    </>
  );
}

const Figure = ({ figure }: { readonly figure: NonNullable<Step['figure']> }) => (
  <Box
    component="p"
    sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px', m: 0, lineHeight: 1 }}
  >
    <Box
      component="span"
      sx={{ fontSize: 'clamp(64px, 21cqw, 150px)', fontWeight: 700, color: 'var(--ac-amber-text)' }}
    >
      {figure.value}
    </Box>
    <Box component="span" sx={{ fontSize: 40, fontWeight: 650, color: 'text.secondary' }}>
      {figure.unit}
    </Box>
    {figure.second ? (
      <Box
        component="span"
        sx={{ ml: 1.25, fontSize: 24, fontWeight: 600, color: 'text.secondary', [PHONE]: { ml: 0 } }}
      >
        {figure.second}
      </Box>
    ) : null}
  </Box>
);

/** What has to be seen, only to be read. */
export const Seen = ({ checks }: { readonly checks: readonly string[] }) => (
  <Box component="ul" sx={{ m: 0, pl: 3, lineHeight: 1.6 }}>
    {checks.map((c) => (
      <li key={c}>{c}</li>
    ))}
  </Box>
);
