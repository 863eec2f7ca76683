import { z } from 'zod';
import { Id } from './scalars.ts';

/** Sorts of things that are named by an id elsewhere than where they stand. */
export type Sort = 'colour' | 'person' | 'spot' | 'piece' | 'ladder';

/**
 * An id of one sort of thing; `ofSort` is never there, it is for the compiler. One of another sort does not fit in its place; plain text does, since files are typed.
 */
type IdOf<S extends Sort> = string & { readonly ofSort?: S };

const sorts = z.registry<{ sort: Sort }>();

/** The sort of thing that a schema's ids name; undefined for what names nothing. */
export const sortOf = (schema: z.core.$ZodType): Sort | undefined => sorts.get(schema)?.sort;

function idOf<S extends Sort>(of: S): z.ZodType<IdOf<S>, IdOf<S>> {
  const schema = Id.clone();
  sorts.add(schema, { sort: of });
  return schema as unknown as z.ZodType<IdOf<S>, IdOf<S>>;
}

export const ColourId = idOf('colour');
export type ColourId = z.infer<typeof ColourId>;
export const PersonId = idOf('person');
export type PersonId = z.infer<typeof PersonId>;
export const SpotId = idOf('spot');
export type SpotId = z.infer<typeof SpotId>;
export const PieceId = idOf('piece');
export type PieceId = z.infer<typeof PieceId>;
export const LadderId = idOf('ladder');
export type LadderId = z.infer<typeof LadderId>;
