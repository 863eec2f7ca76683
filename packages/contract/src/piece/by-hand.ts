import { z } from 'zod';

const Share = z.number().min(0).max(1);
const place = {
  /** Which of the piece's lines, where it has several; left out, the first. */
  line: z.int().min(0).max(7).optional(),
  /** How far along that line from its thick end, as a share of its length. */
  at: Share,
};

/** What was changed by hand on an organic dressing after it was looked at: of the cluster nearest to a place along its line. */
export const ByHand = z.discriminatedUnion('what', [
  /** Its colours and those of the cluster nearest to `with` change places, size by size. */
  z.strictObject({ what: z.literal('swap'), ...place, with: Share }),
  /** It is turned round the line. */
  z.strictObject({ what: z.literal('turn'), ...place, byDeg: z.int().min(-180).max(180) }),
  /** So many clusters more are tied there. */
  z.strictObject({ what: z.literal('widen'), ...place, clusters: z.int().min(1).max(6) }),
  /** Single balloons on dashes, side by side, on an edge `asideM` to the left of the line as it runs. */
  z.strictObject({
    what: z.literal('edge'),
    ...place,
    asideM: z.number().min(-2).max(2),
    singles: z.int().min(1).max(60),
  }),
]);
export type ByHand = z.infer<typeof ByHand>;
