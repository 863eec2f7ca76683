import type { MaterialRow, PieceId, Plan, Working } from '@early-lantern/contract';
import { createContext, useContext, useEffect, useState } from 'react';

/** A working that is at hand, or where it stands in the whole plan, which is asked for when somebody opens it. */
export type WorkingSource = readonly Working[] | ((whole: Plan) => readonly Working[] | undefined);

/** How the plan on screen is asked for with all its workings. */
export const WholePlan = createContext<(() => Promise<Plan>) | undefined>(undefined);

/** The steps of a working; undefined while they are on their way. */
export function useWorkings(source: WorkingSource): readonly Working[] | undefined {
  const ask = useContext(WholePlan);
  const isLater = typeof source === 'function';
  const [whole, setWhole] = useState<Plan>();
  const [failure, setFailure] = useState<Error>();
  useEffect(() => {
    if (!isLater || !ask) return;
    let wanted = true;
    ask().then((plan) => wanted && setWhole(plan), setFailure);
    return () => {
      wanted = false;
    };
  }, [isLater, ask]);
  // The screen's error boundary shows it.
  if (failure) throw failure;
  if (typeof source !== 'function') return source;
  return whole && (source(whole) ?? []);
}

export const workingOfPiece =
  (pieceId: PieceId) =>
  (whole: Plan): readonly Working[] | undefined =>
    whole.pieces.find(({ id }) => id === pieceId)?.working;

/** The working of a row as it stands in the whole plan. */
export const sameRow = (
  rows: readonly MaterialRow[],
  { label }: MaterialRow,
): readonly Working[] | undefined => rows.find((row) => row.label === label)?.working;
