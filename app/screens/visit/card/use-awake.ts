import { useEffect, useState } from 'react';

/** Keeps the screen awake while a card is open, where the browser allows it; whether it does. */
export function useAwake(isOpen: boolean): boolean {
  const [isAwake, setAwake] = useState(false);
  useEffect(() => {
    if (!isOpen || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isGone = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const got = await navigator.wakeLock.request('screen');
        if (isGone) return void got.release();
        lock = got;
        setAwake(true);
        // Let go by the system when the page is hidden: asked for again when it is seen.
        got.addEventListener('release', () => setAwake(false));
      } catch {
        // Refused: a low battery, or a browser that does not. The screen sleeps as it always did.
        setAwake(false);
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isOpen]);
  return isAwake;
}
