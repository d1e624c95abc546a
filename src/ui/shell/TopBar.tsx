'use client';
import { STATIONS } from '@/core/record';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useRef, type Ref } from 'react';
import type { Arc } from '@/core/procedure';
import { Collar } from '../collar/Collar';
import { useUnit } from '../common/unit';
import { ActorField } from './ActorField';
import { useFits } from './use-fits';
import { isAt, placesOf, type PlaceGroup } from './places';
import { PlacesDrawer } from './PlacesDrawer';
import { FOLDED, PHONE_BAR } from './widths';

const MARK: readonly Arc[] = STATIONS.map((station, i) => ({
  station,
  state: i === 4 ? 'todo' : 'done',
  share: i === 4 ? 0 : 1,
  result: '',
}));

interface Props {
  readonly job: { readonly slug: string; readonly name: string } | null;
}

/** Where am I, where can I go, in which unit and light, and who is it. */
export function TopBar({ job }: Props) {
  const at = usePathname();
  const groups = placesOf(job?.slug ?? null);
  const nav = useRef<HTMLElement>(null);
  const fits = useFits(nav);
  return (
    <Stack component="header" direction="row" sx={BAR}>
      <PlacesDrawer groups={groups} at={at} job={job?.name ?? null} folded={!fits} />
      <Box component={Link} href="/" aria-label="Amber Collar, all jobs" sx={BRAND}>
        <Collar arcs={MARK} size={28} label={false} />
        {/* On a phone the name of the job stands on top of the drawer. */}
        <Box sx={{ minWidth: 0, maxWidth: 300, lineHeight: 1.15, [PHONE_BAR]: { display: 'none' } }}>
          <Typography noWrap component="div" sx={{ fontWeight: 700, fontStretch: '112%', lineHeight: 1.15 }}>
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
        </Box>
      </Box>
      <Places groups={groups} at={at} navRef={nav} fits={fits} />
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, [PHONE_BAR]: { gap: 0.5 } }}>
        <Switches />
        <ActorField />
      </Stack>
    </Stack>
  );
}

interface PlacesProps {
  readonly groups: readonly PlaceGroup[];
  readonly at: string;
  readonly navRef: Ref<HTMLElement>;
  /** Words of another language may be too long for the bar: then the drawer has them, and this keeps the room. */
  readonly fits: boolean;
}

function Places({ groups, at, navRef, fits }: PlacesProps) {
  return (
    <Stack
      component="nav"
      direction="row"
      ref={navRef}
      aria-label="Places"
      sx={{
        flex: 1,
        minWidth: 0,
        height: '100%',
        overflow: 'hidden',
        // From the start where they do not all fit, so that the first of them never lies outside.
        justifyContent: 'safe center',
        visibility: fits ? 'visible' : 'hidden',
        [FOLDED]: { display: 'none' },
      }}
    >
      {groups.map((group) => (
        <Stack
          key={group.name}
          direction="row"
          role="group"
          aria-label={group.name}
          sx={{
            flex: 'none',
            height: '100%',
            px: 0.75,
            '& + &': { borderLeft: '2px solid', borderColor: 'divider' },
          }}
        >
          {group.places.map((place) => (
            <Box
              key={place.href}
              component={Link}
              href={place.href}
              aria-current={isAt(at, place) ? 'page' : undefined}
              sx={PLACE}
            >
              {place.name}
            </Box>
          ))}
        </Stack>
      ))}
    </Stack>
  );
}

function Switches() {
  const { unit, toggle } = useUnit();
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <>
      <Button
        variant="outlined"
        size="small"
        onClick={toggle}
        aria-label={`Show ${unit === 'mm' ? 'inches' : 'millimetres'} first`}
        data-shortcut="u"
        sx={{ minWidth: 46 }}
      >
        {unit}
      </Button>
      <Button
        variant="outlined"
        size="small"
        onClick={() => setMode(dark ? 'light' : 'dark')}
        aria-label="Switch between paper and bench dark"
        suppressHydrationWarning
        sx={{ minWidth: 46 }}
      >
        {dark ? 'paper' : 'dark'}
      </Button>
    </>
  );
}

const BAR = {
  // What is hidden from sight in it must not widen the page.
  position: 'relative',
  alignItems: 'center',
  gap: 1.75,
  height: 54,
  px: 1.75,
  borderBottom: '2px solid',
  borderColor: 'text.primary',
  bgcolor: 'background.default',
  '@media print': { display: 'none' },
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
  color: 'text.secondary',
  textDecoration: 'none',
  borderBottom: '3px solid transparent',
  '&:hover': { color: 'text.primary' },
  '&[aria-current="page"]': { color: 'text.primary', fontWeight: 650, borderBottomColor: 'secondary.main' },
} as const;
