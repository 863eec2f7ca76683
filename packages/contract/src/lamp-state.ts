import { z } from 'zod';

/** Works, works with little margin, fails, or is not known yet. */
export const LampState = z.enum(['lit', 'low', 'out', 'unlit']);
export type LampState = z.infer<typeof LampState>;
