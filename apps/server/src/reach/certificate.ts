import { X509Certificate } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

export interface KeyPair {
  key: string;
  cert: string;
}

const DAY_MS = 86_400_000;
/** The authority is trusted once by each device, so it lasts; what it signs no longer than browsers accept. */
const AUTHORITY_DAYS = 3650;
const SERVER_DAYS = 397;
/** A new one is made when so little of it is left. */
const RENEWED_DAYS = 30;

const folderOf = (dataDir: string) => join(dataDir, 'tls');
/** The certificate that other devices may be told to trust. */
export const authorityPath = (dataDir: string): string => join(folderOf(dataDir), 'authority.crt');

/**
 * Key and certificate of this machine for the local network, signed by an authority of its own: both are made where they are
 * missing, the certificate also where it ends soon or lacks a name or address that the machine has now.
 */
export async function serverCertificate(
  dataDir: string,
  names: readonly string[],
  addresses: readonly string[],
  now: Date,
): Promise<KeyPair> {
  // Read only where the local network is served.
  const { generate } = await import('selfsigned');
  const folder = folderOf(dataDir);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const authority = await keptOr(
    folder,
    'authority',
    () => true,
    now,
    () =>
      generate([{ name: 'commonName', value: 'Early Lantern on this network' }], {
        keyType: 'ec',
        algorithm: 'sha256',
        notBeforeDate: new Date(now.getTime() - DAY_MS),
        notAfterDate: new Date(now.getTime() + AUTHORITY_DAYS * DAY_MS),
        extensions: [
          { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
          { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
        ],
      }),
  );
  const isFor = (certificate: X509Certificate) =>
    certificate.checkIssued(new X509Certificate(authority.cert)) &&
    names.every((name) => certificate.checkHost(name)) &&
    addresses.every((address) => certificate.checkIP(address));
  const own = await keptOr(folder, 'server', isFor, now, () =>
    generate([{ name: 'commonName', value: 'Early Lantern' }], {
      keyType: 'ec',
      algorithm: 'sha256',
      notBeforeDate: new Date(now.getTime() - DAY_MS),
      notAfterDate: new Date(now.getTime() + (SERVER_DAYS - 1) * DAY_MS),
      ca: { key: authority.key, cert: authority.cert },
      extensions: [
        { name: 'basicConstraints', cA: false, critical: true },
        { name: 'keyUsage', digitalSignature: true, critical: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: [
            ...names.map((value) => ({ type: 2 as const, value })),
            ...addresses.map((ip) => ({ type: 7 as const, ip })),
          ],
        },
      ],
    }),
  );
  return own;
}

/** What lies in the folder under that name where it is still good, else a new one, kept there. */
async function keptOr(
  folder: string,
  name: string,
  isGood: (certificate: X509Certificate) => boolean,
  now: Date,
  make: () => Promise<{ private: string; cert: string }>,
): Promise<KeyPair> {
  const [keyPath, certPath] = [join(folder, `${name}.key`), join(folder, `${name}.crt`)];
  const [key, cert] = await Promise.all(
    [keyPath, certPath].map((path) => readFile(path, 'utf8').catch(() => '')),
  );
  if (key && cert && lasts(cert, now) && isGood(new X509Certificate(cert))) return { key, cert };
  const made = await make();
  await writeFile(keyPath, made.private, { mode: 0o600 });
  await writeFile(certPath, made.cert, { mode: 0o644 });
  return { key: made.private, cert: made.cert };
}

/** Whether a certificate can be read and does not end soon. */
function lasts(cert: string, now: Date): boolean {
  try {
    return Date.parse(new X509Certificate(cert).validTo) - now.getTime() > RENEWED_DAYS * DAY_MS;
  } catch {
    return false;
  }
}
