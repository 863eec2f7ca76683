import type { Fits, PackingRow } from '@early-lantern/contract';
import { useRef } from 'react';
import { useJob } from '../job/context.ts';

interface Loaded {
  fits: Fits;
  packing: readonly PackingRow[];
  /** Something has been edited since: it is being loaded anew. */
  isOld: boolean;
}

/** The load of the plan on screen; while something is edited, the one before. */
export function useLoaded(): Loaded | undefined {
  const { planned } = useJob();
  const last = useRef<Loaded>(undefined);
  if (!planned) return undefined;
  const { fits, packing } = planned.plan;
  if (!fits.isQuick) last.current = { fits, packing, isOld: false };
  else if (last.current) last.current = { ...last.current, isOld: true };
  return last.current;
}
