import type { BenchBatch, InflatedRange, Lot, PlanPiece, Task } from '@early-lantern/contract';
import { isFillerName } from '../piece/cluster-names.ts';
import { diameters } from './diameters.ts';

/**
 * The inflation board: every task that blows balloons, in the order of the clock, with its lots and what to blow to. A
 * size that is blown in several goes has its lots shared out over them in their order.
 */
export function benchBoard(pieces: readonly PlanPiece[], tasks: readonly Task[]): BenchBatch[] {
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
        blowToIn: widest(lots.map(({ lot }) => lot)),
        lots: lots.map(({ lot, count }) => ({ id: lot.id, colour: lot.colour, count })),
      },
    ];
  });
}

/** Tasks that blow balloons with what to blow them to, as the board has it. */
export function labelledTasks(pieces: readonly PlanPiece[], tasks: readonly Task[]): Task[] {
  const shareOut = sharing(pieces);
  return tasks.map((task) => {
    const piece = pieces.find(({ id }) => id === task.pieceId);
    if (!piece || !task.blows) return task;
    const lots = shareOut(piece, task.blows).map(({ lot }) => lot);
    return lots.length === 0
      ? task
      : { ...task, label: `${task.label}${task.blows.isFiller ? ',' : ''} to ${diameters(widest(lots))}` };
  });
}

const isFiller = (lot: Lot) => isFillerName(lot.cluster);

/** Takes what a batch blows off the lots of its piece and size. */
function sharing(pieces: readonly PlanPiece[]) {
  const left = new Map(pieces.flatMap((piece) => piece.lots.map((lot) => [lot, lot.blown] as const)));
  return (piece: PlanPiece, { nominalIn, count, isFiller: asFillers }: NonNullable<Task['blows']>) => {
    let open = count;
    return piece.lots.flatMap((lot) => {
      const there = left.get(lot) ?? 0;
      if (lot.nominalIn !== nominalIn || isFiller(lot) !== asFillers || there === 0 || open === 0) return [];
      const taken = Math.min(there, open);
      open -= taken;
      left.set(lot, there - taken);
      return [{ lot, count: taken }];
    });
  };
}

/** From the smallest of all lots to the largest. */
const widest = (lots: readonly Lot[]): InflatedRange => ({
  min: Math.min(...lots.map(({ blowToIn }) => blowToIn.min)),
  max: Math.max(...lots.map(({ blowToIn }) => blowToIn.max)),
});
