import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { isHoldPoint, type ArcStation, type Step } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { StepNumber } from '../kit-of-parts/StepNumber';

interface Props {
  readonly view: TerminationView;
  readonly station: ArcStation;
}

type State = 'done' | 'next' | null;

/** Steps of one station as the bench will show them, with what is done. */
export function StepList({ view, station }: Props) {
  const done = new Set(view.done);
  const stateOf = (id: string): State => (done.has(id) ? 'done' : view.nextStep === id ? 'next' : null);
  return (
    <Box
      component="ol"
      sx={{ listStyle: 'none', m: '0 0 16px', p: 0, borderTop: '2px solid', borderColor: 'divider' }}
    >
      {view.steps.map((step, i) =>
        step.station === station && (step.end === undefined || step.end === view.tag) ? (
          <Line key={step.id} step={step} number={i + 1} state={stateOf(step.id)} />
        ) : null,
      )}
    </Box>
  );
}

interface LineProps {
  readonly step: Step;
  readonly number: number;
  readonly state: State;
}

function Line({ step, number, state }: LineProps) {
  const { list = [], checks = [] } = step;
  return (
    <Box
      component="li"
      sx={{ display: 'flex', gap: 1.75, py: 1.25, borderBottom: '1px solid', borderColor: 'divider' }}
    >
      <StepNumber number={number} state={state} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.25, fontWeight: 650 }}>
          {step.title}
          {isHoldPoint(step) ? <HoldPoint /> : null}
          <Typography component="span" variant="quiet" sx={{ ml: 'auto', fontWeight: 400 }}>
            {state ?? ''}
          </Typography>
        </Box>
        {step.figure ? (
          <Typography sx={{ fontSize: 19, fontWeight: 700 }}>
            {step.figure.value} {step.figure.unit}{' '}
            <Typography component="span" variant="quiet">
              {step.figure.second}
            </Typography>
          </Typography>
        ) : null}
        <Typography>{step.detail}</Typography>
        <Typography variant="quiet">Why: {step.reason}</Typography>
        {list.length > 0 ? (
          <Box component="ol" sx={{ my: 0.5, pl: 2.75 }}>
            {list.map((item) => (
              <li key={item}>{item}</li>
            ))}
          </Box>
        ) : null}
        {checks.length > 0 ? <Typography variant="quiet">See: {checks.join(' · ')}</Typography> : null}
        {step.caution ? (
          <Typography sx={{ fontSize: 13, color: 'error.main' }}>{step.caution}</Typography>
        ) : null}
      </Box>
    </Box>
  );
}

const HoldPoint = () => (
  <Box
    component="span"
    sx={{
      px: 0.75,
      fontSize: 12.5,
      whiteSpace: 'nowrap',
      color: 'info.main',
      border: '2px solid',
      borderRadius: 1,
    }}
  >
    hold point
  </Box>
);
