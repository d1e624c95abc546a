'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { StagePlan } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import { LIT } from '../cut/CutTables';
import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import { StepNumber } from '../kit-of-parts/StepNumber';
import type { StationProps } from '../termination/station-props';
import { CoverBolts } from './CoverBolts';
import { Dial } from './Dial';
import { WrenchHead } from './WrenchHead';

const PHASES = {
  makeOff: { words: 'make-off, undone again', colour: 'info.main' },
  seat: { words: 'seat', colour: 'warning.main' },
  final: { words: 'final', colour: 'text.secondary' },
} as const;

const spanner = (mm: number | null) => (mm === null ? 'by hand' : `${trimNumber(mm, 1)} mm`);
const distinct = (values: readonly (number | null | undefined)[]): number[] => [
  ...new Set(values.filter((v): v is number => v !== null && v !== undefined)),
];

/** The stages of this size in this revision of its sheet, in order. Turns show travel; torque shows torque; neither becomes the other. */
export function TightenStation({ view, lit, onLight }: StationProps) {
  const plan = view.plan?.plan ?? view.preview;
  if (!plan) return <Answer words="Choose a gland first: its sheet says how to tighten." />;
  const spanners = distinct(plan.stages.flatMap((s) => [s.memberSpannerMm, s.heldSpannerMm]));
  const torques = distinct(plan.stages.map((s) => s.method.torqueNm));
  return (
    <>
      <Answer
        words={`${plan.stages.length} stages, spanner${spanners.length === 1 ? '' : 's'} ${spanners.map((s) => trimNumber(s, 1)).join(' and ')} mm.`}
        lead={`${plan.family.sheet}, revision ${plan.family.revision}. Another revision in the bag may ask for another last turn: stop and compare.`}
      />
      <Box
        component="ol"
        sx={{ listStyle: 'none', m: '0 0 16px', p: 0, borderTop: '2px solid', borderColor: 'divider' }}
      >
        {plan.stages.map((stage, i) => (
          <Box
            component="li"
            key={stage.id}
            onPointerEnter={() => onLight(`part.${stage.memberId}`)}
            onPointerLeave={() => onLight(null)}
            sx={{ ...STAGE, ...(lit === `part.${stage.memberId}` ? LIT : {}) }}
          >
            <StepNumber number={i + 1} state="next" />
            <What stage={stage} view={view} family={plan.family} />
            <Method stage={stage} />
          </Box>
        ))}
      </Box>
      {torques.length > 0 ? <WrenchHead targets={torques} /> : null}
      <CoverBolts />
      <Caution>The cable must not turn with the nut: support it at every stage.</Caution>
    </>
  );
}

const STAGE = {
  display: 'flex',
  flexWrap: { xs: 'wrap', sm: 'nowrap' },
  gap: 2,
  py: 1.5,
  borderBottom: '1px solid',
  borderColor: 'divider',
} as const;

interface WhatProps extends Pick<StationProps, 'view'> {
  readonly stage: StagePlan;
  readonly family: { readonly code: string; readonly revision: string };
}

/** What is turned against what, what is to be seen, and where other sheets differ. */
function What({ stage, view, family }: WhatProps) {
  const alike = view.lookAlikes[stage.id] ?? [];
  const phase = PHASES[stage.phase];
  return (
    <Box sx={{ flex: '1 1 200px', minWidth: 0 }}>
      <Typography sx={{ fontSize: 16, fontWeight: 650 }}>
        {stage.title}
        <Box
          component="span"
          sx={{
            ml: 1.25,
            px: 0.75,
            fontSize: 12.5,
            color: phase.colour,
            border: '2px solid',
            borderRadius: 1,
          }}
        >
          {phase.words}
        </Box>
      </Typography>
      <Typography>
        turn the <b>{stage.member}</b> ({spanner(stage.memberSpannerMm)}) · hold the <b>{stage.held}</b>
        {stage.heldSpannerMm === null ? '' : ` (${spanner(stage.heldSpannerMm)})`}
      </Typography>
      <Typography variant="quiet">See: {stage.see}</Typography>
      {alike.length > 0 ? (
        <details>
          <Box
            component="summary"
            sx={{ fontSize: 13, fontWeight: 600, color: 'var(--ac-amber-text)', cursor: 'pointer' }}
          >
            Other sheets differ here: this follows {family.code} revision {family.revision}
          </Box>
          {alike.map((a) => (
            <Typography key={`${a.family} ${a.revision}`} variant="quiet">
              {a.family} revision {a.revision}: {a.words}
            </Typography>
          ))}
        </details>
      ) : null}
      {stage.lubricant ? (
        <Typography variant="quiet">
          Thread lubricant: approved and non-setting, never on the cone or ring.
        </Typography>
      ) : null}
    </Box>
  );
}

function Method({ stage }: { readonly stage: StagePlan }) {
  return (
    <Box sx={METHOD}>
      <Typography sx={{ fontSize: 17, fontWeight: 700, lineHeight: 1.2 }}>{stage.words}</Typography>
      <Dial method={stage.method} />
      {stage.travelMm !== null ? (
        <Typography variant="quiet">the nut travels {trimNumber(stage.travelMm, 2)} mm</Typography>
      ) : null}
    </Box>
  );
}

const METHOD = {
  flex: 'none',
  display: 'grid',
  gridTemplateColumns: '1fr auto',
  alignItems: 'center',
  gap: '2px 10px',
  width: 236,
  textAlign: 'right',
  '& > :only-child': { gridColumn: '1 / -1' },
} as const;
