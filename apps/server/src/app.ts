import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { problems } from '@early-lantern/contract';
import compress from '@fastify/compress';
import cookie from '@fastify/cookie';
import etag from '@fastify/etag';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import fastify, { type FastifyReply, type FastifyServerOptions, LogController } from 'fastify';
import { jsonSchemaTransform, type ZodTypeProvider } from 'fastify-type-provider-zod';
import { type BackupKeeper, noBackups } from './backup/daily.ts';
import { backupRoutes } from './backup/routes.ts';
import { crewRoutes } from './crew/routes.ts';
import type { Database } from './db/database.ts';
import { type EventHub, noEvents } from './events/hub.ts';
import { eventRoutes } from './events/routes.ts';
import { healthRoutes } from './health/routes.ts';
import { noteRequests } from './http/logging.ts';
import { ownNamesOnly } from './http/own-names.ts';
import { ownPagesOnly } from './http/own-pages.ts';
import { answerError, ProblemError, sendProblem } from './http/problem.ts';
import { safeHeaders } from './http/safe-headers.ts';
import type { Server } from './http/types.ts';
import { cutUnused } from './http/unused.ts';
import { validatorCompiler } from './http/validation.ts';
import { jobFileRoutes, jobSchemaRoute } from './job-files/routes.ts';
import { jobRoutes } from './jobs/routes.ts';
import { keepLamps, type LampKeeper } from './lamps/keeper.ts';
import { lampRoutes } from './lamps/routes.ts';
import { packingRoutes } from './packing/routes.ts';
import { accountRoutes } from './people/account-routes.ts';
import { calendarRoutes } from './people/calendar-routes.ts';
import { guard } from './people/guard.ts';
import { linkRoutes } from './people/link-routes.ts';
import { keepMoneyBack } from './people/money.ts';
import { phoneRoutes } from './people/phone-routes.ts';
import { signInRoutes } from './people/sign-in-routes.ts';
import { photoRoutes } from './photos/routes.ts';
import { pieceRoutes } from './pieces/routes.ts';
import { type Planning, planCache } from './plan/plan-cache.ts';
import { planRoutes } from './plan/routes.ts';
import { loopback, type Reach } from './reach/reach.ts';
import { trustRoute } from './reach/trust-routes.ts';
import type { TableReader } from './sheets/files.ts';
import { readTable as readTableHere } from './sheets/read-table.ts';
import { sheetRoutes } from './sheets/routes.ts';
import { siteLogRoutes } from './site-log/routes.ts';
import { siteRoutes } from './sites/routes.ts';
import { needsOfAll, type Reckoning } from './stock/needs-of-all.ts';
import { stockRoutes } from './stock/routes.ts';
import { templateRoutes } from './templates/routes.ts';
import { travelRoutes } from './travel/routes.ts';
import { versionRoutes } from './versions/routes.ts';
import { weatherRoutes } from './weather/routes.ts';
import { wholeRoutes } from './whole/routes.ts';
import { workshopRoutes } from './workshop/routes.ts';

interface AppOptions {
  db: Database;
  /** All of the database, where `db` sees one workshop only; the same where not said. */
  installation?: Database;
  /** Folder of the built web app; without it only the API is served. */
  webRoot?: string;
  /** Works plans out; in this thread where not said. */
  plan?: Planning;
  /** Reads sheets; in this thread where not said. */
  readTable?: TableReader;
  /** Keeps what the lamps of jobs say; works it out in this thread where not said. */
  lamps?: LampKeeper;
  /** Works out what jobs take; in this thread where not said. */
  needs?: Reckoning;
  /** Makes backups; none where not said. */
  backups?: BackupKeeper;
  /** From where it is reached; this machine alone where not said. */
  reach?: Reach;
  /** Where the certificate lies that other devices may trust. */
  authorityPath?: string | undefined;
  /** Tells what is changed; where not said, nothing is. */
  events?: EventHub;
  /** Where the log goes; nowhere where not said. */
  logger?: FastifyServerOptions['logger'];
}

/** The page that describes the API carries the product's own name. */
const nameAsPicture =
  '<svg xmlns="http://www.w3.org/2000/svg" width="180" height="40"><text x="0" y="27" font-family="sans-serif" font-weight="700" font-size="22" fill="#fffaf0">Early Lantern</text></svg>';

/** A job file of some hundred pieces, or a sheet of some thousand products, is well below this. */
const LARGEST_BODY = 6 * 1024 * 1024;

