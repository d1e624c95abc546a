'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { capital, type Problem } from '@/core/kernel';
import {
  PURPOSE_WORDS,
  RECORD_KINDS,
  RECORDS,
  type Family,
  type FrameSheet,
  type Purpose,
  type RecordKind,
  type SealSheets,
} from '@/core/catalogue';
import type { CatalogueCable } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Empty } from '../kit-of-parts/Empty';
import { Folded } from '../kit-of-parts/Folded';
import { Place } from '../kit-of-parts/Place';
import { PlainList } from '../kit-of-parts/PlainList';
import { To } from '../kit-of-parts/To';
import { FamilyPanel } from './FamilyPanel';
import { FrameSheetPanel } from './FrameSheetPanel';
import { SealSheetPanel } from './SealSheetPanel';
import { ImportPanel } from './ImportPanel';
import { For } from '../shell/may';

interface FamilyLine {
  readonly code: string;
  readonly title: string;
  readonly revision: string;
  readonly purpose: Purpose;
  readonly planOnly: boolean;
}

interface Props {
  readonly families: readonly FamilyLine[];
  readonly shown: { readonly family: Family; readonly missing: readonly string[] } | null;
  readonly jobs: readonly { readonly slug: string; readonly name: string }[];
  readonly job: string | null;
  readonly cables: readonly CatalogueCable[] | null;
  /** Why the cables of the job could not be read. */
  readonly notDrawn: readonly Problem[];
  readonly parts: readonly {
    readonly kind: RecordKind;
    readonly partNumber: string;
    readonly what: string;
  }[];
  readonly frameSheets: readonly FrameSheet[];
  readonly seals: SealSheets;
}

const address = (family: string | null, slug: string | null): string =>
  `/catalogue?${new URLSearchParams({ ...(family === null ? {} : { family }), ...(slug === null ? {} : { job: slug }) }).toString()}`;

/** Where a record of a kind is typed in; like one that is there. */
const typeIn = (kind: RecordKind, job: string | null, like?: string): string => {
  const query = new URLSearchParams({
    ...(like === undefined ? {} : { like }),
    ...(job === null ? {} : { job }),
  }).toString();
  return `/catalogue/type/${kind}${query === '' ? '' : `?${query}`}`;
};

const SEAL_PANELS = [
  ['sleeveSheets', 'sleeves'],
  ['plugSheets', 'plugs'],
  ['wrapSheets', 'wraps'],
] as const;

/** Whatever a sheet can be of, typed in from paper. */
const TypeIn = ({ job }: { readonly job: string | null }) => (
  <Acts label="Type in a new sheet">
    <Typography variant="quiet">Type in from paper:</Typography>
    {RECORD_KINDS.map((kind) => (
      <Button key={kind} size="small" variant="outlined" component={Link} href={typeIn(kind, job)}>
        {RECORDS[kind].words}
      </Button>
    ))}
  </Acts>
);

/** The families in force with their ranges, and the door through which a new sheet comes in. */
export function CataloguePage(props: Props) {
  const { families, shown, jobs, job, cables, notDrawn, parts, frameSheets, seals } = props;
  return (
    <Place
      title="Catalogue"
      lead="Your own transcription of the sheets you work to. A revision never changes once plans may stand on it; a changed sheet comes in as a new revision, and old plans keep theirs until they are made again."
    >
      <ImportPanel />
      <For what="importCatalogue">
        <TypeIn job={job} />
      </For>
      {shown === null ? (
        <Empty>The catalogue is empty. Import a file, or type the first sheet in.</Empty>
      ) : (
        <Box sx={BODY}>
          <nav aria-label="Families">
            <List component="div" disablePadding>
              {families.map((f) => (
                <FamilyLink key={f.code} family={f} job={job} current={f.code === shown.family.code} />
              ))}
            </List>
            <Box role="group" aria-label="Job whose cables are drawn" sx={{ mt: 2, fontSize: 13.5 }}>
              <Typography variant="quiet">Cables drawn from</Typography>
              {jobs.map((j) => (
                <Box key={j.slug} aria-current={j.slug === job ? 'true' : undefined} sx={{ py: 0.5 }}>
                  <To
                    href={address(shown.family.code, j.slug)}
                    sx={{ color: 'text.primary', fontWeight: j.slug === job ? 700 : 400 }}
                  >
                    {j.name}
                  </To>
                </Box>
              ))}
            </Box>
          </nav>
          <FamilyPanel family={shown.family} missing={shown.missing} cables={cables} notDrawn={notDrawn} />
        </Box>
      )}
      {frameSheets.map((sheet) => (
        <FrameSheetPanel key={sheet.code} sheet={sheet} typeIn={typeIn('frames', job, sheet.code)} />
      ))}
      {SEAL_PANELS.flatMap(([list, kind]) =>
        seals[list].map((sheet) => (
          <SealSheetPanel
            key={`${list} ${sheet.code}`}
            words={capital(RECORDS[kind].words)}
            sheet={sheet}
            typeIn={typeIn(kind, job, sheet.code)}
          />
        )),
      )}
      {parts.length > 0 ? (
        <Folded title={`${parts.length} adaptors, accessories and compounds`}>
          <Box sx={{ columns: '3 260px', fontSize: 13.5 }}>
            <PlainList>
              {parts.map((p) => (
                <li key={p.partNumber}>
                  <b>{p.partNumber}</b> {p.what} <To href={typeIn(p.kind, job, p.partNumber)}>change</To>
                </li>
              ))}
            </PlainList>
          </Box>
        </Folded>
      ) : null}
    </Place>
  );
}

interface FamilyLinkProps {
  readonly family: FamilyLine;
  readonly job: string | null;
  readonly current: boolean;
}

const FamilyLink = ({ family: f, job, current }: FamilyLinkProps) => (
  <ListItemButton
    component={Link}
    href={address(f.code, job)}
    selected={current}
    aria-current={current ? 'page' : undefined}
    sx={{
      display: 'block',
      p: '7px 10px',
      fontSize: 13.5,
      borderBottom: '1px solid',
      borderBottomColor: 'divider',
    }}
  >
    <Box component="b" sx={{ fontSize: 15 }}>
      {f.code}
    </Box>{' '}
    {PURPOSE_WORDS[f.purpose]}
    <Typography component="span" sx={{ display: 'block', fontSize: 12.5, color: 'text.secondary' }}>
      revision {f.revision}
      {f.planOnly ? ', plan only' : ''}
    </Typography>
  </ListItemButton>
);

const BODY = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '216px minmax(0, 1fr)' },
  alignItems: 'start',
  gap: 3.25,
  mt: 1.5,
} as const;
