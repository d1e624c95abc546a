'use client';
import Link from 'next/link';
import {
  ARMOUR_WORDS,
  PURPOSE_WORDS,
  purposeOf,
  threadName,
  type ArmourKind,
  type Family,
} from '@/core/catalogue';
import type { IntervalMm } from '@/core/kernel';
import type { CatalogueCable } from '@/core/termination-view';
import { RangeChart, type ChartMark } from './RangeChart';
import styles from './CataloguePage.module.css';

interface Props {
  readonly family: Family;
  readonly missing: readonly string[];
  readonly cables: readonly CatalogueCable[];
}

const marksOf = (
  cables: readonly CatalogueCable[],
  of: (c: CatalogueCable) => IntervalMm | null,
): ChartMark[] =>
  cables.flatMap((c) => {
    const interval = of(c);
    return interval === null ? [] : [{ tag: c.tag, interval, provisional: c.provisional }];
  });

const ORDER_WORDS = {
  packThenChamber: 'cores packed before the chamber goes over them',
  chamberThenPour: 'chamber on, then filled',
} as const;
const AFTER_WORDS = {
  openAndLook: 'opened and looked at when hard',
  inDoubt: 'chamber out only in doubt',
  noLook: 'not opened again',
} as const;

/** One family: what its sheet says, and its ranges with the job's cables drawn through them. */
export function FamilyPanel({ family, missing, cables }: Props) {
  const accepted = cables.filter((c) => family.accepts.armour.includes(c.armour));
  const { certificate } = family;
  const armours = [...new Set(family.sizes.flatMap((s) => s.rings.flatMap((r) => r.armour)))];
  const facts: readonly (readonly [string, string])[] = [
    ['Kind', PURPOSE_WORDS[purposeOf(family)]],
    ['Takes', family.accepts.armour.map((a) => ARMOUR_WORDS[a]).join(', ')],
    ['Sheet', `${family.sheet.title}, revision ${family.sheet.revision}, ${family.sheet.issued}`],
    [
      'Certificate',
      [
        certificate.concepts.join(', '),
        certificate.zones.length > 0 ? `zones ${certificate.zones.join(', ')}` : '',
        (certificate.divisions ?? [])
          .map((d) => `class ${d.hazardClass} div. ${d.division} ${d.groups.join('')}`)
          .join(', '),
        [certificate.gasGroup, certificate.dustGroup].filter(Boolean).join(' '),
        certificate.ip.map((i) => `IP${i}`).join(' '),
        `${certificate.serviceMinC} to ${certificate.serviceMaxC} °C`,
      ]
        .filter((w) => w !== '')
        .join(' · '),
    ],
    ['Entry', [...new Set(family.sizes.map((s) => threadName(s.entry.thread)))].join(', ')],
    ['Stages', family.stages.map((s) => s.title).join(' → ')],
    ...(family.seal
      ? [
          [
            'Compound',
            `${[...new Set(family.sizes.flatMap((s) => s.chamber?.compounds.map((c) => c.product) ?? []))].join(' or ')}; ${ORDER_WORDS[family.seal.order]}; ${AFTER_WORDS[family.seal.afterCure]}`,
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
  return (
    <section className={styles.panel} aria-label={family.code}>
      <div className={styles.panelHead}>
        <h2>
          {family.code} <span className={styles.quiet}>{family.title}</span>
        </h2>
        <Link className={styles.button} href={`/catalogue/edit/${family.code}`}>
          Type in a new sheet
        </Link>
        <a className={styles.button} href={`/api/catalogue/sizes?family=${family.code}`} download>
          Sizes as CSV
        </a>
      </div>
      <dl className={styles.facts}>
        {facts.map(([term, text]) => (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      <p className={styles.legend}>
        Bars are what a size takes, filled where it takes a cable of the job; amber lines are the measured
        cables, dashed where only a datasheet is known; the number is how many ends lie wholly inside.
      </p>
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
      <ul className={styles.cautions}>
        {family.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
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
  readonly marks: readonly ChartMark[];
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
  readonly cables: readonly CatalogueCable[];
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
      marks={marksOf(
        cables.filter((c) => c.armour === armour),
        (c) => c.armourMm,
      )}
      decimals={clad ? 1 : 2}
    />
  );
}
