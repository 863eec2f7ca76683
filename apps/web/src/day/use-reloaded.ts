import type { JobFile } from '@early-lantern/contract';
import { useEffect, useState } from 'react';
import { findReloaded } from '../workers/day.ts';

/** Places of agreed rounds whose load has changed since; none until it is known. */
export function useReloaded(files: readonly JobFile[]): readonly string[] {
  const [found, setFound] = useState<{ files: readonly JobFile[]; places: string[] }>();
  useEffect(() => {
    if (!files.some(({ job }) => job.clock?.rounds)) return;
    let wanted = true;
    void findReloaded(files).then((places) => {
      if (wanted) setFound({ files, places });
    });
    return () => {
      wanted = false;
    };
  }, [files]);
  return found?.files === files ? found.places : [];
}
