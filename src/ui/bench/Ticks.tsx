'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { PlainList } from '../kit-of-parts/PlainList';

interface Props {
  readonly checks: readonly string[];
  readonly ticked: ReadonlySet<number>;
  readonly onTick: (index: number) => void;
}

/** What has to be seen, each ticked by itself: a whole line is the target, so that a glove hits it. */
export const Ticks = ({ checks, ticked, onTick }: Props) => (
  <PlainList>
    {checks.map((check, i) => (
      <Box component="li" key={check} sx={{ mb: 1 }}>
        <ButtonBase role="checkbox" aria-checked={ticked.has(i)} onClick={() => onTick(i)} sx={TICK}>
          <svg viewBox="0 0 24 24" aria-hidden="true">
            <rect x="2" y="2" width="20" height="20" rx="2" />
            {ticked.has(i) ? <path d="M6 12.5l4 4 8-9" /> : null}
          </svg>
          {check}
        </ButtonBase>
      </Box>
    ))}
  </PlainList>
);

const TICK = {
  justifyContent: 'flex-start',
  gap: 1.75,
  width: '100%',
  minHeight: 56,
  p: '8px 14px',
  font: 'inherit',
  fontSize: 18,
  textAlign: 'left',
  color: 'text.primary',
  bgcolor: 'background.paper',
  border: '2px solid',
  borderColor: 'divider',
  borderRadius: 1,
  '& svg': { flex: 'none', width: 30, height: 30, fill: 'none', stroke: 'currentColor', strokeWidth: 2.4 },
  '&[aria-checked="true"]': { borderColor: 'secondary.main', '& svg': { color: 'var(--ac-amber-text)' } },
} as const;
