import { z } from 'zod';

/** How a figure came about. */
export const Working = z.strictObject({
  label: z.string(),
  formula: z.string(),
  /** The same where figures are shown in feet and pounds and the formula holds some of its own. */
  formulaInFeet: z.string().optional(),
  inputs: z.array(
    z.strictObject({ name: z.string(), value: z.union([z.number(), z.string()]), unit: z.string() }),
  ),
  value: z.union([z.number(), z.string()]),
  unit: z.string(),
  /** A published source, or how the trade knows it. */
  source: z.string(),
});
export type Working = z.infer<typeof Working>;
