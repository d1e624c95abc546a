'use client';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';

const SHEET: readonly (readonly [string, string])[] = [
  ['j  k', 'next, previous termination'],
  ['Alt+1 … Alt+7', 'stations: Measure, Choose, Cut, Make off, Seal, Tighten, Prove'],
  ['b', 'bench mode for this termination'],
  ['Ctrl+K', 'find a place, a cable, a box, an action'],
  ['/', 'filter'],
  ['u', 'millimetres or inches first'],
  ['z', 'undo your last change'],
  ['Shift+Z', 'do again what you took back'],
  ['n', 'a new job, box or type, where there are such'],
  ['↑  ↓', 'walk through candidates; Enter takes one'],
  ['Enter', 'in a reading field: keep the reading, go on to the next'],
  ['?', 'this sheet'],
];

/** The sheet that lists the keys. */
export const KeysSheet = ({ onClose }: { readonly onClose: () => void }) => (
  <Dialog open onClose={onClose} aria-labelledby="shortcut-title">
    <DialogTitle id="shortcut-title">Keys</DialogTitle>
    <DialogContent>
      <Box component="dl" sx={{ m: 0, '& kbd': { font: 'inherit', fontWeight: 650 } }}>
        {SHEET.map(([key, what]) => (
          <Box
            key={key}
            sx={{ display: 'flex', gap: 2, py: 0.875, borderTop: '1px solid', borderColor: 'divider' }}
          >
            <Box component="dt" sx={{ flex: 'none', width: 130 }}>
              <kbd>{key}</kbd>
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {what}
            </Box>
          </Box>
        ))}
      </Box>
      <Typography variant="quiet" sx={{ mt: 1.5 }}>
        No key fires while a field has the focus. Esc closes this.
      </Typography>
    </DialogContent>
  </Dialog>
);
