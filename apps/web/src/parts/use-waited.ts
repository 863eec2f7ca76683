import { useEffect, useState } from 'react';

/** Whether something was waited for longer than so many ms: then it is done without. */
export function useWaited(isWaiting: boolean, ms: number): boolean {
  const [hasWaited, setWaited] = useState(false);
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setTimeout(() => setWaited(true), ms);
    return () => clearTimeout(timer);
  }, [isWaiting, ms]);
  return hasWaited;
}
