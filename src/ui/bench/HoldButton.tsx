'use client';
import { useEffect, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import styles from './HoldButton.module.css';

const HOLD_MS = 700;
const ARMED_MS = 4000;

const LIFTS_WITHIN_MS = 4000;

/** Eats the click that comes of the finger that held, wherever it lifts. */
function swallowNextClick(): void {
  const eat = (event: MouseEvent) => {
    // Keys press without a pointer: those are meant.
    if (event.detail === 0) return;
    event.preventDefault();
    event.stopPropagation();
  };
  const done = () => {
    window.removeEventListener('click', eat, true);
    window.removeEventListener('pointerdown', done, true);
  };
  window.addEventListener('click', eat, { capture: true, once: true });
  // A new press is meant.
  window.addEventListener('pointerdown', done, { capture: true, once: true });
  setTimeout(done, LIFTS_WITHIN_MS);
}

interface Props {
  readonly children: ReactNode;
  readonly onConfirm: () => void;
  readonly disabled?: boolean;
  readonly quiet?: boolean;
}

/**
 * Confirms by holding it down, so that a sleeve or a drop of water does not; by keyboard with Enter twice. The bar shows how long is left.
 */
export function HoldButton({ children, onConfirm, disabled = false, quiet = false }: Props) {
  const [held, setHeld] = useState(false);
  const [armed, setArmed] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const downAt = useRef(0);
  const stop = () => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    setHeld(false);
  };
  useEffect(() => stop, []);
  useEffect(() => {
    if (!armed) return undefined;
    const disarm = setTimeout(() => setArmed(false), ARMED_MS);
    return () => clearTimeout(disarm);
  }, [armed]);
  const confirm = () => {
    stop();
    // The finger may still be down: what comes to lie under it must not be pressed when it lifts.
    swallowNextClick();
    onConfirm();
  };
  const start = (event: PointerEvent) => {
    if (disabled || timer.current) return;
    downAt.current = event.timeStamp;
    setHeld(true);
    timer.current = setTimeout(confirm, HOLD_MS);
  };
  const lift = (event: PointerEvent) => {
    // A busy page hears of the lifting before its own clock: what counts is how long the finger was down.
    if (timer.current && event.timeStamp - downAt.current >= HOLD_MS) confirm();
    else stop();
  };
  return (
    <button
      type="button"
      className={quiet ? styles.quiet : styles.button}
      data-held={held ? 'yes' : undefined}
      data-armed={armed ? 'yes' : undefined}
      disabled={disabled}
      onPointerDown={(e) => {
        if (e.button === 0) start(e);
      }}
      onPointerUp={lift}
      onPointerLeave={stop}
      onPointerCancel={stop}
      onContextMenu={(e) => e.preventDefault()}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || e.repeat) return;
        e.preventDefault();
        if (armed) {
          setArmed(false);
          onConfirm();
        } else setArmed(true);
      }}
      style={{ ['--hold' as string]: `${HOLD_MS}ms` }}
    >
      <span className={styles.fill} aria-hidden="true" />
      <span className={styles.text}>{armed ? 'Enter again to confirm' : children}</span>
    </button>
  );
}
