'use client';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useColorScheme } from '@mui/material/styles';

type Scheme = 'light' | 'dark' | 'system';

const SCHEMES: readonly (readonly [Scheme, words: string, note: string])[] = [
  ['light', 'paper', 'for daylight and for glare'],
  ['dark', 'dark', 'for the bench and the night shift'],
  ['system', 'as the device', 'goes with its day and night'],
];

interface Props {
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}

/** In which light the product is read; until somebody has chosen, as the device has it. */
export function SchemeMenu({ anchor, onClose }: Props) {
  const { mode, setMode } = useColorScheme();
  return (
    <Menu open anchorEl={anchor} onClose={onClose} slotProps={{ list: { 'aria-label': 'Light' } }}>
      {SCHEMES.map(([scheme, words, note]) => (
        <MenuItem
          key={scheme}
          role="menuitemradio"
          aria-checked={mode === scheme}
          selected={mode === scheme}
          onClick={() => {
            setMode(scheme);
            onClose();
          }}
        >
          <ListItemText primary={words} secondary={note} />
        </MenuItem>
      ))}
    </Menu>
  );
}
