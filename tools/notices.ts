import { existsSync } from 'node:fs';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Names, licences and copyright of everything that is installed with the product; made anew without `--check`. */
const FILE = 'THIRD-PARTY-NOTICES.md';

interface Locked {
  version: string;
  license?: string;
  dev?: boolean;
  optional?: boolean;
  devOptional?: boolean;
  link?: boolean;
}

interface Notice {
  name: string;
  version: string;
  licence: string;
  copyright: string[];
}

/** Licences that ask for nothing but their notice, and one whose files stay as they are (MPL-2.0). */
const ALLOWED =
  /^\(?(MIT|ISC|0BSD|BSD-[23]-Clause|BlueOak-1\.0\.0|Apache-2\.0|OFL-1\.1|Unlicense|MPL-2\.0|Zlib|Python-2\.0|MIT\/X11)( (AND|OR) [\w.-]+)*\)?$/;

async function noticeOf(path: string, { version, license }: Locked): Promise<Notice> {
  const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
  const text = await licenceText(path);
  const licence =
    license ?? (/MIT License|Permission is hereby granted, free of charge/.test(text) ? 'MIT' : '');
  const copyright = [...new Set(text.match(/^\s*(?:Copyright|\(c\)|©).*\d{4}.*$/gim) ?? [])].map((line) =>
    line.trim(),
  );
  return { name, version, licence, copyright: copyright.slice(0, 6) };
}

async function licenceText(path: string): Promise<string> {
  if (!existsSync(path)) return '';
  const names = (await readdir(path)).filter((name) => /^(licen[cs]e|copying|notice)/i.test(name));
  const texts = await Promise.all(names.map((name) => readFile(join(path, name), 'utf8').catch(() => '')));
  return texts.join('\n');
}

async function notices(): Promise<void> {
  const lock = JSON.parse(await readFile('package-lock.json', 'utf8')) as {
    packages: Record<string, Locked>;
  };
  const shipped = Object.entries(lock.packages).filter(
    ([path, { dev, optional, devOptional, link }]) =>
      path.includes('node_modules/') && !dev && !optional && !devOptional && !link,
  );
  const all = await Promise.all(shipped.map(([path, locked]) => noticeOf(path, locked)));
  const sorted = [...new Map(all.map((one) => [`${one.name} ${one.version}`, one])).values()].sort((a, b) =>
    a.name < b.name ? -1 : a.name > b.name ? 1 : a.version < b.version ? -1 : 1,
  );
  const unclear = sorted.filter(({ licence }) => !ALLOWED.test(licence));
  if (unclear.length > 0) {
    console.error(
      `Without a licence that may be used: ${unclear.map(({ name, licence }) => `${name} (${licence || 'none'})`).join(', ')}`,
    );
    process.exit(1);
  }
  const text = [
    '# Third-party notices',
    '',
    'Early Lantern is installed with these packages. Their licences lie beside them under `node_modules`. Made by `tsx tools/notices.ts`.',
    '',
    ...sorted.map(
      ({ name, version, licence, copyright }) =>
        `- **${name}** ${version}, ${licence}${copyright.length > 0 ? `. ${copyright.join('; ')}` : ''}`,
    ),
    '',
  ].join('\n');
  if (!process.argv.includes('--check')) return writeFile(FILE, text);
  if ((await readFile(FILE, 'utf8').catch(() => '')) === text) return;
  console.error(`${FILE} is not that of the packages installed: npx tsx tools/notices.ts`);
  process.exit(1);
}

await notices();
