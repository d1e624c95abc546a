'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { planBatches, potLife, type BatchPlan } from '@/core/compound-cure';
import { ok, refuse, type Result } from '@/core/kernel';
import type { CompoundEnd, CompoundView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { readNumber } from '../../common/read-number';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Problems } from '../../kit-of-parts/Problems';
import { Section } from '../../kit-of-parts/Section';
import { Tick } from '../../kit-of-parts/Tick';
import { To } from '../../kit-of-parts/To';
import { minutesWords, readTemperature } from '../station/clock-words';

export type BatchTexts = Readonly<Record<'temp' | 'perPour' | 'people', string>>;

interface Props {
  readonly job: string;
  readonly product: string;
  readonly ends: readonly CompoundEnd[];
  readonly left: ReadonlySet<string>;
  readonly onToggle: (tag: string) => void;
  readonly texts: BatchTexts;
  readonly view: CompoundView;
}

type Planned = Result<{ readonly batches: BatchPlan; readonly pot: string }>;

function planOf(
  product: string,
  compound: CompoundView['compounds'][number] | undefined,
  ends: readonly CompoundEnd[],
  texts: BatchTexts,
): Planned {
  const tempC = readTemperature(texts.temp);
  if (!compound) return refuse('compound', `${product} is not in the catalogue any more`);
  if (tempC === null) return refuse('temp', 'the temperature of the work is not a number');
  const pot = potLife(compound.potLife, tempC);
  if (!pot.ok) return pot;
  const batches = planBatches({
    pours: ends.map((e) => ({ tag: e.tag, ml: e.seal.needMl })),
    compound,
    potLifeMinutes: pot.value.minutes,
    minutesPerPour: readNumber(texts.perPour),
    people: readNumber(texts.people),
  });
  return batches.ok ? ok({ batches: batches.value, pot: pot.value.words }) : batches;
}

/** One compound: the ends that wait for it, in as few mixes as their pot life and the hands that pour allow. */
export function Batches({ job, product, ends, left, onToggle, texts, view }: Props) {
  const compound = view.compounds.find((c) => c.product === product);
  const plan = useMemo(
    () =>
      planOf(
        product,
        compound,
        ends.filter((e) => !left.has(e.tag)),
        texts,
      ),
    [compound, product, ends, left, texts],
  );
  const taken = ends.filter((e) => !left.has(e.tag)).length;
  return (
    <Section label={product} title={`${product}${plan.ok && taken > 0 ? mixWords(plan.value.batches) : ''}`}>
      {plan.ok ? (
        <Typography variant="quiet">
          Pot life {plan.value.pot}. {trimNumber(plan.value.batches.totalMl, 1)} mL in all,{' '}
          {minutesWords(plan.value.batches.minutes)} from the first mixing to the last pour.
        </Typography>
      ) : (
        <Problems problems={plan.problems} />
      )}
      <Box sx={COLUMNS}>
        <PlainList ruled label="Ends">
          {ends.map((e) => (
            <Box component="li" key={e.tag} sx={{ display: 'flex', alignItems: 'center', gap: 1.75 }}>
              <Box sx={{ flex: 1 }}>
                <Tick
                  checked={!left.has(e.tag)}
                  onChange={() => onToggle(e.tag)}
                  label={
                    <>
                      <b>{e.tag}</b>{' '}
                      <Typography component="span" variant="quiet">
                        {e.size} · {e.place}
                      </Typography>
                    </>
                  }
                />
              </Box>
              <Box component="b" sx={{ whiteSpace: 'nowrap' }}>
                {trimNumber(e.seal.needMl, 1)} mL
              </Box>
              <To href={`/job/${encodeURIComponent(job)}/bench/${encodeURIComponent(e.cable)}/${e.end}`}>
                Bench
              </To>
            </Box>
          ))}
        </PlainList>
        {plan.ok ? <Mixes plan={plan.value.batches} byPerson={readNumber(texts.people) > 1} /> : null}
      </Box>
    </Section>
  );
}

const mixWords = ({ mixes, perMix }: BatchPlan): string =>
  `: ${mixes.length} mix${mixes.length === 1 ? '' : 'es'}, up to ${perMix} ends each`;

interface MixesProps {
  readonly plan: BatchPlan;
  readonly byPerson: boolean;
}

/** Each mix with its packs, and who pours what from when to when. */
const Mixes = ({ plan, byPerson }: MixesProps) => (
  <PlainList label="Mixes">
    {plan.mixes.map((mix, i) => (
      <Box component="li" key={i} sx={MIX}>
        <b>
          Mix {i + 1}: {mix.packs.packs.map((p) => `${p.count} × ${p.part}`).join(', ')}
        </b>
        <Typography variant="quiet">
          {trimNumber(mix.ml, 1)} mL, {trimNumber(mix.packs.leftoverMl, 1)} mL left over,{' '}
          {trimNumber(mix.marginMinutes, 1)} min of pot life to spare
        </Typography>
        {mix.pours.map((p) => (
          <Box key={p.tag} sx={{ display: 'grid', gridTemplateColumns: '96px 90px 1fr', gap: 1.25, py: 0.5 }}>
            <span>
              {trimNumber(p.fromMinute, 1)}–{trimNumber(p.toMinute, 1)} min
            </span>
            <b>{p.tag}</b>
            <Typography component="span" variant="quiet">
              {trimNumber(p.ml, 1)} mL{byPerson ? ` · person ${p.person}` : ''}
            </Typography>
          </Box>
        ))}
      </Box>
    ))}
  </PlainList>
);

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
  gap: '0 40px',
  mt: 1,
} as const;
const MIX = {
  mb: 1.25,
  p: '8px 14px',
  border: '2px solid',
  borderColor: 'divider',
  borderLeft: '6px solid',
  borderLeftColor: 'secondary.main',
  borderRadius: 1,
} as const;
