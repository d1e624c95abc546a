'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { KINDS, type CrossingKindId, type CrossingPart, type Made } from '@/core/crossing';
import { SEAL_CAUTIONS, wrappedWords } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { Cautions } from '../../kit-of-parts/Cautions';
import { Empty } from '../../kit-of-parts/Empty';
import { Facts } from '../../kit-of-parts/Facts';
import { Pane, Panes } from '../../kit-of-parts/Panes';
import { PlainList } from '../../kit-of-parts/PlainList';
import { SealFiles } from './SealFiles';
import { SealFindings } from './SealVerdict';
import type { SealMade, SealSession } from './use-seal';

const SealLater = dynamic(() => import('./SealLater').then((m) => m.SealLater));

const SealStubs = dynamic(() => import('./SealStubs').then((m) => m.SealStubs));

const PANES = [
  ['why', 'Why'],
  ['needs', 'What it needs'],
  ['later', 'Later'],
  ['stubs', 'Several stubs'],
  ['files', 'Files'],
] as const;
type PaneId = (typeof PANES)[number][0];

/** Under the drawings: what was looked at, what it needs, one more cable later, files. */
export function SealPanes({ session }: { readonly session: SealSession }) {
  const [pane, setPane] = useState<PaneId>('why');
  const { shown, view } = session;
  if (shown === null && view.plans.length === 0) return null;
  return (
    <>
      <Panes<PaneId>
        label="Of this seal"
        panes={PANES.filter(([id]) => id !== 'stubs' || view.kind === 'sleeve')}
        value={pane}
        onChange={setPane}
      />
      <Pane of={pane}>
        <Shown pane={pane} session={session} made={shown} />
      </Pane>
    </>
  );
}

function Shown({
  pane,
  session,
  made,
}: {
  readonly pane: PaneId;
  readonly session: SealSession;
  readonly made: SealMade | null;
}) {
  if (pane === 'files') return <SealFiles view={session.view} />;
  if (made === null) return <Empty>There is no plan for what is known now.</Empty>;
  if (pane === 'why')
    return (
      <>
        <SealFindings findings={made.plan.findings} />
        <Cautions cautions={[...session.view.sheet.cautions, ...SEAL_CAUTIONS]} />
      </>
    );
  if (pane === 'needs') return <Needs made={made} />;
  if (pane === 'later') return <SealLater session={session} made={made} />;
  return made.of === 'sleeve' ? <SealStubs session={session} made={made} /> : null;
}

const partsIn = <K extends CrossingKindId>({ of, request, plan }: Made<K>): CrossingPart[] =>
  KINDS[of].parts(request, plan);

const countWords = ({ count, unit }: CrossingPart): string =>
  unit === 'mm' ? `${trimNumber(count / 1000, 2)} m` : unit === 'ml' ? `${count} mL` : `${count} ×`;

/** Parts to count, lengths to cut, volumes to press in. */
function Needs({ made }: { readonly made: SealMade }) {
  const parts = partsIn<CrossingKindId>(made);
  if (parts.length === 0) return <Empty>A seal that does not close needs nothing.</Empty>;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: '8px 36px', mt: 1 }}>
      <div>
        <Typography variant="h3">Parts</Typography>
        <PlainList ruled label="Parts">
          {parts.map((p) => (
            <li key={`${p.what} ${p.id}`}>
              <b>{countWords(p)}</b> {p.what} {p.id}
            </li>
          ))}
        </PlainList>
      </div>
      <div>
        <Typography variant="h3">At the wall</Typography>
        <AtTheWall made={made} />
      </div>
    </Box>
  );
}

const mm = (value: number): string => `${trimNumber(value, 1)} mm`;
const span = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  trimNumber(min, 0) === trimNumber(max, 0)
    ? trimNumber(max, 0)
    : `${trimNumber(min, 0)}–${trimNumber(max, 0)}`;

function AtTheWall({ made }: { readonly made: SealMade }) {
  switch (made.of) {
    case 'plug':
      return <Facts facts={[['Gap round the cable', `${span(made.plan.annulus)} mm`]]} />;
    case 'sleeve':
      return (
        <>
          <Facts
            facts={[
              [
                'Sealant at each face',
                `${mm(made.plan.sealantMm)}, about ${trimNumber(made.plan.sealantMl / 2, 0)} mL`,
              ],
              ['Filling', mm(made.request.sheet.fillingMm)],
              ...(made.plan.airMm > 0 ? [['Air between', mm(made.plan.airMm)] as const] : []),
              [
                'Sleeves go on',
                made.plan.pullingFrom === null
                  ? 'after pulling, or while'
                  : `from ${made.plan.pullingFrom} cables on while pulling: afterwards there is no room for a hand`,
              ],
            ]}
          />
          <PlainList ruled label="Round each cable">
            {made.plan.wrapped.map((w) => (
              <li key={w.tag}>{wrappedWords(w)}</li>
            ))}
          </PlainList>
        </>
      );
    case 'wrap':
      return <Facts facts={wrapFacts(made)} />;
  }
}

function wrapFacts({ plan }: Extract<SealMade, { readonly of: 'wrap' }>): [string, string][] {
  const { marks, rounds, tie, foldedMm } = plan;
  return [
    ['Marks from the stub', `${mm(marks.first)} and ${mm(marks.second)}`],
    ...rounds.map((r): [string, string] => [
      r.id === 'all' ? 'Round all' : `Round ${r.id}`,
      `${span(r.diameter)} mm across; ${r.strips.map((s, i) => `layer ${i + 1} cut ${trimNumber(s.max, 0)} mm`).join(', ')}; sealant ${span(r.sealantMl)} mL`,
    ]),
    ...(tie === null
      ? []
      : [
          ['Tie before', `${span(tie.before)} mm round`] as [string, string],
          ['Tie drawn', `${span(tie.target)} mm round`] as [string, string],
          ['Tail pulled through', `${span(tie.pullMm)} mm`] as [string, string],
        ]),
    ...(foldedMm === null ? [] : [['Folded strip', `${span(foldedMm)} mm`] as [string, string]]),
  ];
}
