import type { BenchBatch, LastingLot, Lot, PlanPiece, Task } from '@early-lantern/contract';

/**
 * The inflation board: every task that blows balloons, in the order of the clock, with its lots and what to blow to. A
 * size that is blown in several goes has its lots shared out over them in their order.
 */
export function benchBoard(
  pieces: readonly PlanPiece[],
  tasks: readonly Task[],
  lasting: readonly LastingLot[],
): BenchBatch[] {
  const shareOut = sharing(pieces);
  return tasks.flatMap((task): BenchBatch[] => {
    const { blows, place } = task;
    const piece = pieces.find(({ id }) => id === task.pieceId);
    if (!piece || !blows || place === 'road') return [];
    const lots = shareOut(piece, blows);
    if (lots.length === 0) return [];
    const { id, label, start, end, crew, gear } = task;
    return [
      {
        id,
        pieceId: piece.id,
        label,
        place,
        start,
        end,
        crew,
        gear,
        nominalIn: blows.nominalIn,
        blowToIn: blowTo(
          lots.map(({ lot }) => lot),
          lasting.filter((one) => one.pieceId === piece.id),
        ),
        lots: lots.map(({ lot, count }) => ({ id: lot.id, colour: lot.colour, count })),
      },
    ];
  });
}

const isFiller = (lot: Lot) => lot.cluster.startsWith('trios');

/** Takes what a batch blows off the lots of its piece and size; the spares go with the last of a lot. */
function sharing(pieces: readonly PlanPiece[]) {
  const left = new Map(pieces.flatMap((piece) => piece.lots.map((lot) => [lot, lot.count] as const)));
  return (piece: PlanPiece, { nominalIn, count, isFiller: asFillers }: NonNullable<Task['blows']>) => {
    let open = count;
    return piece.lots.flatMap((lot) => {
      const there = left.get(lot) ?? 0;
      if (lot.nominalIn !== nominalIn || isFiller(lot) !== asFillers || there === 0 || open === 0) return [];
      const taken = Math.min(there, open);
      open -= taken;
      left.set(lot, there - taken);
      return [{ lot, count: taken + (taken === there ? lot.spare : 0) }];
    });
  };
}

/** Warmer skins swell more: the lot that is blown smallest sets what the batch is blown to. */
function blowTo(lots: readonly Lot[], lasting: readonly LastingLot[]): BenchBatch['blowToIn'] {
  const share = Math.min(
    ...lots.map(({ id, inflatedIn }) => {
      const found = lasting.find((one) => one.id === id);
      return (found?.blowToIn ?? inflatedIn.max) / inflatedIn.max;
    }),
  );
  const tenth = (inches: number) => Math.max(1, Number((inches * share).toFixed(1)));
  return {
    min: tenth(Math.min(...lots.map(({ inflatedIn }) => inflatedIn.min))),
    max: tenth(Math.max(...lots.map(({ inflatedIn }) => inflatedIn.max))),
  };
}
