import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { capital } from '@/core/kernel';
import type { CataloguePreview } from '@/core/termination-view';
import { Differences } from '../common/Differences';
import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';

const SHOWN = 40;

/** What a file holds, and how many plans it would reach. */
export function previewHeadline(seen: CataloguePreview): string {
  const count = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);
  const what = [
    ...count(seen.families.length, 'family', 'families'),
    ...count(seen.sheets.length, 'sheet of crossings', 'sheets of crossings'),
    ...count(seen.parts, 'part', 'parts'),
  ].join(', ');
  const plans = new Set(seen.families.flatMap((f) => f.plans.map((p) => `${p.job} ${p.tag}`))).size;
  return `${what}; ${plans === 0 ? 'no plan would come out otherwise' : `${plans} ${plans === 1 ? 'plan' : 'plans'} would come out otherwise when made again`}.`;
}

type SheetSeen = CataloguePreview['sheets'][number];
type FamilySeen = CataloguePreview['families'][number];

const LATER = '; issued earlier, so that the one in force stays in force';

function sheetWords({ state, before, parts }: SheetSeen): string {
  if (state === 'there') return 'is there already, with the same figures';
  if (state === 'clash') return 'is there already with other figures: a changed sheet needs its own revision';
  return before === null
    ? `new, ${parts} parts`
    : `against revision ${before} in force; crossings keep theirs until somebody takes this one`;
}

/** What a sheet of crossings would bring in. */
export function SheetPreview({ sheet }: { readonly sheet: SheetSeen }) {
  const { state, added, gone, changed } = sheet;
  const lists = [
    ['Added', added],
    ['Gone', gone],
    ['Other figures', changed],
  ] as const;
  return (
    <Seen
      title={`${capital(sheet.words)} ${sheet.code} revision ${sheet.revision}`}
      words={`${sheetWords(sheet)}${sheet.leads ? '' : LATER}`}
    >
      {state === 'new'
        ? lists.map(([name, ids]) =>
            ids.length > 0 ? (
              <p key={name}>
                {name}: {ids.join(', ')}
              </p>
            ) : null,
          )
        : null}
    </Seen>
  );
}

function familyWords({ before, sizes, diff }: FamilySeen): string {
  if (before === null) return `new family, ${sizes} sizes`;
  const same = diff !== null && diff.changes.length + diff.sizesAdded.length + diff.sizesRemoved.length === 0;
  return same ? `the same figures as revision ${before}` : `against revision ${before} in force`;
}

/** What a family's sheet would bring in, figure by figure, with the plans that would come out otherwise. */
export function FamilyPreview({ family }: { readonly family: FamilySeen }) {
  const { diff, plans, missing } = family;
  return (
    <Seen
      title={`${family.code} revision ${family.revision}`}
      words={`${familyWords(family)}${family.leads ? '' : LATER}`}
    >
      {missing.length > 0 ? <Typography variant="quiet">Plan only: {missing.join('; ')}</Typography> : null}
      {diff ? <FamilyDifferences diff={diff} /> : null}
      {plans.length > 0 ? <Plans plans={plans} /> : null}
    </Seen>
  );
}

function FamilyDifferences({ diff }: { readonly diff: NonNullable<FamilySeen['diff']> }) {
  const { sizesAdded, sizesRemoved, changes } = diff;
  return (
    <>
      {sizesAdded.length > 0 ? <p>Sizes added: {sizesAdded.join(', ')}</p> : null}
      {sizesRemoved.length > 0 ? <p>Sizes gone: {sizesRemoved.join(', ')}</p> : null}
      {changes.length > 0 ? (
        <Differences
          differences={changes
            .slice(0, SHOWN)
            .map((c) => ({ what: c.where, before: c.before, after: c.after }))}
        />
      ) : null}
      {changes.length > SHOWN ? (
        <Typography variant="quiet">and {changes.length - SHOWN} more figures</Typography>
      ) : null}
    </>
  );
}

const Plans = ({ plans }: Pick<FamilySeen, 'plans'>) => (
  <Box
    component="ul"
    sx={{
      my: 0.75,
      p: '0 0 0 14px',
      listStyle: 'none',
      fontSize: 13.5,
      borderLeft: '5px solid',
      borderColor: 'warning.main',
    }}
  >
    {plans.map((p) => {
      const [cable = '', end = 'A'] = p.tag.split('/');
      return (
        <li key={`${p.job} ${p.tag}`}>
          <To href={stationPath(p.job, cable, end === 'B' ? 'B' : 'A', 'choose')}>{p.tag}</To>{' '}
          {p.refusal ?? p.changed.map((c) => `${c.label}: ${c.before ?? '–'} → ${c.after ?? '–'}`).join('; ')}
        </li>
      );
    })}
  </Box>
);

interface SeenProps {
  readonly title: string;
  readonly words: string;
  readonly children: ReactNode;
}

const Seen = ({ title, words, children }: SeenProps) => (
  <Box sx={{ py: 0.75, borderTop: '2px solid', borderColor: 'divider', '& p': { my: 0.5 } }}>
    <Typography variant="h3" sx={{ fontSize: 15 }}>
      {title}{' '}
      <Typography component="span" variant="quiet" sx={{ fontWeight: 400 }}>
        {words}
      </Typography>
    </Typography>
    {children}
  </Box>
);
