import type { Point, Stage } from '@early-lantern/contract';
import type { BouquetLift } from '../air/helium.ts';
import type { XY } from '../geometry/line.ts';
import type { PartMade } from './part.ts';

/** How a piece goes on other pieces or hangs from the place, as far as what holds it goes by that. */
export interface Upon {
  /** What it can go on, the usual way first; nothing for what only stands. Common practice, no source. */
  goesOn: readonly PartMade[];
  /** Points that stand for it: a part that lies near them may carry it. */
  samples: readonly XY[];
  /** Things alike, each on a fixing of its own. */
  things: number;
  /** A line that it hangs along, from its first end to its last, and that can be laid along another. */
  line?: readonly XY[];
  /** Held by its two ends, and by nothing between them. */
  ends?: Ends;
  /** In the air, held only by a fixing of the place: where. */
  hangsAt?: Point;
  /** It floats at a weight of its own: what the weight has to hold, and the weight, g. */
  floats?: BouquetLift & { balloonsEach: number; weightG: number };
  /** Stages of its work that wait for no carrier. */
  ownFirst?: readonly Stage[];
  /** Among what goes into a carrier it has its own place: the stages after its own last one wait for it. */
  hasOwnTurn?: boolean;
}

/** Two ends, each on a part of a piece, a weighted foot, or a fixing of the place. */
export interface Ends {
  from: Point;
  to: Point;
  sagM: number;
  /** A string drawn tight by hand pulls besides its weight, N. */
  stringN: number;
  /** What it pulls a tower sideways with, N; left out, nothing that a tower feels. */
  pullN?: number;
  /** Ends on weighted feet of their own. */
  feet: readonly ('from' | 'to')[];
  /** On balloons an end goes round so many of them. */
  balloonsRound: number;
  /** A wall's hooks are not made for its pull: of the place only its fixed points hold it. */
  onFixedOnly?: boolean;
  /** Each end may be set on a carrier by itself: of a tower or column so far up, 0 to 1. */
  setAt?: number;
  /** Of those that end at one carrier the lower goes up first. */
  turn?: number;
}

/** What has one place and goes on nothing: it stands. */
export const standsAt = ({ at }: { at: Point }): Upon => ({
  goesOn: [],
  samples: [{ x: at.xM, y: at.yM }],
  things: 1,
});

/** What has one place and may go on parts of other pieces. */
export const goesOn =
  (...made: readonly PartMade[]) =>
  (piece: { at: Point }): Upon => ({ ...standsAt(piece), goesOn: made });
