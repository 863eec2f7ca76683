import { useEffect, useState } from 'react';

/** A moment that is renewed every second. @param nowMs by whose clock */
export function useSeconds(nowMs: () => number): number {
  const [now, setNow] = useState(nowMs);
  useEffect(() => {
    setNow(nowMs());
    const timer = setInterval(() => setNow(nowMs()), 1_000);
    return () => clearInterval(timer);
  }, [nowMs]);
  return now;
}
