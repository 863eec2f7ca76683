import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { newestApplied } from '../db/database.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { NotBroughtIn, readIn } from '../whole/read-in.ts';
import { writeOut } from '../whole/write-out.ts';
import { CannotStart } from './cannot-start.ts';
import { onRunning } from './running.ts';

/** `./lantern export FILE`: everything of a workshop, to take along to another installation. */
export const exportTo = (path: string | undefined, workshop = FIRST_WORKSHOP): Promise<void> =>
  onRunning(({ db, installation }) =>
    inWorkshop(workshop, async () => {
      if (!path) throw new CannotStart('Say where to: ./lantern export FILE');
      const lines = writeOut(db, await newestApplied(installation), new Date());
      await pipeline(lines, createGzip(), createWriteStream(path, { mode: 0o600 }));
      console.log(`Exported to ${path}`);
    }),
  );

/** `./lantern import FILE`: brings an export into a workshop that nobody has used yet. */
export const importFrom = (path: string | undefined, workshop = FIRST_WORKSHOP): Promise<void> =>
  onRunning(({ db, installation }) =>
    inWorkshop(workshop, async () => {
      if (!path) throw new CannotStart('Say which: ./lantern import FILE');
      const rows = await readIn(db, path, await newestApplied(installation)).catch((error: Error) => {
        throw error instanceof NotBroughtIn ? new CannotStart(error.message) : error;
      });
      console.log(`Imported ${rows} rows. Set new passwords and links.`);
    }),
  );
