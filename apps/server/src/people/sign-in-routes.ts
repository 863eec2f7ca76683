import {
  AcceptInvitation,
  type Account,
  ChangePassword,
  FIRST_WORKSHOP,
  FirstOwner,
  Invitation,
  Me,
  PinSignIn,
  SignIn,
  Token,
} from '@early-lantern/contract';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { inWorkshop, workshopAsked } from '../db/which-workshop.ts';
import { ProblemError } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { areSeveral } from '../workshop/several.ts';
import { findSettings } from '../workshop/store.ts';
import {
  accountNamed,
  accountsWithPin,
  endSessions,
  FIRST_OWNER,
  getAccount,
  invitedBy,
  putFirstOwner,
  setPassword,
  somebodyHasPassword,
} from './accounts.ts';
import { dropSession, keepSession, keepWorkshop, PHONE_COOKIE, WORKSHOP_COOKIE } from './cookies.ts';
import { Done, done, forgetAfterChanges } from './done.ts';
import { asker } from './guard.ts';
import { workshopOf } from './secrets.ts';
import { beginSession, endSession, phoneOf } from './sessions.ts';
import { trySecret } from './tries.ts';

/** Requests of one address that try a password, PIN or link: so many a minute. */
const limited = { rateLimit: { max: 20, timeWindow: '1 minute' } };

/** Who asks; signing in and out, by password, PIN or invitation. */
export async function signInRoutes(server: Server, { db, installation }: RouteOptions): Promise<void> {
  const tags = ['people'];
  forgetAfterChanges(server);
  const nameOfWorkshop = async () => (await findSettings(db))?.data.name ?? '';

  /** Of a workshop among several the name is told to those who know which it is. */
  const where = async (request: FastifyRequest) => {
    if (!(await areSeveral(installation))) return { workshop: await nameOfWorkshop(), workshopId: null };
    const id = workshopAsked() ?? FIRST_WORKSHOP;
    const isKnown = request.principal !== undefined || request.cookies[WORKSHOP_COOKIE] !== undefined;
    return isKnown ? { workshop: await nameOfWorkshop(), workshopId: id } : { workshop: '', workshopId: '' };
  };

  /** Signs somebody in on this device, in the workshop asked for. Whatever session the device had before ends. */
  const letIn = async (
    request: FastifyRequest,
    reply: FastifyReply,
    account: Account,
    phoneId: string | null,
  ) => {
    const before = request.principal?.sessionHash;
    if (before) await inWorkshop(request.workshop, () => endSession(db, before));
    const { token, endsAt } = await beginSession(db, account.id, phoneId);
    keepSession(reply, token, endsAt);
    const workshopId = (await areSeveral(installation)) ? (workshopAsked() ?? FIRST_WORKSHOP) : null;
    if (workshopId !== null) keepWorkshop(reply, workshopId);
    return { workshop: await nameOfWorkshop(), workshopId, isOpen: false, account, phone: null };
  };

  server.get(
    '/me',
    {
      config: { right: 'anyone' },
      schema: { tags, summary: 'Who asks, and how they may sign in', response: gives(Me) },
    },
    async (request) => {
      const { principal } = request;
      const phone = await phoneOf(db, request.cookies[PHONE_COOKIE]);
      return {
        ...(await where(request)),
        isOpen: principal !== undefined && principal.sessionHash === null,
        account: principal?.account ?? null,
        phone: phone
          ? {
              name: phone.name,
              people: (await accountsWithPin(db)).map(({ id, name }) => ({ id, name })),
            }
          : null,
      };
    },
  );

  server.post(
    '/owner',
    {
      config: { right: 'manage access', ...limited },
      schema: {
        tags,
        summary: 'The first account; from then on everybody signs in',
        body: FirstOwner,
        response: gives(Me),
      },
    },
    async (request, reply) => {
      const { name, password } = request.body;
      const account: Account = { id: FIRST_OWNER, name: name.trim(), role: 'owner' };
      await changeHouse(db, async (tx) => {
        if (await somebodyHasPassword(tx))
          throw new ProblemError('already-there', 'There is an owner already. Sign in.');
        await putFirstOwner(tx, account);
        await setPassword(tx, account.id, password);
      });
      return letIn(request, reply, account, null);
    },
  );

  server.post(
    '/sign-in',
    { config: { right: 'anyone', ...limited }, schema: { tags, body: SignIn, response: gives(Me) } },
    (request, reply) =>
      // One that is not there has nobody of that name, and says so in the same time.
      inWorkshop(request.body.workshop ?? request.workshop, async () => {
        const { name, password } = request.body;
        const account = await accountNamed(db, name);
        if (!(await trySecret(db, account, account?.passwordHash ?? null, password)) || !account)
          throw new ProblemError('sign-in-first', 'Name or password is wrong.');
        return letIn(request, reply, account.data, null);
      }),
  );

  server.post(
    '/sign-in/pin',
    {
      config: { right: 'anyone', ...limited },
      schema: { tags, summary: 'On a shared phone', body: PinSignIn, response: gives(Me) },
    },
    async (request, reply) => {
      const phone = await phoneOf(db, request.cookies[PHONE_COOKIE]);
      if (!phone)
        throw new ProblemError('not-allowed', 'PINs work on a shared phone only. Sign in with a password.');
      const account = await getAccount(db, request.body.accountId);
      if (!(await trySecret(db, account, account.pinHash, request.body.pin)))
        throw new ProblemError('sign-in-first', 'That PIN is wrong.');
      return letIn(request, reply, account.data, phone.id);
    },
  );

  server.post(
    '/sign-out',
    { config: { right: 'anyone' }, schema: { tags, response: gives(Done) } },
    async ({ principal }, reply) => {
      if (principal?.sessionHash) await endSession(db, principal.sessionHash);
      dropSession(reply);
      return done;
    },
  );

  server.post(
    '/sign-out/everywhere',
    { config: { right: 'look' }, schema: { tags, summary: 'On every device', response: gives(Done) } },
    async (request, reply) => {
      await endSessions(db, asker(request).account.id);
      dropSession(reply);
      return done;
    },
  );

  server.put(
    '/me/password',
    { config: { right: 'look', ...limited }, schema: { tags, body: ChangePassword, response: gives(Me) } },
    async (request, reply) => {
      const account = await getAccount(db, asker(request).account.id);
      const { current, password } = request.body;
      if (!(await trySecret(db, account, account.passwordHash, current)))
        throw new ProblemError('sign-in-first', 'The password you have now is wrong.');
      await setPassword(db, account.id, password);
      // Whoever else was signed in with the old one is not any more.
      await endSessions(db, account.id);
      return letIn(request, reply, account.data, null);
    },
  );

  server.post(
    '/invitations/look',
    {
      config: { right: 'anyone', ...limited },
      schema: {
        tags,
        summary: 'Whom a link invites',
        body: z.strictObject({ token: Token }),
        response: gives(Invitation),
      },
    },
    ({ body }) =>
      inWorkshop(workshopOf(body.token), async () => {
        const { name, role } = (await invitedBy(db, body.token)).data;
        return { workshop: await nameOfWorkshop(), name, role };
      }),
  );

  server.post(
    '/invitations/accept',
    {
      config: { right: 'anyone', ...limited },
      schema: { tags, body: AcceptInvitation, response: gives(Me) },
    },
    (request, reply) =>
      inWorkshop(workshopOf(request.body.token), async () => {
        const account = await invitedBy(db, request.body.token);
        await setPassword(db, account.id, request.body.password);
        await endSessions(db, account.id);
        return letIn(request, reply, account.data, null);
      }),
  );
}
