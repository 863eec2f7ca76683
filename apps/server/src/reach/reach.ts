import { lanAddresses, lanNames } from './addresses.ts';
import { type KeyPair, serverCertificate } from './certificate.ts';

/** From where the server is reached, and what that asks for. */
export interface Reach {
  /** Address it listens on. */
  host: string;
  /** Names and addresses by which it is asked for; requests for any other are turned away. Loopback always is. */
  names: readonly string[];
  tls: KeyPair | undefined;
  /** Whoever comes need not sit at this machine: everybody signs in. */
  mustSignIn: boolean;
  /** Who asks, and whether they came by TLS, is what a proxy on this machine says. */
  trustsProxy: boolean;
}

/** This machine alone. */
export const loopback: Reach = {
  host: '127.0.0.1',
  names: [],
  tls: undefined,
  mustSignIn: false,
  trustsProxy: false,
};

/** Every device of the local network, over TLS with a certificate made here. */
export async function localNetwork(dataDir: string): Promise<Reach> {
  const names = ['localhost', ...lanNames()];
  const addresses = ['127.0.0.1', ...lanAddresses()];
  const tls = await serverCertificate(dataDir, names, addresses, new Date());
  return { host: '0.0.0.0', names: [...names, ...addresses], tls, mustSignIn: true, trustsProxy: false };
}

/** Whoever reaches the proxy, under the name that it has a certificate for. */
export const behindProxy = (name: string): Reach => ({
  ...loopback,
  names: [name],
  mustSignIn: true,
  trustsProxy: true,
});
