import { z } from 'zod';

/** One breach of a rule that spans several fields. `path` is relative to the object checked. */
export interface Breach {
  path: (string | number)[];
  reason: string;
}

/**
 * Adds a rule that reads several fields of an object. Unlike a plain refinement it also runs when
 * other fields are at fault, as long as those it reads (`reads`) are sound, so that a reader is
 * told of every fault at once.
 */
export function withRule<S extends z.ZodType, R extends z.core.$ZodLooseShape>(
  schema: S,
  reads: z.ZodObject<R>,
  check: (value: z.output<z.ZodObject<R>>) => Breach[],
): S {
  // Other keys are none of this rule's business, even where the schema itself is strict.
  const fields = z.object(reads.shape);
  const rule = z.check<z.output<S>>((ctx) => {
    const seen = fields.safeParse(ctx.value);
    if (!seen.success) return;
    for (const breach of check(seen.data)) {
      ctx.issues.push({
        code: 'custom',
        path: breach.path,
        message: breach.reason,
        input: ctx.value,
        continue: true,
      });
    }
  });
  rule._zod.def.when = () => true;
  return schema.check(rule) as S;
}

/** Breaches for values that occur twice in a list: every occurrence after the first. */
export function repeated(list: string[], path: string, field?: string): Breach[] {
  return list.flatMap((value, index) =>
    list.indexOf(value) < index
      ? [{ path: field ? [path, index, field] : [path, index], reason: `"${value}" occurs twice` }]
      : [],
  );
}

/** A breach if the shares of a mix do not add up to 100 % (to a hundredth of a per cent). */
export function sharesAddUp(shares: number[], path: string): Breach[] {
  const sum = shares.reduce((total, share) => total + share, 0);
  if (Math.abs(sum - 100) <= 0.01) return [];
  return [{ path: [path], reason: `the shares add up to ${Number(sum.toFixed(2))} %, not 100 %` }];
}
