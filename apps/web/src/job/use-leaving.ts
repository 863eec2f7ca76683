import { useEffect } from 'react';
import { keys, queryClient } from '../api/queries.ts';
import type { JobStore } from './job-store.ts';

/** Saves what waits when the job or the page is left, and lets the Horizon look again. */
export function useLeaving(store: JobStore): void {
  useEffect(() => {
    const onHide = () => {
      if (window.document.visibilityState === 'hidden') void store.flush();
    };
    window.document.addEventListener('visibilitychange', onHide);
    return () => {
      window.document.removeEventListener('visibilitychange', onHide);
      void store.flush().finally(() => queryClient.invalidateQueries({ queryKey: keys.jobs }));
    };
  }, [store]);
}
