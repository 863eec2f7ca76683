import { z } from 'zod';
import { ColourId, PieceId } from './ids.ts';
import { LookLimits } from './looks.ts';

/** A place without balloons: where the largest circle that goes in has its middle, and how large it is, m. */
export const LookGap = z.strictObject({
  xM: z.number(),
  yM: z.number(),
  /** In front of the wall, or of the plane of the piece. */
  zM: z.number(),
  radiusM: z.number(),
  /** From where it is seen: the front, or half-way to its left or right. */
  view: z.enum(['front', 'left', 'right']),
  /** What closes it, in words. */
  closeWith: z.string(),
});
export type LookGap = z.infer<typeof LookGap>;

/** Balloons of one colour side by side, more of them than dealing at random leaves together. */
export const LookClump = z.strictObject({
  colour: ColourId,
  /** Its middle, as it is seen from the front, and how wide it is, m. */
  xM: z.number(),
  yM: z.number(),
  widthM: z.number(),
  balloons: z.int(),
  /** As many a patch has at the most where they are dealt at random. */
  usual: z.int(),
});
export type LookClump = z.infer<typeof LookClump>;

/** A filler in its place on the dressing map. */
export const LookFiller = z.strictObject({
  pieceId: PieceId,
  /** On the dressing map of its piece, from 1 along it: those that are counted, then the others. */
  number: z.int().min(1),
  /** What it is, in words. */
  name: z.string(),
  xM: z.number(),
  yM: z.number(),
  zM: z.number(),
  view: LookGap.shape.view,
  /** Counted already; else it is one of those that would close what is left. */
  isCounted: z.boolean(),
});
export type LookFiller = z.infer<typeof LookFiller>;

/** A place along a piece and how far off it is there. */
const off = { xM: z.number(), yM: z.number() };

/** A piece as it will look once it is built: settled, seen from the front and half-way to either side. */
export const FullPiece = z.strictObject({
  id: PieceId,
  /** Of what it is strung or clipped on, the share seen from the worst side, per cent: without fillers, and with those counted. */
  spineSeenPct: z.strictObject({ before: z.number(), after: z.number() }),
  /** The longest stretch of it that is bare with those counted, m. */
  spineSeenM: z.number(),
  /** Of its outline the share seen through, from the worst side, per cent. */
  seeThroughPct: z.strictObject({ before: z.number(), after: z.number() }),
  /** Of that, what is enclosed on all sides; the rest is notches in its edge. */
  holesPct: z.number(),
  /** Across the largest gap that is left, m; 0 where there is none worth closing. */
  largestGapM: z.number(),
  gaps: z.array(LookGap),
  /** How far the middle of its outline strays from the line that was drawn, and where; null where that was not looked at. */
  straightness: z.strictObject({ offM: z.number(), ...off }).nullable(),
  /** Its narrowest place over the width it was to have there, and where. */
  evenness: z.strictObject({ narrowPct: z.number(), ...off }).nullable(),
  /** Of a piece that comes down to the floor: how high its foot ends above it, and on how long a stretch it lies there. */
  floorContact: z.strictObject({ gapM: z.number(), spreadM: z.number(), ...off }).nullable(),
  /** Patches of one colour, the largest first. */
  clumps: z.array(LookClump),
  /** Colours that are to be mixed evenly and hardly come at one stretch: of a third of the piece, from its thick end. */
  scarce: z.array(z.strictObject({ colour: ColourId, at: z.enum(['thick end', 'middle', 'tip']) })),
  /** Deep places between balloons, seen from the front, the deepest first. */
  crevices: z.array(z.strictObject({ ...off, depthM: z.number() })),
  /** Of the largest balloons that are to face the front: how many there are, how many others hide, and where those hang. */
  largeHidden: z.strictObject({ of: z.int(), hidden: z.array(z.strictObject(off)) }).nullable(),
  /** Stretches of the edge of a panel or board it runs along that it leaves open, the longest first. */
  edgesOpen: z.array(z.strictObject({ ...off, lengthM: z.number() })),
  /** Corners of its line, the most slumped first: how far its outline reaches beyond each over half of the width there, per cent. */
  corners: z.array(z.strictObject({ ...off, reachPct: z.number() })),
  /**
   * Accents that are to be spread, of each sort of which there are three or more: the longest stretch without one, where it is,
   * and how far apart they would be evenly spread, m.
   */
  accents: z.array(
    z.strictObject({ name: z.string(), of: z.int(), freeM: z.number(), evenM: z.number(), ...off }),
  ),
  /** Made with air between its balloons, as a chain is: nothing of it is to be closed. */
  isOpen: z.boolean(),
  /** What to look at when it hangs and one steps back, and what to do about it: a sentence each. */
  lookOver: z.array(z.string()),
  /** What of it is not to be found, here. */
  limits: LookLimits,
  /** Fillers that close it, and how many are counted. */
  fillers: z.strictObject({ name: z.string(), needed: z.int(), counted: z.int() }),
});
export type FullPiece = z.infer<typeof FullPiece>;

/** Will it look right? Of all pieces made of balloons. */
export const Full = z.strictObject({
  pieces: z.array(FullPiece),
  /** Where fillers go, piece by piece in the order along it. */
  fillers: z.array(LookFiller),
  /** Roughly settled and seen from the front alone, while something is dragged. */
  isQuick: z.boolean(),
});
export type Full = z.infer<typeof Full>;
