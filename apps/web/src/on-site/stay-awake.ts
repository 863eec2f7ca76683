import { useEffect } from 'react';

/** Keeps the screen on while the page is looked at, where the browser can. */
export function useStayAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      lock = await navigator.wakeLock?.request('screen').catch(() => undefined);
      if (isOver) await lock?.release();
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}

/** A short buzz under the thumb: it was taken. Browsers without it stay still. */
export const buzz = (): void => void navigator.vibrate?.(30);

/** Three long ones: something is to be done at once. */
export const alarm = (): void => void navigator.vibrate?.([400, 150, 400, 150, 400]);
