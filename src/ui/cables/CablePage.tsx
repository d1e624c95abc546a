'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { ARMOUR_NAMES } from '@/core/catalogue';
import { trimNumber } from '@/core/units';
import { STATION_WORDS } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { CableSectionDrawing } from '../cable-types/Section';
import { Collar, collarWords } from '../collar/Collar';
import { Both } from '../common/Both';
import { diameterTexts, lengthTexts } from '../common/unit';
import { useLook } from '../data/use-look';
import { Caution } from '../kit-of-parts/Caution';
import { Facts } from '../kit-of-parts/Facts';
import { Place } from '../kit-of-parts/Place';
import { Section } from '../kit-of-parts/Section';
import { To } from '../kit-of-parts/To';
import { Way } from '../kit-of-parts/Way';
import { stationPath } from '../rack/summaries';
import { boxPath } from '../boxes/box-path';
import { Cores } from './Cores';

interface Props {
  readonly first: readonly [TerminationView, TerminationView];
}

/** One cable with both its ends side by side: where each goes, what each measures, what is chosen, and what comes next. */
export function CablePage({ first }: Props) {
  const ref = (end: 'A' | 'B') => ({ job: first[0].job.slug, cable: first[0].cable, end });
  const a = useLook(['viewTermination', ref('A')]).view ?? first[0];
  const b = useLook(['viewTermination', ref('B')]).view ?? first[1];
  const base = `/job/${encodeURIComponent(a.job.slug)}`;
  return (
    <Place
      title={a.cable}
      way={<Way from={[['Schedule', `${base}/schedule`]]} here={a.cable} />}
      lead={`${a.cableType.title}${a.note === '' ? '' : `. ${a.note}`}`}
    >
      <Stack direction={{ xs: 'column', sm: 'row' }} sx={{ gap: 3, alignItems: 'flex-start', mb: 2 }}>
        <CableSectionDrawing type={a.cableType} size={148} />
        <Facts
          facts={[
            ['Type', a.cableType.code],
            ['Cores', `${a.cableType.cores} × ${a.cableType.coreSectionMm2} mm²`],
            ['Armour', ARMOUR_NAMES[a.cableType.armour]],
            ['Route', a.routeMm === null ? 'not known' : `${trimNumber(a.routeMm / 1000, 1)} m`],
          ]}
        />
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: '0 36px' }}>
        <OneEnd view={a} />
        <OneEnd view={b} />
      </Box>
      <Section title="Cores at both ends">
        <Cores a={a} b={b} />
      </Section>
    </Place>
  );
}

function OneEnd({ view }: { readonly view: TerminationView }) {
  const { place, plan, collar } = view;
  const next = collar.next?.station ?? 'prove';
  return (
    <Section title={`End ${view.end}`}>
      <Stack direction="row" sx={{ gap: 2, alignItems: 'flex-start' }}>
        <Collar arcs={collar.arcs} size={72} />
        <Box sx={{ minWidth: 0 }}>
          <Typography component="p" sx={{ fontWeight: 650 }}>
            <To href={stationPath(view.job.slug, view.cable, view.end, next)}>
              {collar.next === null
                ? 'Nothing is left to do here'
                : `${STATION_WORDS[collar.next.station]}: ${collar.next.action}`}
            </To>
          </Typography>
          <Typography variant="quiet" component="p" color="text.secondary">
            {collarWords(collar.arcs)}
          </Typography>
        </Box>
      </Stack>
      {view.stale ? <Caution tone="marginal">What this end is planned on has changed since.</Caution> : null}
      {collar.blockedBy === null ? null : <Caution>{collar.blockedBy}</Caution>}
      <Box sx={{ mt: 1.5 }}>
        <Facts
          facts={[
            [
              'Goes to',
              place === null ? (
                'no entry yet'
              ) : (
                <>
                  <To href={boxPath(view.job.slug, place.enclosure.tag)}>{place.enclosure.tag}</To>/
                  {place.entry.label}, {place.area}
                </>
              ),
            ],
            [
              'Farthest terminal',
              view.tailMm === null ? 'not known' : <Both texts={lengthTexts(view.tailMm)} />,
            ],
            ['Spare tail', <Both key="spare" texts={lengthTexts(view.spareMm)} />],
            ...view.needed.map(
              (q) => [capital(QUANTITY_WORDS[q]), <Measured key={q} view={view} quantity={q} />] as const,
            ),
            ['Size', plan === null ? 'not chosen' : `${plan.plan.size}, by ${plan.actor}`],
          ]}
        />
      </Box>
    </Section>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function Measured({
  view,
  quantity,
}: {
  readonly view: TerminationView;
  readonly quantity: TerminationView['needed'][number];
}) {
  const m = view.measured[quantity];
  if (m === null)
    return (
      <Box component="b" sx={{ fontWeight: 600, color: 'error.main' }}>
        not measured
      </Box>
    );
  return (
    <>
      <Both texts={diameterTexts(m.interval.min, m.interval.max)} />
      {m.provisional ? ', datasheet only' : ''}
    </>
  );
}
