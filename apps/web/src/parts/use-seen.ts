import { type RefObject, useEffect, useRef, useState } from 'react';

/** So far outside of the window something is as good as seen. */
const MARGIN = '400px';

/** Whether an element has come into sight, or nearly: then it stays so. Until then nothing dear is worked out for it. */
export function useSeen<E extends Element>(): [ref: RefObject<E | null>, isSeen: boolean] {
  const ref = useRef<E>(null);
  const [isSeen, setSeen] = useState(false);
  useEffect(() => {
    if (isSeen || !ref.current) return;
    const watcher = new IntersectionObserver(
      (seen) => seen.some(({ isIntersecting }) => isIntersecting) && setSeen(true),
      { rootMargin: MARGIN },
    );
    watcher.observe(ref.current);
    return () => watcher.disconnect();
  }, [isSeen]);
  return [ref, isSeen];
}
