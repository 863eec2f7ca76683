import type { z } from 'zod';

/** What is wrong with a document, and where: `job.pieces[0].widthM`. */
export interface Fault {
  path: string;
  reason: string;
}

type Read<T> = { ok: true; data: T } | { ok: false; faults: Fault[] };

function spell(path: readonly PropertyKey[]): string {
  const text = path.map((key) => (typeof key === 'number' ? `[${key}]` : `.${String(key)}`)).join('');
  return text.replace(/^\./, '') || '(document)';
}

function faultsOf(issue: z.core.$ZodIssue): Fault[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => ({ path: spell([...issue.path, key]), reason: 'unknown key' }));
  }
  return [{ path: spell(issue.path), reason: issue.message }];
}

/** Path and reason of every fault that validation found. */
export function listFaults(error: z.ZodError): Fault[] {
  return error.issues.flatMap(faultsOf);
}

/** A NUL, or half of a surrogate pair: no database keeps it, no file shows it. */
const BROKEN = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Every text in a document that holds a character that cannot be kept. */
function brokenTexts(value: unknown, path: readonly PropertyKey[] = []): Fault[] {
  if (typeof value === 'string')
    return BROKEN.test(value) ? [{ path: spell(path), reason: 'holds a character that cannot be kept' }] : [];
  if (Array.isArray(value)) return value.flatMap((one, i) => brokenTexts(one, [...path, i]));
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, one]) => brokenTexts(one, [...path, key]));
}

/** Validates an unknown document: its typed value, or every fault in it. */
export function read<S extends z.ZodType>(schema: S, document: unknown): Read<z.output<S>> {
  const broken = brokenTexts(document);
  if (broken.length > 0) return { ok: false, faults: broken };
  const result = schema.safeParse(document);
  return result.success ? { ok: true, data: result.data } : { ok: false, faults: listFaults(result.error) };
}
