/** The token behind the # of the address, which browsers send to no server. */
export const tokenHere = (): string => window.location.hash.slice(1);

/** The address that is handed on. */
export const linkTo = (path: '/join' | '/look', token: string): string =>
  `${window.location.origin}${path}#${token}`;
