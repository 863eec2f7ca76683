import type { Point, Spot } from '@early-lantern/contract';

/** Shapes to begin an outline from, by the spot's width and height. */
const shapes = {
  gable: [
    [0, 0],
    [1, 0],
    [1, 0.65],
    [0.5, 1],
    [0, 0.65],
  ],
  'stair-up': [
    [0, 0],
    [1, 0.7],
    [1, 1],
    [0, 0.3],
  ],
  'stair-down': [
    [0, 0.7],
    [1, 0],
    [1, 0.3],
    [0, 1],
  ],
  crown: [
    [0.42, 0],
    [0.58, 0],
    [0.58, 0.4],
    [0.92, 0.5],
    [1, 0.72],
    [0.78, 0.95],
    [0.5, 1],
    [0.22, 0.95],
    [0, 0.72],
    [0.08, 0.5],
    [0.42, 0.4],
  ],
} as const;

export const outlineWords = {
  rectangle: 'a rectangle',
  gable: 'a gable',
  'stair-up': 'a stair, rising to the right',
  'stair-down': 'a stair, falling to the right',
  crown: 'a trunk with its crown',
  own: 'its own, by its corners',
} as const;
export type OutlineShape = keyof typeof outlineWords;

const tidy = (value: number) => Number(value.toFixed(3));

/** The corners of a shape as large as the spot; none for a rectangle. */
export function outlineOf(shape: keyof typeof shapes, { widthM, heightM }: Spot): Point[] {
  return shapes[shape].map(([x, y]) => ({ xM: tidy(x * widthM), yM: tidy(y * heightM) }));
}

/** Which shape a spot's outline is, as far as one can tell. */
export function shapeOf(spot: Spot): OutlineShape {
  const { outline } = spot;
  if (!outline) return 'rectangle';
  const same = (shape: keyof typeof shapes) =>
    JSON.stringify(outlineOf(shape, spot)) === JSON.stringify(outline);
  return (Object.keys(shapes) as (keyof typeof shapes)[]).find(same) ?? 'own';
}
