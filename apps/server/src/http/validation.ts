import { read } from '@early-lantern/contract';
import type { FastifySchemaCompiler } from 'fastify';
import type { z } from 'zod';
import { refused } from './problem.ts';

/** Validates a part of a request against its Zod schema and reports every fault at once. */
export const validatorCompiler: FastifySchemaCompiler<z.ZodType> =
  ({ schema, httpPart }) =>
  (input) => {
    const result = read(schema, input);
    if (result.ok) return { value: result.data };
    const where = httpPart === 'body' ? '' : `${httpPart}.`;
    return { error: refused(result.faults.map((fault) => ({ ...fault, path: `${where}${fault.path}` }))) };
  };
