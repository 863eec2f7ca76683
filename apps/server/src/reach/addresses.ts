import { hostname, networkInterfaces } from 'node:os';

/** IPv4 addresses by which other devices of the local network reach this machine. */
export function lanAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((interfaces) => interfaces ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}

/** Names by which it may be called there. */
export const lanNames = (): string[] => [hostname(), `${hostname()}.local`];
