import { z } from 'zod';

/** What somebody has changed, as it is told to open pages. */
export const Changed = z.strictObject({
  what: z.enum([
    'workshop',
    'crew',
    'site',
    'job',
    'piece',
    'packing',
    'site-log',
    'photo',
    'lamps',
    'needs',
    'stock',
    'access',
    'link',
    'template',
    'anything',
  ]),
  /** Of the row; of what belongs to a job, the job's. Empty where anything may have changed. */
  id: z.string(),
});
export type Changed = z.infer<typeof Changed>;