/** The whole server: API under /api, the web app everywhere else. */
export async function buildApp({
  db,
  installation = db,
  webRoot,
  plan,
  readTable = readTableHere,
  backups = noBackups,
  events = noEvents,
  lamps = keepLamps(),
  needs = async (files) => needsOfAll(files),
  reach = loopback,
  authorityPath,
  logger = false,
}: AppOptions): Promise<Server> {
  const server = fastify({
    ...(reach.tls ? { https: reach.tls } : {}),
    trustProxy: reach.trustsProxy ? 'loopback' : false,
    logger,
    logController: new LogController({ disableRequestLogging: true }),
    // Node draws many of these at a time.
    genReqId: () => randomUUID().slice(-10),
    bodyLimit: LARGEST_BODY,
    forceCloseConnections: 'idle',
    // Its type names the server below it, TLS or not; nothing here asks which.
  }).withTypeProvider<ZodTypeProvider>() as unknown as Server;
  server.setValidatorCompiler(validatorCompiler);
  // What routes answer is checked by their types; checking it again at every answer would cost more than making it.
  server.setSerializerCompiler(() => JSON.stringify);
  server.setErrorHandler(answerError);
  server.addHook('onRequest', ownNamesOnly(reach.names));
  server.addHook('onRequest', ownPagesOnly);

  await safeHeaders(server);
  await server.register(cookie);
  await server.register(rateLimit, {
    global: false,
    errorResponseBuilder: () =>
      new ProblemError('too-many-tries', 'Too many tries. Wait a minute, then try again.'),
  });
  noteRequests(server);
  cutUnused(server);
  guard(server, { db, events, mustSignIn: reach.mustSignIn });
  keepMoneyBack(server);
  // What a page has already is not sent again, and what is long goes packed.
  await server.register(etag, { weak: true });
  await server.register(compress, { global: false, encodings: ['gzip'] });
  await server.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: { title: 'Early Lantern', version: '1', description: 'Plans balloon installations.' },
    },
    transform: jsonSchemaTransform,
  });
  await server.register(swaggerUi, {
    routePrefix: '/api/docs',
    staticCSP:
      "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; frame-ancestors 'self'",
    logo: { type: 'image/svg+xml', content: Buffer.from(nameAsPicture) },
    theme: {
      title: 'Early Lantern: its API',
      css: [
        { filename: 'own.css', content: '.info .title small, .swagger-ui .topbar form { display: none }' },
      ],
    },
  });

  const options = {
    db,
    installation,
    plan: planCache(plan),
    readTable,
    backups,
    lamps,
    needs,
    events,
  };
  await server.register(healthRoutes, { ...options, prefix: '/api' });
  await server.register(jobSchemaRoute, { prefix: '/api' });
  await server.register(trustRoute(authorityPath), { prefix: '/api' });
  server.get('/api/problems', { config: { right: 'unasked' }, schema: { hide: true } }, () => problems);
  for (const routes of [
    workshopRoutes,
    wholeRoutes,
    crewRoutes,
    siteRoutes,
    jobRoutes,
    pieceRoutes,
    photoRoutes,
    jobFileRoutes,
    planRoutes,
    packingRoutes,
    siteLogRoutes,
    stockRoutes,
    sheetRoutes,
    weatherRoutes,
    templateRoutes,
    travelRoutes,
    backupRoutes,
    lampRoutes,
    eventRoutes,
    versionRoutes,
    signInRoutes,
    accountRoutes,
    phoneRoutes,
    linkRoutes,
    calendarRoutes,
  ]) {
    await server.register(routes, { ...options, prefix: '/api/v1' });
  }

  if (webRoot && existsSync(webRoot)) {
    await server.register(fastifyStatic, {
      root: webRoot,
      index: false,
      allowedPath: (path) => path !== '/index.html',
      preCompressed: true,
      // Built files carry a hash in their names; the page that names them does not.
      setHeaders: (reply, path) => {
        const lasting = path.includes('/assets/');
        reply.header('cache-control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    });
  }
  const page = webRoot && existsSync(webRoot) ? pageOf(webRoot) : undefined;
  server.setNotFoundHandler((request, reply) => {
    const isPage =
      request.method === 'GET' && !request.url.startsWith('/api') && !request.url.startsWith('/assets/');
    if (isPage && page) return page(reply);
    const detail = `${request.method} ${request.url} leads nowhere.`;
    return sendProblem(request, reply, 'not-found', detail);
  });
  return server;
}

/** The page of the web app, whose style elements are let through by a word that is new each time it is sent. */
function pageOf(webRoot: string): (reply: FastifyReply) => FastifyReply {
  const html = readFileSync(join(webRoot, 'index.html'), 'utf8');
  return (reply) =>
    reply
      .type('text/html; charset=utf-8')
      .header('cache-control', 'no-cache')
      .send(html.replaceAll('__NONCE__', reply.cspNonce.style));
}
