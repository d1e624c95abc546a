'use client';
import { useEffect, useState } from 'react';

/** Keeps the screen on while the bench is open. Says whether it could. */
export function useWakeLock(): 'on' | 'off' {
  const [state, setState] = useState<'on' | 'off'>('off');
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = async () => {
      if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) await lock.release();
        else setState('on');
      } catch {
        // Refused by the device, for example on low battery: the header says that the screen may sleep.
        setState('off');
      }
    };
    void take();
    const again = () => void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
  return state;
}
