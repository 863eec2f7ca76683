import type { HoldPiece, Piece, Spot } from '@early-lantern/contract';
import { nearestAlong } from '@early-lantern/core';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef } from 'react';
import { useJob } from '../job/context.ts';
import { idByHand, withPointAt } from './points.ts';

/** The library would drag by arrow keys too, in pixels. */
const KEYS_ARE_OURS = { pointer: { keys: false } };
/** One step of an arrow key along the line, of its length. */
const STEP = 0.01;

/**
 * Points of a garland moved along its line, by hand or by arrow keys.
 * @param px metres of one pixel of the drawing
 */
export function usePointMoves(piece: Piece, spot: Spot, held: HoldPiece, px: number) {
  const { changePiece } = useJob();
  const gestures = useRef(0);
  const place = (id: string, at: number, gesture: string) =>
    changePiece(piece.id, (before) => withPointAt(before, id, at), `${piece.id}-point-${id}-${gesture}`);
  const bind = useDrag(({ args: [index], first, memo, movement: [mx, my], event }) => {
    event.stopPropagation();
    const point = held.points[index as number];
    const start = (memo ?? point) as HoldPiece['points'][number] | undefined;
    if (first) gestures.current += 1;
    if (!start || piece.kind !== 'organic-garland' || (mx === 0 && my === 0)) return start;
    const to = { xM: start.spotXYM.xM + mx * px, yM: start.spotXYM.yM - my * px };
    place(idByHand(start), nearestAlong(piece, spot, to), `drag-${gestures.current}`);
    return start;
  }, KEYS_ARE_OURS);
  const onKey = (event: KeyboardEvent, index: number) => {
    const point = held.points[index];
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP }[event.key];
    if (!point || by === undefined) return;
    event.preventDefault();
    // From where it is by now: presses come faster than the plan is worked out.
    const id = idByHand(point);
    changePiece(
      piece.id,
      (before) => {
        const at = before.hold?.points?.find((one) => one.id === id)?.at ?? point.at;
        return withPointAt(before, id, Math.min(1, Math.max(0, at + by)));
      },
      `${piece.id}-point-${id}-keys`,
    );
  };
  return { bind, onKey };
}
