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

/** Validates an unknown document: its typed value, or every fault in it. */
export function read<S extends z.ZodType>(schema: S, document: unknown): Read<z.output<S>> {
  const result = schema.safeParse(document);
  return result.success ? { ok: true, data: result.data } : { ok: false, faults: listFaults(result.error) };
}
