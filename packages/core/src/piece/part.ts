import type { PartId, Stage } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';

/** What a part is made of, as far as fixing to it asks. */
export type PartMade =
  | 'bar'
  | 'pole'
  | 'cloth'
  | 'mesh'
  | 'board'
  | 'frame-behind'
  | 'panel'
  | 'gap'
  | 'balloons'
  | 'table-top'
  | 'table-edge'
  | 'leg';

/** A rectangle on the elevation, metres; `xM`, `yM` its lower left corner. */
export interface Area {
  xM: number;
  yM: number;
  widthM: number;
  heightM: number;
}

/** A part of a piece that something else can hang on, stand on, lean on or be tied into. */
export interface Part {
  id: PartId;
  /** As it is called across the bench: `top bar`. */
  label: string;
  made: PartMade;
  /** Where it runs on the elevation. */
  lines: readonly (readonly XY[])[];
  /** Where it covers an area: whatever lies on it is on the part. */
  area?: Area;
  /** Of so many alike, each bearing its share of what is on it; left out, it is one. */
  alike?: number;
  /** How much of the wind it keeps from what lies on its area, 0 to 1; left out, none. */
  shields?: number;
  /** The stage of its own piece after which something can go on it. */
  after: Stage;
  /** The stage of its own piece by which whatever goes on it must be there: later it is out of reach. */
  before?: Stage;
}

/** A straight part between two points. */
export const straight = (x1: number, y1: number, x2: number, y2: number): XY[] => [
  { x: x1, y: y1 },
  { x: x2, y: y2 },
];

/** The pole and the layers round it, of whatever stands upright and is packed. */
export function columnParts({ xM, yM }: { xM: number; yM: number }, heightM: number, widthM: number): Part[] {
  const axis = straight(xM, yM, xM, yM + heightM);
  return [
    {
      id: 'layer',
      label: 'layers',
      made: 'balloons',
      lines: [axis],
      area: { xM: xM - widthM / 2, yM, widthM, heightM },
      after: 'roof',
      before: 'fill',
    },
    // Once it is clothed nobody reaches it.
    { id: 'pole', label: 'pole', made: 'pole', lines: [axis], after: 'frame', before: 'hang' },
  ];
}
