'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import {
  ARMOUR_WORDS,
  PURPOSE_WORDS,
  purposeOf,
  threadName,
  type ArmourKind,
  type Family,
} from '@/core/catalogue';
import type { IntervalMm, Problem } from '@/core/kernel';
import type { CatalogueCable } from '@/core/termination-view';
import { Cautions } from '../kit-of-parts/Cautions';
import { Facts } from '../kit-of-parts/Facts';
import { Problems } from '../kit-of-parts/Problems';
import { RangeChart, type ChartMark } from './RangeChart';

interface Props {
  readonly family: Family;
  readonly missing: readonly string[];
  /** Measured ends of the job; null where there is none, or they could not be read. */
  readonly cables: readonly CatalogueCable[] | null;
  /** Why they could not be read. */
  readonly notDrawn: readonly Problem[];
}

const marksOf = (
  cables: readonly CatalogueCable[] | null,
  of: (c: CatalogueCable) => IntervalMm | null,
): ChartMark[] | null =>
  cables?.flatMap((c) => {
    const interval = of(c);
    return interval === null ? [] : [{ tag: c.tag, interval, provisional: c.provisional }];
  }) ?? null;

const ORDER_WORDS = {
  packThenChamber: 'cores packed before the chamber goes over them',
  chamberThenPour: 'chamber on, then filled',
} as const;
const AFTER_WORDS = {
  openAndLook: 'opened and looked at when hard',
  inDoubt: 'chamber out only in doubt',
  noLook: 'not opened again',
} as const;

/** What its sheet says of a family, line by line. */
function factsOf(family: Family, missing: readonly string[]): (readonly [string, string])[] {
  const { certificate } = family;
  const compounds = family.sizes.flatMap((s) => s.chamber?.compounds.map((c) => c.product) ?? []);
  return [
    ['Kind', PURPOSE_WORDS[purposeOf(family)]],
    ['Takes', family.accepts.armour.map((a) => ARMOUR_WORDS[a]).join(', ')],
    ['Sheet', `${family.sheet.title}, revision ${family.sheet.revision}, ${family.sheet.issued}`],
    ['Certificate', certificateWords(certificate)],
    ['Entry', [...new Set(family.sizes.map((s) => threadName(s.entry.thread)))].join(', ')],
    ['Stages', family.stages.map((s) => s.title).join(' → ')],
    ...(family.seal
      ? [
          [
            'Compound',
            `${[...new Set(compounds)].join(' or ')}; ${ORDER_WORDS[family.seal.order]}; ${AFTER_WORDS[family.seal.afterCure]}`,
          ] as const,
        ]
      : []),
    [
      'State',
      missing.length === 0
        ? 'complete: marks and bench steps come from it'
        : `plan only: ${missing.join('; ')}`,
    ],
  ];
}

const certificateWords = (c: Family['certificate']): string =>
  [
    c.concepts.join(', '),
    c.zones.length > 0 ? `zones ${c.zones.join(', ')}` : '',
    (c.divisions ?? [])
      .map((d) => `class ${d.hazardClass} div. ${d.division} ${d.groups.join('')}`)
      .join(', '),
    [c.gasGroup, c.dustGroup].filter(Boolean).join(' '),
    c.ip.map((i) => `IP${i}`).join(' '),
    `${c.serviceMinC} to ${c.serviceMaxC} °C`,
  ]
    .filter((w) => w !== '')
    .join(' · ');

/** One family: what its sheet says, and its ranges with the job's cables drawn through them. */
export function FamilyPanel({ family, missing, cables, notDrawn }: Props) {
  const accepted = cables?.filter((c) => family.accepts.armour.includes(c.armour)) ?? null;
  const armours = [...new Set(family.sizes.flatMap((s) => s.rings.flatMap((r) => r.armour)))];
  return (
    <section aria-label={family.code}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.25 }}>
        <Typography variant="h2" sx={{ flex: '1 1 280px', fontSize: 21 }}>
          {family.code}{' '}
          <Typography component="span" variant="quiet" sx={{ fontWeight: 400 }}>
            {family.title}
          </Typography>
        </Typography>
        <Button component={Link} href={`/catalogue/edit/${family.code}`} variant="outlined" size="small">
          Type in a new sheet
        </Button>
        <Button href={`/api/catalogue/sizes?family=${family.code}`} variant="outlined" size="small" download>
          Sizes as CSV
        </Button>
      </Box>
      <Box sx={{ m: '10px 0 14px', fontSize: 13.5 }}>
        <Facts facts={factsOf(family, missing)} />
      </Box>
      <Typography variant="quiet" sx={{ maxWidth: 720, mb: 1.25 }}>
        Bars are what a size takes, filled where it takes a cable of the job; amber lines are the measured
        cables, dashed where only a datasheet is known; the number is how many ends lie wholly inside.
      </Typography>
      {notDrawn.length > 0 ? (
        <Box sx={{ mb: 1.5 }}>
          <Typography sx={{ mb: 0.5 }}>No cable is drawn, since none could be read:</Typography>
          <Problems problems={notDrawn} />
        </Box>
      ) : null}
      <Chart
        title="Outer seal, mm"
        rows={family.sizes.map((s) => [s.code, s.outerSeal])}
        marks={marksOf(accepted, (c) => c.outer)}
      />
      <Chart
        title="Inner seal, mm"
        rows={family.sizes.map((s) => [s.code, s.innerSeal])}
        marks={marksOf(accepted, (c) => c.inner)}
      />
      {armours.map((armour) => (
        <ArmourChart key={armour} family={family} armour={armour} cables={accepted} />
      ))}
      <Chart
        title="Chamber, over the laid-up cores, mm"
        rows={family.sizes.map((s) => [
          s.code,
          s.chamber ? { min: 0, max: s.chamber.maxOverCoresMm } : undefined,
        ])}
        marks={marksOf(accepted, (c) => c.cores)}
      />
      <Cautions cautions={family.cautions} />
    </section>
  );
}

function Chart({
  title,
  rows,
  marks,
}: {
  readonly title: string;
  readonly rows: readonly (readonly [string, IntervalMm | undefined])[];
  readonly marks: readonly ChartMark[] | null;
}) {
  const given = rows.flatMap(([code, range]) => (range ? [{ code, range }] : []));
  return given.length === 0 ? null : <RangeChart title={title} rows={given} marks={marks} decimals={1} />;
}

function ArmourChart({
  family,
  armour,
  cables,
}: {
  readonly family: Family;
  readonly armour: ArmourKind;
  readonly cables: readonly CatalogueCable[] | null;
}) {
  const clad = armour === 'interlocked' || armour === 'corrugated';
  const rows = family.sizes.flatMap((s) =>
    s.rings
      .filter((r) => r.armour.includes(armour))
      .map((r) => ({ code: s.code, range: r.range, ...(r.face === 'plain' ? {} : { note: r.face }) })),
  );
  return (
    <RangeChart
      title={`${clad ? 'Earthing ring, over' : 'Ring,'} ${ARMOUR_WORDS[armour]}, mm`}
      rows={rows}
      marks={marksOf(cables?.filter((c) => c.armour === armour) ?? null, (c) => c.armourMm)}
      decimals={clad ? 1 : 2}
    />
  );
}
