import { z } from 'zod';

/** What may be too loud for a house in its quiet hours; stakes are hammered in. */
export const TooLoud = z.enum(['inflators', 'drilling', 'carrying', 'music']);
export type TooLoud = z.infer<typeof TooLoud>;
