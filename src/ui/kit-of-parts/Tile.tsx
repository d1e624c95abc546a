import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly note: ReactNode;
  readonly picked: boolean;
  readonly disabled?: boolean;
  readonly onPick: () => void;
}

/** One of a few things to choose from, with what is to be known of it; the one in use has an amber foot. */
export const Tile = ({ title, note, picked, disabled = false, onPick }: Props) => (
  <ToggleButton
    value={title}
    selected={picked}
    disabled={disabled}
    onChange={onPick}
    sx={{
      flex: '1 1 220px',
      flexDirection: 'column',
      alignItems: 'flex-start',
      justifyContent: 'flex-start',
      p: '8px 12px',
      textAlign: 'left',
      whiteSpace: 'normal',
      fontSize: 15,
      '&, &.Mui-disabled': { color: 'text.primary', bgcolor: 'background.paper' },
      '&.Mui-disabled:not(.Mui-selected)': { borderStyle: 'dashed', borderColor: 'divider' },
      '&.Mui-selected, &.Mui-selected:hover, &.Mui-selected.Mui-disabled': {
        color: 'text.primary',
        bgcolor: 'background.paper',
        borderColor: 'text.primary',
        boxShadow: 'inset 0 -5px 0 var(--ac-amber)',
      },
    }}
  >
    <b>{title}</b>
    <Typography component="span" variant="quiet" sx={{ fontWeight: 400 }}>
      {note}
    </Typography>
  </ToggleButton>
);
