import type { JobHead } from '@early-lantern/contract';
import { useJob } from '../job/context.ts';

/** What a job says of itself besides its pieces, under edit. */
export function useHead() {
  const { store, document } = useJob();
  return {
    head: document.head,
    /** Changes of one gesture undo as one. */
    change: (edit: Partial<JobHead>, gesture?: string) =>
      store.change((before) => ({ ...before, head: { ...before.head, ...edit } }), gesture),
    /** Leaves a thing unsaid again. */
    drop: (what: 'gustMs' | 'strikeCrew' | 'vehicles' | 'dropOffs') =>
      store.change((before) => {
        const { [what]: _, ...head } = before.head;
        return { ...before, head: head as JobHead };
      }),
  };
}
