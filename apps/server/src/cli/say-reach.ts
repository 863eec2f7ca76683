import { toString as qrOf } from 'qrcode';
import { lanAddresses } from '../reach/addresses.ts';

/** Tells whoever started it how phones come in, with a QR code of the first address to photograph. */
export async function sayHowToReach(port: number): Promise<void> {
  const [first, ...others] = lanAddresses();
  if (!first) {
    console.log('This machine is on no network now: other devices cannot reach it.');
    return;
  }
  const url = `https://${first}:${port}`;
  console.log(`On phones and other computers of this network: ${url}`);
  for (const address of others) console.log(`  or https://${address}:${port}`);
  console.log(await qrOf(url, { type: 'terminal', small: true }));
  console.log(
    'Browsers warn the first time, as they do not know who made its certificate: this machine did.',
  );
  console.log(
    `To be warned no more, open ${url}/api/trust.crt on the device and install it as a trusted authority`,
  );
  console.log(
    '(iPhone: Settings, Profile, then Certificate Trust; Android: Security, Install a certificate).',
  );
}
