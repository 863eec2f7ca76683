import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { build as bundle } from 'esbuild';
import { build as buildWeb } from 'vite';

/** Builds what `./lantern start` serves: the web app, compressed beforehand, and the server's two programs. */
async function build(): Promise<void> {
  await Promise.all([buildServer(), buildWeb({ root: 'apps/web', logLevel: 'warn' })]);
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
