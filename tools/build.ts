import { createHash } from 'node:crypto';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { build as bundle } from 'esbuild';
import { build as buildWeb } from 'vite';

/** Builds what `./lantern start` serves: the web app, compressed beforehand, and the server's two programs. */
async function build(): Promise<void> {
  await Promise.all([buildServer(), buildWeb({ root: 'apps/web', logLevel: 'warn' })]);
  await buildServiceWorker('apps/web/dist');
  await compress('apps/web/dist');
}

async function buildServer(): Promise<void> {
  const manifests = ['apps/server', 'packages/core', 'packages/contract'].map(
    (folder) => `${folder}/package.json`,
  );
  const names = await Promise.all(
    manifests.map(async (path) => Object.keys(JSON.parse(await readFile(path, 'utf8')).dependencies)),
  );
  await bundle({
    entryPoints: {
      lantern: 'apps/server/src/cli/lantern.ts',
      plan: 'apps/server/src/cli/plan.ts',
      'plan-worker': 'apps/server/src/threads/plan-worker.ts',
      'judge-worker': 'apps/server/src/threads/judge-worker.ts',
      'needs-worker': 'apps/server/src/threads/needs-worker.ts',
      'table-worker': 'apps/server/src/threads/table-worker.ts',
    },
    outdir: 'apps/server/dist',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    // Installed packages stay where they are; our own are source only and come along, so that what they need must be found from here.
    external: [...new Set(names.flat().filter((name) => !name.startsWith('@early-lantern/')))],
    logLevel: 'warning',
  });
}

/** Screens that open without a signal, and what stands in their place when they break. */
const ON_THE_PHONE = [
  'index.html',
  'src/on-site/OnSiteList.tsx',
  'src/on-site/OnSiteScreen.tsx',
  'src/on-site/BoardScreen.tsx',
  'src/on-site/code-reader.ts',
];

/** What Vite says of each file that it has built. */
interface Built {
  file: string;
  imports?: string[];
  css?: string[];
  assets?: string[];
}

/** The worker that keeps the crew's screens on the phone, with the list of what they need. */
async function buildServiceWorker(folder: string): Promise<void> {
  const built = JSON.parse(await readFile(join(folder, '.vite/manifest.json'), 'utf8')) as Record<
    string,
    Built
  >;
  const needed = new Set<string>();
  const take = (name: string) => {
    const one = built[name];
    if (!one) throw new Error(`${name} was not built`);
    if (needed.has(one.file)) return;
    for (const file of [one.file, ...(one.css ?? []), ...(one.assets ?? [])]) needed.add(file);
    for (const other of one.imports ?? []) take(other);
  };
  for (const name of ON_THE_PHONE) take(name);
  // Files under assets/ carry a hash in their names; others are known by what is in them.
  const own = await Promise.all(
    ['index.html', 'lantern.svg', 'icon-192.png', 'manifest.webmanifest'].map(async (name) => ({
      url: `/${name}`,
      revision: createHash('sha256')
        .update(await readFile(join(folder, name)))
        .digest('hex')
        .slice(0, 16),
    })),
  );
  const files = [...needed].filter((name) => name.startsWith('assets/')).sort();
  const manifest = [...own, ...files.map((name) => ({ url: `/${name}`, revision: null }))];
  await bundle({
    entryPoints: ['apps/web/service-worker/service-worker.ts'],
    outfile: join(folder, 'service-worker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      'self.__WB_MANIFEST': JSON.stringify(manifest),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'warning',
  });
}

const WORTH_COMPRESSING = /\.(js|css|html|svg|json|webmanifest)$/;

async function compress(folder: string): Promise<void> {
  const names = await readdir(folder, { recursive: true });
  await Promise.all(
    names
      .filter((name) => WORTH_COMPRESSING.test(name))
      .map(async (name) => {
        const path = join(folder, name);
        const content = await readFile(path);
        await writeFile(`${path}.br`, await promisify(brotliCompress)(content));
        await writeFile(`${path}.gz`, await promisify(gzip)(content));
      }),
  );
}

await build();
