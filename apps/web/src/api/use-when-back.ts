import { useEffect } from 'react';

const AGAIN_MS = 3_000;

/** Asks a silent server again and again, and does something once it answers from its database. @param isAway asks as long as this holds */
export function useWhenBack(isAway: boolean, act: () => void): void {
  useEffect(() => {
    if (!isAway) return;
    const timer = setInterval(
      () =>
        fetch('/api/v1/me').then(
          ({ ok }) => ok && act(),
          () => undefined,
        ),
      AGAIN_MS,
    );
    return () => clearInterval(timer);
  }, [isAway, act]);
}
