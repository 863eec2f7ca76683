import { parseArgs } from 'node:util';
import { backUp, restore } from './backups.ts';
import { CannotStart } from './cannot-start.ts';
import { linkForOwner } from './owner.ts';
import { serve } from './serve.ts';
import { start, startWorker } from './start.ts';
import { stop } from './stop.ts';
import { exportTo, importFrom } from './whole.ts';
import { work } from './work.ts';
import { workshops } from './workshops.ts';

const DEFAULT_PORT = 4310;

async function main(): Promise<void> {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: {
      port: { type: 'string' },
      empty: { type: 'boolean', default: false },
      lan: { type: 'boolean', default: false },
      'without-worker': { type: 'boolean', default: false },
      'behind-proxy': { type: 'string' },
      to: { type: 'string' },
      workshop: { type: 'string' },
    },
  });
  if (positionals[0] === 'stop') return stop();
  if (positionals[0] === 'backup') return backUp(values.to);
  if (positionals[0] === 'do-work') return work();
  if (positionals[0] === 'work') return startWorker();
  if (positionals[0] === 'owner') return linkForOwner(values.workshop);
  if (positionals[0] === 'export') return exportTo(positionals[1], values.workshop);
  if (positionals[0] === 'import') return importFrom(positionals[1], values.workshop);
  if (positionals[0] === 'workshop') return workshops(positionals.slice(1));
  if (positionals[0] === 'restore') return restore(positionals[1]);
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new CannotStart(`"${values.port}" is not a port: a whole number from 1 to 65535.`);
  }
  const proxyName = values['behind-proxy'];
  if (values.lan && proxyName !== undefined)
    throw new CannotStart(
      'Either --lan or --behind-proxy NAME: behind a proxy that one has the certificate.',
    );
  if (proxyName !== undefined && !/^[a-z0-9.-]+$/i.test(proxyName))
    throw new CannotStart(`"${proxyName}" is not a host name, like lantern.example.org.`);
  const options = {
    port,
    empty: values.empty,
    lan: values.lan,
    proxyName,
    hasWorker: !values['without-worker'],
  };
  return positionals[0] === 'serve' ? serve(options) : start(options);
}

main().catch((error: Error) => {
  console.error(error instanceof CannotStart ? error.message : (error.stack ?? error.message));
  process.exit(1);
});
