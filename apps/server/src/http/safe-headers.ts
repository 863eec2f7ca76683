import { IncomingMessage, ServerResponse } from 'node:http';
import { Socket } from 'node:net';
import pageHelmet from '@fastify/helmet';
import helmet from 'helmet';
import type { Server } from './types.ts';

/** The address is plain http on loopback, and with a certificate of our own in the house. */
const strictTransportSecurity = false;

/** What a page may load: what comes from here, with the nonce of this one answer where it stands in the page. */
const ofPages = {
  directives: {
    scriptSrc: ["'self'"],
    styleSrc: ["'self'"],
    // Of elements that are there already; no style element comes in by it.
    styleSrcAttr: ["'unsafe-inline'"],
    fontSrc: ["'self'"],
    // Photos that a page has taken itself and not sent yet.
    imgSrc: ["'self'", 'data:', 'blob:'],
    workerSrc: ["'self'"],
    upgradeInsecureRequests: null,
  },
};

/**
 * Answers of the API are no pages: whatever they hold may load nothing and stand in no frame (OWASP REST Security Cheat Sheet,
 * "Security Headers").
 */
const ofAnswers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: { defaultSrc: ["'none'"], frameAncestors: ["'none'"] },
  },
  strictTransportSecurity,
  // These are about pages and old plug-ins, which take no answer for one.
  crossOriginOpenerPolicy: false,
  originAgentCluster: false,
  xDnsPrefetchControl: false,
  xDownloadOptions: false,
  xPermittedCrossDomainPolicies: false,
  xXssProtection: false,
});

/** They are the same for each answer, and made once: names with values. */
async function headersOfAnswers(): Promise<[string, string][]> {
  const request = new IncomingMessage(new Socket());
  const answer = new ServerResponse(request);
  await new Promise<void>((done, fail) =>
    ofAnswers(request, answer, (error) => (error ? fail(error) : done())),
  );
  return Object.entries(answer.getHeaders()).map(([name, value]) => [name, String(value)]);
}

/** The page that describes the API is one, though it lies among them. */
const isAnswer = (url: string) => url.startsWith('/api/') && !url.startsWith('/api/docs');

/** Says with each answer what a browser may do with it. */
export async function safeHeaders(server: Server): Promise<void> {
  server.addHook('onRoute', (route) => {
    if (isAnswer(route.url)) route.helmet = false;
  });
  await server.register(pageHelmet, {
    contentSecurityPolicy: ofPages,
    enableCSPNonces: true,
    strictTransportSecurity,
  });
  const headers = await headersOfAnswers();
  server.addHook('onRequest', (request, reply, done) => {
    if (isAnswer(request.routeOptions.url ?? request.url))
      for (const [name, value] of headers) reply.raw.setHeader(name, value);
    done();
  });
}
