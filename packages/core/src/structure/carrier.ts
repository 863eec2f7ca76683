import type { BaseId, HoldCase, Working } from '@early-lantern/contract';
import type { Pipe } from './pipes.ts';
import type { Standing, TieSet } from './standing.ts';

/** What carries a standing piece, before its bases are weighted. */
export interface Carrier extends Omit<Standing, 'feet' | 'friction' | 'ties'> {
  /** In words: `pipe arch between two bases`. */
  label: string;
  base: BaseId;
  /** Middles of the feet, m right of the piece's own middle. */
  feetXM: number[];
  /** Where a line can be tied to it, m right of its middle and above its foot, to be mirrored; the best first. */
  tieEnds: { xM: number; yM: number }[];
  /** Tie lines that practice asks for outdoors, whatever the figures. */
  tiesByPractice: number;
  /** Feet of its own in place of bases out of the catalogue: a table's legs. */
  ownFeet?: OwnFeet;
  /** Ways to come down besides those of whatever stands, each with the arm, m, at which lines hold against it. */
  moreCases?: (ties: TieSet | undefined, required: number) => { one: HoldCase; tieArmM: number }[];
  /** A pipe bent between its feet: in the wind it bends further. */
  bent?: BentArch;
  /** Where something heavy sits at a share of its length, m right of its middle; left out where nothing is put on. */
  pickX?: (at: number) => number;
  /** How far below its own foot the floor is, m: a table's height, a sign's pole. */
  floorBelowM?: number;
  troubles: string[];
  notes: string[];
  working: Working[];
}

/** What a piece stands on when that is no base of the business: each foot's mass, kg, and footprint, m. */
export interface OwnFeet {
  label: string;
  massKg: number;
  widthM: number;
  depthM: number;
  mostBallastKg: number;
  source: string;
}

/** A pipe that is bent into an arch: what the wind across it asks to know. */
export interface BentArch {
  pipe: Pipe;
  lengthM: number;
  spanM: number;
  riseM: number;
  meanHeightM: number;
  /** Formed to its shape beforehand: nothing is locked into it. */
  isFormed: boolean;
  /** At each base in the plane of the arch, at rest, N·m. */
  restMomentNm: number;
}
