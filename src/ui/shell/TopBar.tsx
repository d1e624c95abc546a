'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import dynamic from 'next/dynamic';
import { Link } from '../kit-of-parts/Link';
import visuallyHidden from '@mui/utils/visuallyHidden';
import { usePathname } from 'next/navigation';
import { useRef, useState, type Ref } from 'react';
import { useUnit } from '../common/unit';
import { SenderEverywhere, UnsentEverywhere } from '../kept/Unsent';
import { Mark } from './Mark';
import { PersonButton } from './PersonButton';
import { useFits } from './use-fits';
import { useActor } from './actor';
import { setHelp } from './help-open';
import { isAt, placesOf, productPlaces, type PlaceGroup } from './places';
import { PlacesDrawer } from './PlacesDrawer';
import { FOLDED, PHONE_BAR } from './widths';

interface Props {
  readonly job: { readonly slug: string; readonly name: string } | null;
}

/** Where am I, where can I go, in which unit and light, and who is it. What belongs to no job stands in the first line, the job's own places below. */
export function TopBar({ job }: Props) {
  const at = usePathname();
  const groups = placesOf(job?.slug ?? null);
  const product = productPlaces(job?.slug ?? null, useActor()?.administrator ?? false);
  const line = useRef<HTMLElement>(null);
  const fits = useFits(line);
  return (
    <Box component="header" sx={BAR}>
      <Stack direction="row" sx={LINE}>
        <PlacesDrawer groups={[...groups, product]} at={at} job={job?.name ?? null} folded={!fits} />
        <Box component={Link} href="/" sx={BRAND}>
          <Mark size={28} />
          {/* On a phone the name of the job stands on top of the drawer, and here only for who cannot see. */}
          <Box sx={{ minWidth: 0, lineHeight: 1.15, [PHONE_BAR]: visuallyHidden }}>
            <Typography
              noWrap
              component="div"
              sx={{ fontWeight: 700, fontStretch: '112%', lineHeight: 1.15 }}
            >
              Amber Collar
            </Typography>
            {job ? (
              <Typography
                noWrap
                component="div"
                sx={{ fontSize: 13, lineHeight: 1.15, color: 'text.secondary' }}
              >
                {job.name}
              </Typography>
            ) : null}
            <span style={visuallyHidden}>, all jobs</span>
          </Box>
        </Box>
        <Stack
          component="nav"
          direction="row"
          aria-label="Product"
          sx={{ height: '100%', ml: 'auto', [FOLDED]: { display: 'none' } }}
        >
          <PlaceLinks group={product} at={at} />
        </Stack>
        <Stack direction="row" sx={{ alignItems: 'center', gap: 1, [PHONE_BAR]: { gap: 0.5, minWidth: 0 } }}>
          <UnsentEverywhere own={false} />
          <Switches />
          <PersonButton />
        </Stack>
      </Stack>
      <SenderEverywhere />
      <UnsentEverywhere own />
      {job ? <JobLine groups={groups} at={at} lineRef={line} fits={fits} /> : null}
    </Box>
  );
}

interface JobLineProps {
  readonly groups: readonly PlaceGroup[];
  readonly at: string;
  readonly lineRef: Ref<HTMLElement>;
  /** Words of another language may be too long for the line: then the drawer has them. */
  readonly fits: boolean;
}

function JobLine({ groups, at, lineRef, fits }: JobLineProps) {
  return (
    <Stack
      component="nav"
      direction="row"
      ref={lineRef}
      aria-label="Places"
      sx={{
        height: fits ? 38 : 0,
        px: 1,
        overflow: 'hidden',
        visibility: fits ? 'visible' : 'hidden',
        borderTop: fits ? '2px solid' : 'none',
        borderColor: 'divider',
        [FOLDED]: { display: 'none' },
      }}
    >
      {groups.map((group) => (
        <Stack
          key={group.name}
          direction="row"
          role="group"
          aria-label={group.name}
          sx={{ flex: 'none', height: '100%', alignItems: 'stretch', mr: 2.5 }}
        >
          <Typography
            component="span"
            aria-hidden="true"
            sx={{ alignSelf: 'center', px: 0.75, pt: '1px', fontSize: 12.5, color: 'text.secondary' }}
          >
            {group.name}
          </Typography>
          <PlaceLinks group={group} at={at} />
        </Stack>
      ))}
    </Stack>
  );
}

const PlaceLinks = ({ group, at }: { readonly group: PlaceGroup; readonly at: string }) =>
  group.places.map((place) => (
    <Box
      key={place.href}
      component={Link}
      href={place.href}
      aria-current={isAt(at, place) ? 'page' : undefined}
      sx={PLACE}
    >
      {place.name}
    </Box>
  ));

function Switches() {
  const { unit, toggle } = useUnit();
  const { mode, systemMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const [menuAt, setMenuAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        variant="outlined"
        size="small"
        onClick={toggle}
        aria-label={`${unit}: show ${unit === 'mm' ? 'inches' : 'millimetres'} first`}
        data-shortcut="u"
        sx={{ minWidth: 46 }}
      >
        {unit}
      </Button>
      <Button
        variant="outlined"
        size="small"
        onClick={(e) => setMenuAt(e.currentTarget)}
        aria-haspopup="menu"
        aria-expanded={menuAt !== null}
        aria-label={`${dark ? 'dark' : 'paper'}: choose the light`}
        suppressHydrationWarning
        sx={{ minWidth: 46 }}
      >
        {dark ? 'dark' : 'paper'}
      </Button>
      <Button
        variant="outlined"
        size="small"
        onClick={() => setHelp(true)}
        aria-haspopup="dialog"
        aria-label="Help for this place"
        sx={{ minWidth: 34, px: 0, [FOLDED]: { display: 'none' } }}
      >
        ?
      </Button>
      {menuAt ? <SchemeMenu anchor={menuAt} onClose={() => setMenuAt(null)} /> : null}
    </>
  );
}

const SchemeMenu = dynamic(() => import('./SchemeMenu').then((m) => m.SchemeMenu), { ssr: false });

const BAR = {
  // What is hidden from sight in it must not widen the page.
  position: 'relative',
  flex: 'none',
  borderBottom: '2px solid',
  borderColor: 'text.primary',
  bgcolor: 'background.default',
  '@media print': { display: 'none' },
} as const;
const LINE = {
  alignItems: 'center',
  gap: 1.75,
  height: 54,
  px: 1.75,
  [PHONE_BAR]: { gap: 1, px: 1 },
} as const;
const BRAND = {
  display: 'flex',
  alignItems: 'center',
  gap: 1.25,
  minWidth: 0,
  color: 'inherit',
  textDecoration: 'none',
  [FOLDED]: { flex: 1 },
} as const;
const PLACE = {
  display: 'flex',
  alignItems: 'center',
  p: '2px 7px 0',
  whiteSpace: 'nowrap',
  color: 'text.primary',
  textDecoration: 'none',
  borderBottom: '3px solid transparent',
  '&:hover': { borderBottomColor: 'divider' },
  '&[aria-current="page"]': { fontWeight: 650, borderBottomColor: 'secondary.main' },
} as const;
