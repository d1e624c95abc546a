'use client';
import { useEffect, useRef } from 'react';

/** Three tones that carry through a plant room, and three pulses in the hand. */
function sound(): void {
  // Left out on devices that cannot, whatever their types say.
  const { vibrate } = navigator as { readonly vibrate?: Navigator['vibrate'] };
  vibrate?.call(navigator, [400, 200, 400, 200, 400]);
  const context = new AudioContext();
  for (const at of [0, 0.6, 1.2]) {
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.frequency.value = 2200;
    loud.gain.setValueAtTime(0.6, context.currentTime + at);
    tone.connect(loud).connect(context.destination);
    tone.start(context.currentTime + at);
    tone.stop(context.currentTime + at + 0.4);
  }
  setTimeout(() => void context.close(), 2500);
}

/** Sounds once when a clock of this page comes to its end: not again, and not for one that had run out before. `left` in ms; null while none runs. */
export function useAlarm(left: number | null): void {
  const ran = useRef(false);
  useEffect(() => {
    if (left === null) ran.current = false;
    else if (left > 0) ran.current = true;
    else if (ran.current) {
      ran.current = false;
      sound();
    }
  }, [left]);
}
