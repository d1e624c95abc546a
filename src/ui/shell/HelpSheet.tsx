'use client';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { usePathname } from 'next/navigation';
import { helpFor } from './help';

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
  ['?', 'help for where you are, and these keys'],
];

/** Help for the place where one is, with the rules behind its numbers, and the keys. */
export function HelpSheet({ onClose }: { readonly onClose: () => void }) {
  const help = helpFor(usePathname());
  return (
    <Dialog open onClose={onClose} aria-labelledby="help-title">
      <DialogTitle id="help-title">{help === null ? 'Keys' : help.title}</DialogTitle>
      <DialogContent>
        {help === null ? null : (
          <>
            <Box component="ul" sx={{ m: 0, pl: 2.5, '& li': { mb: 0.75 } }}>
              {help.rules.map((rule) => (
                <li key={rule}>{rule}</li>
              ))}
            </Box>
            <Typography variant="quiet" component="p" sx={{ mb: 2 }}>
              The product’s own instruction sheet, local codes and licensed persons go before anything said
              here.
            </Typography>
            <Typography variant="h3">Keys</Typography>
          </>
        )}
        <Keys />
      </DialogContent>
    </Dialog>
  );
}

const Keys = () => (
  <>
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
  </>
);
