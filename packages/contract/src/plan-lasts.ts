import { z } from 'zod';
import { ColourId, PieceId } from './ids.ts';
import { LampState } from './lamp-state.ts';
import { DiameterIn } from './scalars.ts';
import { Working } from './working.ts';

/** What becomes of one lot of balloons from inflation to the end of the event. */
export const LastingLot = z.strictObject({
  /** The counts' lot: `B3`. */
  id: z.string(),
  pieceId: PieceId,
  label: z.string(),
  nominalIn: DiameterIn,
  colour: ColourId,
  gas: z.enum(['air', 'helium']),
  /** By the clock, and as they age: an hour in heat counts for more. */
  hoursHeld: z.number(),
  hoursAged: z.number(),
  hoursLimit: z.number(),
  /** To blow to in the workshop, so that it is what was designed when it is hottest on site. */
  blowToIn: DiameterIn,
  /** What the largest come to there if blown as designed, and the most that size takes. */
  hottestIn: z.number(),
  limitIn: z.number(),
  /** Of the air, and of the skin in the sun, where it is hottest. */
  hottestAirC: z.number(),
  hottestSkinC: z.number(),
  sunHours: z.number(),
  state: LampState,
  /** The weakest item, in a sentence. */
  reason: z.string(),
  working: z.array(Working),
});
export type LastingLot = z.infer<typeof LastingLot>;
