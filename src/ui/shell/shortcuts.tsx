'use client';
import Dialog from '@mui/material/Dialog';
import Box from '@mui/material/Box';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

/** What a key does; `false` says that there was nothing to do, and the key is left to whoever else listens. */
type Handlers = Readonly<Record<string, () => void | boolean>>;

const MODIFIERS = /^(alt|ctrl|control|meta|shift)$/;

/** Name of the keys that fired, as the handlers are called: `Alt+3`, `ArrowLeft`, `?`. */
const nameOf = (event: KeyboardEvent): string =>
  event.altKey && /^Digit\d$/.test(event.code) ? `Alt+${event.code.slice(5)}` : event.key;

/** A grid and a dialog have keys of their own. */
const hasOwnKeys = (event: KeyboardEvent): boolean =>
  event.defaultPrevented ||
  (event.target instanceof Element &&
    (MODIFIERS.test(event.key.toLowerCase()) ||
      event.target.closest('[role="grid"], [role="dialog"]') !== null));

/** Keys that work wherever no field has the focus: calipers that type must never set one off. */
export function useShortcuts(handlers: Handlers): void {
  useHotkeys(
    '*',
    (event) => {
      if (handlers[nameOf(event)]?.() !== false) event.preventDefault();
    },
    {
      // What belongs to the browser, and what nobody has a use for, goes its way.
      ignoreEventWhen: (event) =>
        hasOwnKeys(event) || event.ctrlKey || event.metaKey || handlers[nameOf(event)] === undefined,
      // A size on the ladder of ranges is a radio button, and no field.
      enableOnFormTags: ['radio'],
    },
    [handlers],
  );
}

const SHEET: readonly (readonly [string, string])[] = [
  ['j  k', 'next, previous termination'],
  ['Alt+1 … Alt+7', 'stations: Measure, Choose, Cut, Make off, Seal, Tighten, Prove'],
  ['b', 'bench mode for this termination'],
  ['/', 'filter'],
  ['u', 'millimetres or inches first'],
  ['z', 'undo your last change'],
  ['↑  ↓', 'walk through candidates; Enter takes one'],
  ['Enter', 'in a reading field: keep the reading, go on to the next'],
  ['?', 'this sheet'],
];

/** Shortcuts of every place, and the sheet that lists them. */
export function GlobalShortcuts() {
  const [open, setOpen] = useState(false);
  // A page that was left may stay in the document, unseen: its buttons are not meant.
  const click = (selector: string): boolean => {
    const seen = [...document.querySelectorAll<HTMLElement>(selector)].find((e) => e.checkVisibility());
    seen?.click();
    return seen !== undefined;
  };
  useShortcuts({
    '?': () => setOpen(true),
    '/': () =>
      [...document.querySelectorAll<HTMLElement>('[data-filter]')].find((e) => e.checkVisibility())?.focus(),
    u: () => click('[data-shortcut="u"]'),
    b: () => click('[data-shortcut="b"]'),
    z: () => click('[data-shortcut="z"]'),
    ...Object.fromEntries(
      [1, 2, 3, 4, 5, 6, 7].map((n) => [`Alt+${n}`, () => click(`[data-station="${n}"]`)]),
    ),
  });
  return (
    <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="shortcut-title">
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
}
