import type { PieceOf } from '@early-lantern/contract';
import { cutsOnLine, nearestShare, withCut } from '@early-lantern/core';
import type { Field, Grip } from './editor.ts';

type Garland = PieceOf<'organic-garland'>;

/** Grips at the places where a garland is parted: pulled along it, the cuts are as drawn from then on. */
export const cutGrips = (garland: Garland): Grip<Garland>[] =>
  cutsOnLine(garland).map((_, i, all) => ({
    id: `cut-${i}`,
    label: `Cut ${i + 1} of ${all.length}`,
    isCut: true,
    at: (piece) => cutsOnLine(piece)[i] ?? { xM: 0, yM: 0 },
    pull: (piece, to) => withCut(piece, i, nearestShare(piece, to)),
  }));

/** The same places typed, from the thick end. */
export const cutFields = (garland: Garland): Field<Garland>[] =>
  cutsOnLine(garland).map((_, i, all) => ({
    type: 'length',
    label: all.length > 1 ? `Cut ${i + 1}, from the thick end` : 'Cut, from the thick end',
    min: 0.05,
    max: 60,
    value: (piece) => cutsOnLine(piece)[i]?.fromStartM ?? 0,
    set: (piece, fromStartM) => {
      const cut = cutsOnLine(piece)[i];
      return cut ? withCut(piece, i, (fromStartM / cut.fromStartM) * cut.share) : piece;
    },
  }));
