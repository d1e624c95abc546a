'use client';
import Dialog from '@mui/material/Dialog';
import { useEffect, useRef, useState } from 'react';
import styles from './shortcuts.module.css';

/** What a key does; `false` says that there was nothing to do, and the key is left to whoever else listens. */
type Handlers = Readonly<Record<string, () => void | boolean>>;

const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
    target.closest('[role="grid"], [role="dialog"]') !== null);

/** Name of a pressed key with its modifiers, `Alt+3`; null for those that belong to the browser. */
function keyName(event: KeyboardEvent): string | null {
  if (event.ctrlKey || event.metaKey) return null;
  if (event.altKey) return /^Digit\d$/.test(event.code) ? `Alt+${event.code.slice(5)}` : null;
  return event.key;
}

/** Keys that work wherever no field has the focus: calipers that type must never set one off. */
export function useShortcuts(handlers: Handlers): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isField(event.target)) return;
      const name = keyName(event);
      const handler = name === null ? undefined : latest.current[name];
      if (!handler) return;
      if (handler() !== false) event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
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
      <div className={styles.sheet}>
        <h2 id="shortcut-title">Keys</h2>
        <dl className={styles.keys}>
          {SHEET.map(([key, what]) => (
            <div key={key} className={styles.line}>
              <dt>
                <kbd>{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <p className={styles.hint}>No key fires while a field has the focus. Esc closes this.</p>
      </div>
    </Dialog>
  );
}
