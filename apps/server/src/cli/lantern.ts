import { parseArgs } from 'node:util';
import { CannotStart, start } from './start.ts';
import { stop } from './stop.ts';

const DEFAULT_PORT = 4310;

async function main(): Promise<void> {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: { port: { type: 'string' }, empty: { type: 'boolean', default: false } },
  });
  if (positionals[0] === 'stop') return stop();
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new CannotStart(`"${values.port}" is not a port: a whole number from 1 to 65535.`);
  }
  return start({ port, empty: values.empty });
}

main().catch((error: Error) => {
  console.error(error instanceof CannotStart ? error.message : (error.stack ?? error.message));
  process.exit(1);
});
