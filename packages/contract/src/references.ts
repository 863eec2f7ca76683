import type { z } from 'zod';
import { type Sort, sortOf } from './ids.ts';

/** A place in a value where something is named by its id. */
export interface Reference {
  sort: Sort;
  id: string;
  path: (string | number)[];
}

type Schema = z.core.$ZodType;

/** What lies inside a schema: fields by name, what every item of a list or record is, or other schemas of the same value. */
interface Inside {
  fields?: Readonly<Record<string, Schema>>;
  items?: Schema;
  same?: readonly Schema[];
}

function insideOf(schema: Schema): Inside {
  const { def } = (schema as z.core.$ZodTypes)._zod;
  switch (def.type) {
    case 'object':
      return { fields: def.shape };
    case 'array':
      return { items: def.element };
    case 'record':
      return { items: def.valueType };
    case 'optional':
    case 'nullable':
    case 'default':
    case 'readonly':
      return { same: [def.innerType] };
    case 'pipe':
      return { same: [def.in] };
    case 'union':
      return { same: def.options };
    default:
      return {};
  }
}

/** Of a union told apart by a field, the one that the value is; else all it may be. */
function optionsFor(schema: Schema, same: readonly Schema[], value: unknown): readonly Schema[] {
  const { def } = (schema as z.core.$ZodTypes)._zod;
  const by = 'discriminator' in def ? (def.discriminator as string) : undefined;
  if (by === undefined || typeof value !== 'object' || value === null) return same;
  const told = (value as Record<string, unknown>)[by];
  return same.filter((option) => option._zod.propValues?.[by]?.has(told as string));
}

/**
 * Everything that a value names by an id, as its schema says where ids stand. Read leniently: what is not as the schema
 * wants it is passed over, so that other faults may be told beside.
 */
export function referencesIn(schema: Schema, value: unknown, path: Reference['path'] = []): Reference[] {
  const sort = sortOf(schema);
  if (sort) return typeof value === 'string' ? [{ sort, id: value, path }] : [];
  const { fields, items, same } = insideOf(schema);
  if (same) return optionsFor(schema, same, value).flatMap((one) => referencesIn(one, value, path));
  if (typeof value !== 'object' || value === null) return [];
  if (fields)
    return Object.entries(value).flatMap(([key, inner]) =>
      Object.hasOwn(fields, key) ? referencesIn(fields[key] as Schema, inner, [...path, key]) : [],
    );
  if (!items) return [];
  return Array.isArray(value)
    ? value.flatMap((inner, i) => referencesIn(items, inner, [...path, i]))
    : Object.entries(value).flatMap(([key, inner]) => referencesIn(items, inner, [...path, key]));
}

/** Where in values of a schema ids of one sort may stand: JSON pointers with `*` for any place of a list. */
export function placesOf(schema: Schema, sort: Sort, path = ''): string[] {
  if (sortOf(schema) === sort) return [path];
  const { fields, items, same } = insideOf(schema);
  const found = [
    ...(same ?? []).flatMap((one) => placesOf(one, sort, path)),
    ...Object.entries(fields ?? {}).flatMap(([key, inner]) => placesOf(inner, sort, `${path}/${key}`)),
    ...(items ? placesOf(items, sort, `${path}/*`) : []),
  ];
  return [...new Set(found)];
}
