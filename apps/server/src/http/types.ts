import { Problem, page } from '@early-lantern/contract';
import type {
  FastifyBaseLogger,
  FastifyInstance,
  RawReplyDefaultExpression,
  RawRequestDefaultExpression,
  RawServerDefault,
} from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { BackupKeeper } from '../backup/daily.ts';
import type { Database } from '../db/database.ts';
import type { EventHub } from '../events/hub.ts';
import type { LampKeeper } from '../lamps/keeper.ts';
import type { Planning } from '../plan/plan-cache.ts';
import type { TableReader } from '../sheets/files.ts';
import type { Reckoning } from '../stock/needs-of-all.ts';

/** The server with its Zod-typed routes. */
export type Server = FastifyInstance<
  RawServerDefault,
  RawRequestDefaultExpression,
  RawReplyDefaultExpression,
  FastifyBaseLogger,
  ZodTypeProvider
>;

/** What every route plugin is given. */
export interface RouteOptions {
  /** Rows of the workshop that is asked for. */
  db: Database;
  /** All of the database: for what belongs to no workshop. */
  installation: Database;
  plan: Planning;
  needs: Reckoning;
  readTable: TableReader;
  backups: BackupKeeper;
  lamps: LampKeeper;
  events: EventHub;
}

const problems = { 404: Problem, 409: Problem, 422: Problem };

/** Answers of a route that gives one thing. */
export const gives = <S extends z.ZodType>(schema: S) => ({ 200: schema, ...problems });
/** Answers of a route that makes one thing. */
export const makes = <S extends z.ZodType>(schema: S) => ({ 201: schema, ...problems });
/** Answers of a route that lists. */
export const lists = <S extends z.ZodType>(item: S) => ({ 200: page(item), 422: Problem });

/** For routes that answer at length: shorter answers than this take longer to pack than to send, bytes. */
export const packed = { compress: { threshold: 8 * 1024 } };

/** Query of a change without a body: the revision it was made from. */
export const RevisionQuery = z.object({ revision: z.coerce.number().int().min(1) });
