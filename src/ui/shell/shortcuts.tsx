'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { setHelp, useHelpOpen } from './help-open';

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

const HelpSheet = dynamic(() => import('./HelpSheet').then((m) => m.HelpSheet), { ssr: false });

const CommandPalette = dynamic(() => import('../palette/CommandPalette').then((m) => m.CommandPalette), {
  ssr: false,
});

/** Shortcuts of every place, and the sheet that lists them. */
export function GlobalShortcuts() {
  const open = useHelpOpen();
  const [finding, setFinding] = useState(false);
  // A page that was left may stay in the document, unseen: its buttons are not meant.
  const click = (selector: string): boolean => {
    const seen = [...document.querySelectorAll<HTMLElement>(selector)].find((e) => e.checkVisibility());
    seen?.click();
    return seen !== undefined;
  };
  useShortcuts({
    '?': () => setHelp(true),
    '/': () =>
      [...document.querySelectorAll<HTMLElement>('[data-filter]')].find((e) => e.checkVisibility())?.focus(),
    u: () => click('[data-shortcut="u"]'),
    b: () => click('[data-shortcut="b"]'),
    z: () => click('[data-shortcut="z"]'),
    Z: () => click('[data-shortcut="Z"]'),
    n: () => click('[data-shortcut="n"]'),
    ...Object.fromEntries(
      [1, 2, 3, 4, 5, 6, 7].map((n) => [`Alt+${n}`, () => click(`[data-station="${n}"]`)]),
    ),
  });
  // From anywhere, out of a field too.
  useHotkeys('mod+k', () => setFinding((was) => !was), { preventDefault: true, enableOnFormTags: true });
  return (
    <>
      {open ? <HelpSheet onClose={() => setHelp(false)} /> : null}
      {finding ? <CommandPalette onClose={() => setFinding(false)} /> : null}
    </>
  );
}
