import { useEffect } from 'react';

/** Keeps the screen on while `isOn`; a browser takes the lock back when the page is hidden, so it is asked for again. */
export function useWakeLock(isOn: boolean): void {
  useEffect(() => {
    if (!isOn || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isEnded = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const granted = await navigator.wakeLock.request('screen');
        if (isEnded) await granted.release();
        else lock = granted;
      } catch {
        // Refused, e.g. with little battery left: the timers run all the same.
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isEnded = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isOn]);
}
