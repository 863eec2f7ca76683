import { readFile } from 'node:fs/promises';
import { notFound } from '../http/problem.ts';
import type { Server } from '../http/types.ts';

/** The authority's certificate, for devices that are to trust it. @param path where it lies; undefined where none was made */
export const trustRoute = (path: string | undefined) => async (server: Server) => {
  server.get('/trust.crt', { config: { right: 'unasked' }, schema: { hide: true } }, async (_, reply) => {
    if (!path) throw notFound('certificate of its own');
    return reply
      .type('application/x-x509-ca-cert')
      .header('content-disposition', 'attachment; filename="early-lantern.crt"')
      .send(await readFile(path));
  });
};
