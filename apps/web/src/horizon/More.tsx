import { plural } from '@early-lantern/core';
import { Box, Button } from '@mui/material';
import { useEffect, useRef } from 'react';

interface MoreProps {
  later: number;
  onMore: () => void;
  isReading: boolean;
}

/** Read on when the end of the list comes into sight, or at a press. */
export function More({ later, onMore, isReading }: MoreProps) {
  const end = useRef<HTMLDivElement>(null);
  const read = useRef(onMore);
  read.current = onMore;
  useEffect(() => {
    const watcher = new IntersectionObserver(
      (seen) => seen.some(({ isIntersecting }) => isIntersecting) && read.current(),
      { rootMargin: '600px' },
    );
    if (end.current) watcher.observe(end.current);
    return () => watcher.disconnect();
  }, []);
  return (
    <Box ref={end} sx={{ textAlign: 'center', py: 2 }}>
      <Button variant="outlined" disabled={isReading} onClick={onMore}>
        {isReading ? 'Reading…' : `Show more: ${plural(later, 'job')} later`}
      </Button>
    </Box>
  );
}
