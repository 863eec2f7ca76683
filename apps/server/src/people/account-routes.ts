import { Account, AccountRow, Handed, Id, PinCode, update } from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { ProblemError } from '../http/problem.ts';
import { gives, makes, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import {
  addAccount,
  endSessions,
  getAccount,
  invite,
  listAccounts,
  removeAccount,
  setPin,
  updateAccount,
} from './accounts.ts';
import { Done, done, forgetAfterChanges } from './done.ts';

const ById = z.object({ id: Id });

/** Those who may come in: let in, changed, let in no more. */
export async function accountRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['people'];
  forgetAfterChanges(server);

  server.get(
    '/accounts',
    { config: { right: 'manage access' }, schema: { tags, response: gives(z.array(AccountRow)) } },
    () => listAccounts(db),
  );

  server.post(
    '/accounts',
    {
      config: { right: 'manage access' },
      schema: {
        tags,
        summary: 'Lets somebody in; the link sets their password',
        body: Account,
        response: makes(Handed),
      },
    },
    async ({ body, principal }, reply) => {
      if (principal?.sessionHash === null)
        throw new ProblemError(
          'not-allowed',
          'Give yourself a password first: until then everybody here is the owner.',
        );
      const handed = await changeHouse(db, async (tx) => {
        await addAccount(tx, body);
        return invite(tx, body.id);
      });
      return reply.code(201).send(handed);
    },
  );

  server.put(
    '/accounts/:id',
    {
      config: { right: 'manage access' },
      schema: { tags, params: ById, body: update(Account), response: gives(AccountRow) },
    },
    ({ params, body }) =>
      changeHouse(db, (tx) => updateAccount(tx, params.id, body.revision, { ...body.data, id: params.id })),
  );

  server.delete(
    '/accounts/:id',
    {
      config: { right: 'manage access' },
      schema: { tags, params: ById, querystring: RevisionQuery, response: gives(AccountRow) },
    },
    ({ params, query }) => changeHouse(db, (tx) => removeAccount(tx, params.id, query.revision)),
  );

  server.post(
    '/accounts/:id/invitation',
    {
      config: { right: 'manage access' },
      schema: {
        tags,
        summary: 'A new link: also for who has forgotten the password',
        params: ById,
        response: gives(Handed),
      },
    },
    ({ params }) => invite(db, params.id),
  );

  server.post(
    '/accounts/:id/sign-out',
    {
      config: { right: 'manage access' },
      schema: { tags, summary: 'On every device', params: ById, response: gives(Done) },
    },
    async ({ params }) => {
      await getAccount(db, params.id);
      await endSessions(db, params.id);
      return done;
    },
  );

  server.get(
    '/helpers',
    {
      config: { right: 'hand out phones' },
      schema: { tags, summary: 'Those whose PIN a lead may set', response: gives(z.array(AccountRow)) },
    },
    async () => (await listAccounts(db)).filter(({ data }) => isForPin(data)),
  );

  server.put(
    '/accounts/:id/pin',
    {
      config: { right: 'hand out phones' },
      schema: {
        tags,
        summary: 'For shared phones; null takes it away',
        params: ById,
        body: z.strictObject({ pin: PinCode.nullable() }),
        response: gives(AccountRow),
      },
    },
    async ({ params, body }) => {
      const { data } = await getAccount(db, params.id);
      if (!isForPin(data))
        throw new ProblemError('not-allowed', 'Only helpers and viewers sign in with a PIN.');
      return setPin(db, params.id, body.pin);
    },
  );
}

/** Whoever may change plans signs in with a password, wherever they are. */
const isForPin = ({ role }: Account): boolean => role === 'helper' || role === 'viewer';
