import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

interface Props {
  /** The narrower of the two, and what it is called. */
  readonly aside: ReactNode;
  readonly asideLabel: string;
  /** Before what it belongs to, or behind it. */
  readonly asideFirst?: boolean;
  readonly children: ReactNode;
}

/**
 * The page of a crossing: side by side each pane scrolls by itself; one below the other the page does. What is reached by keys comes to lie above the bar
 * that saves.
 */
export function TwoPanes({ aside, asideLabel, asideFirst = false, children }: Props) {
  const narrow = (
    <Box
      component="aside"
      aria-label={asideLabel}
      sx={{
        ...PANE,
        flex: { md: '0 0 40%' },
        minWidth: { md: 380 },
        [asideFirst ? 'borderRight' : 'borderLeft']: { md: '1px solid' },
        borderColor: { md: 'divider' },
      }}
    >
      {aside}
    </Box>
  );
  return (
    <Stack
      component="main"
      direction={{ xs: 'column', md: 'row' }}
      sx={{
        flex: 1,
        minWidth: 0,
        overflowY: { xs: 'auto', md: 'visible' },
        scrollPaddingBottom: ABOVE_FOOT,
      }}
    >
      {asideFirst ? narrow : null}
      <Box sx={{ ...PANE, flex: { md: '1 1 60%' } }}>{children}</Box>
      {asideFirst ? null : narrow}
    </Stack>
  );
}

/** As high as the foot of a setup stands over what scrolls below it. */
const ABOVE_FOOT = '104px';

const PANE = {
  minWidth: 0,
  p: { xs: '12px 14px', md: '14px 24px 32px 28px' },
  overflowY: { md: 'auto' },
  scrollPaddingBottom: ABOVE_FOOT,
} as const;
