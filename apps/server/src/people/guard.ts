import { FIRST_WORKSHOP, may, type Right } from '@early-lantern/contract';
import type { FastifyReply, FastifyRequest, RouteOptions } from 'fastify';
import { LRUCache } from 'lru-cache';
import type { Database } from '../db/database.ts';
import { goOnIn } from '../db/which-workshop.ts';
import type { EventHub } from '../events/hub.ts';
import { sendProblem } from '../http/problem.ts';
import type { Server } from '../http/types.ts';
import { somebodyHasPassword } from './accounts.ts';
import { PHONE_COOKIE, SESSION_COOKIE, WORKSHOP_COOKIE } from './cookies.ts';
import { workshopOf } from './secrets.ts';
import { principalOf } from './sessions.ts';
import { type Principal, whoAsks } from './who.ts';

declare module 'fastify' {
  interface FastifyContextConfig {
    /**
     * Who may ask for it: those who have this right; anyone, signed in or not; or `unasked`, where it does not even matter who it
     * is. With a route of the API that does not say it nothing starts.
     */
    right?: Right | 'anyone' | 'unasked';
  }
  interface FastifyInstance {
    /** Who may come in has changed: what is known of it is read again. Other servers hear of it from the database. */
    forgetAccess(): void;
  }
  interface FastifyRequest {
    /** Whoever asks; undefined where nobody is signed in. */
    principal: Principal | undefined;
    /** Where: the rows of no other workshop are seen. */
    workshop: string;
  }
}

/** Who sits at this computer where nobody has to sign in. */
const ownerHere: Principal = {
  account: { id: 'owner', name: 'Owner', role: 'owner' },
  sessionHash: null,
  phoneId: null,
};

/** What was read of sessions is believed for so long, where no change of them is told before. */
const BELIEVED_MS = 5_000;
const MOST_KNOWN = 2_000;

interface Guarding {
  db: Database;
  events: EventHub;
  /** Everybody has to sign in, also before there is an account. */
  mustSignIn: boolean;
}

/** Asks every request who it is from, and lets through what they may do: whatever a route does not say is refused. */
export function guard(server: Server, { db, events, mustSignIn }: Guarding): void {
  const known = new LRUCache<string, { principal: Principal | undefined }>({
    max: MOST_KNOWN,
    ttl: BELIEVED_MS,
  });
  let isOpen: Promise<boolean> | undefined;
  let times = 0;
  const forget = () => {
    times += 1;
    known.clear();
    isOpen = undefined;
  };
  const stop = events.subscribe(({ what }) => {
    if (what === 'access' || what === 'anything') forget();
  });
  server.addHook('onClose', async () => stop());

  /** Once there is an account there is one until somebody restores a backup, which ends this process. */
  const isOpenHouse = (): Promise<boolean> => {
    isOpen ??= mustSignIn ? Promise.resolve(false) : somebodyHasPassword(db).then((some) => !some);
    isOpen.catch(() => {
      isOpen = undefined;
    });
    return isOpen;
  };

  // Nobody owns a workshop only because it has no password yet, save the one that was made here with the installation.
  const isOwnersHouse = async ({ workshop }: FastifyRequest): Promise<boolean> =>
    workshop === FIRST_WORKSHOP && (await isOpenHouse());

  const find = async (request: FastifyRequest): Promise<Principal | undefined> => {
    const token = request.cookies[SESSION_COOKIE];
    if (token) {
      const then = times;
      const before = known.get(token);
      const { principal } = before ?? { principal: await principalOf(db, token) };
      // What was read before somebody's access changed is not kept after it.
      if (!before && then === times) known.set(token, { principal });
      if (principal) return principal;
    }
    return (await isOwnersHouse(request)) ? ownerHere : undefined;
  };

  server.decorate('forgetAccess', forget);
  server.decorateRequest('principal', undefined);
  server.decorateRequest('workshop', FIRST_WORKSHOP);
  server.addHook('onRoute', requireRight);
  server.addHook('onRequest', (request, _, done) => {
    request.workshop = workshopNamed(request);
    goOnIn(request.workshop, done);
  });
  server.addHook('onRequest', async (request, reply) => {
    const { right } = request.routeOptions.config;
    if (right === undefined || right === 'unasked') return;
    // Answers are for whoever asked, and asked for again each time.
    reply.header('cache-control', 'private, no-cache');
    request.principal = await find(request);
    if (right !== 'anyone' && !isAllowed(request, reply, right)) return reply;
  });
  // From here on it is known, also deep down, who asks and where: reading a body has let go of what was known before. What is only read
  // has none, and nobody is named for it.
  server.addHook('preHandler', (request, _, done) => {
    if (request.method === 'GET') return done();
    const { principal, workshop } = request;
    goOnIn(workshop, () => (principal ? whoAsks.run(principal, done) : done()));
  });
}

/** The workshop of whoever is signed in, else the one that this device was in last. That they may come in is seen afterwards. */
function workshopNamed({ cookies }: FastifyRequest): string {
  const token = cookies[SESSION_COOKIE] ?? cookies[PHONE_COOKIE];
  return token ? workshopOf(token) : (cookies[WORKSHOP_COOKIE] ?? FIRST_WORKSHOP);
}

/** The page that describes the API is made elsewhere: whoever may look at all may look at it. */
const DOCS = '/api/docs';

function requireRight(route: RouteOptions): void {
  if (!route.url.startsWith('/api/')) return;
  if (route.url.startsWith(DOCS)) route.config = { ...route.config, right: 'look' };
  if (route.config?.right === undefined)
    throw new Error(`${route.method} ${route.url} does not say who may ask for it.`);
}

function isAllowed(request: FastifyRequest, reply: FastifyReply, right: Right): boolean {
  if (!request.principal) {
    sendProblem(
      request,
      reply,
      'sign-in-first',
      'Sign in, then try again. What you typed is kept on this device.',
    );
    return false;
  }
  if (may(request.principal.account.role, right)) return true;
  sendProblem(
    request,
    reply,
    'not-allowed',
    'Your role does not include this. Ask the owner if you need it.',
  );
  return false;
}

/** Who asks, on a route that only somebody who is signed in comes to. */
export const asker = ({ principal }: FastifyRequest): Principal => {
  if (!principal) throw new Error('A route that anyone may ask for asked who it was.');
  return principal;
};
