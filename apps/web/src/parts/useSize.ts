import { type RefObject, useLayoutEffect, useState } from 'react';

/** Size of an element, kept up with. */
export function useSize(element: RefObject<HTMLElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const target = element.current;
    if (!target) return;
    const observer = new ResizeObserver(() =>
      setSize({ width: target.clientWidth, height: target.clientHeight }),
    );
    observer.observe(target);
    return () => observer.disconnect();
  }, [element]);
  return size;
}
