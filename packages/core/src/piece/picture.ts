import type { ColourId } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import type { PlacedBalloon } from './placed-balloon.ts';

/** A balloon as it is drawn, the nearest last. */
export interface DrawnBalloon extends PlacedBalloon {
  colour: ColourId;
  /** Its size, by which a colour used in place of another is found. */
  nominalIn?: number;
  /** Not round: a modelling balloon's link, a foil's outline. */
  form?: 'link' | 'star' | 'moon' | 'letter';
  /** What is written on it. */
  text?: string;
}

/** What is drawn behind the balloons. Metres on the elevation, y up. */
export type DrawnShape =
  | { shape: 'line'; points: XY[]; widthM: number; tone: 'pipe' | 'thread' | 'ribbon' }
  | {
      shape: 'box';
      xM: number;
      yM: number;
      widthM: number;
      heightM: number;
      tone: 'base' | 'cloth' | 'greenery' | 'board' | 'panel' | 'sign' | 'prop';
      /** A colour of the workshop; left out, the tone's own. */
      colour?: string;
      text?: string;
    };

/** A piece as the elevation shows it. */
export interface Picture {
  shapes: DrawnShape[];
  balloons: DrawnBalloon[];
}

export const upright = (xM: number, fromM: number, toM: number, widthM = 0.027): DrawnShape => ({
  shape: 'line',
  points: [
    { x: xM, y: fromM },
    { x: xM, y: toM },
  ],
  widthM,
  tone: 'pipe',
});

/** A flat base or weight under a pole. */
export const basePlate = (xM: number, yM: number, widthM = 0.4): DrawnShape => ({
  shape: 'box',
  xM: xM - widthM / 2,
  yM,
  widthM,
  heightM: 0.04,
  tone: 'base',
});
