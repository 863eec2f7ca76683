import type { PipeId } from '@early-lantern/contract';

/** A straight or bent run of one pipe, cut from stock lengths and joined by couplings where it is longer. */
export interface PipeRun {
  pipe: PipeId;
  /** Which one of the piece: "upper bar". */
  label: string;
  lengthM: number;
}

/** What joins a piece's pipes to each other or to its poles, besides couplings within a run. */
export interface Fitting {
  item: 'tee' | 'elbow';
  /** It is sold for this pipe. */
  pipe: PipeId;
  count: number;
  /** What else is pushed into it, by its outer diameter, m. */
  pole: { label: string; odM: number };
}

/** A part that does not bend or come apart: its length, and what of it has to go through a door on edge, m. */
export interface RigidPart {
  thing: string;
  lengthM: number;
  edgeM?: number;
}

/** What a piece has of pipe, fittings and other stiff things that must be cut, fit together and go through doors. */
export interface Hardware {
  pipes: PipeRun[];
  fittings: Fitting[];
  /** Besides its pipes. */
  rigid: RigidPart[];
}

const NONE: Hardware = { pipes: [], fittings: [], rigid: [] };

/** Nothing stiff: balloons, string and cloth. */
export const noHardware = (): Hardware => NONE;

/** A rigid pole comes in lengths that screw together, m. From memory, an editable default. */
const POLE_M = 2.4;

/** One pole of so much height in all. */
export const poleOf = (heightM: number): Hardware => ({
  ...NONE,
  rigid: [{ thing: 'pole', lengthM: Math.min(heightM, POLE_M) }],
});

/** A flat thing that goes through a door on its shorter edge. */
export const boardOf = (thing: string, aM: number, bM: number): Hardware => ({
  ...NONE,
  rigid: [{ thing, lengthM: Math.max(aM, bM), edgeM: Math.min(aM, bM) }],
});
