import type { Backups } from '@early-lantern/contract';
import { listBackups, makeBackup } from './dump.ts';

const HOUR_MS = 3_600_000;
/** A backup is due when the newest is older than this. */
const DUE_MS = 24 * HOUR_MS;
/** Looked at so often whether one is due, and for the first time so long after the start: that has its own work to do. */
const EVERY_MS = HOUR_MS / 4;
const FIRST_MS = 60_000;

/** The backups of a running product. */
export interface BackupKeeper {
  state(): Promise<Backups>;
  /** Makes one now; whoever asks while one is being made gets that one. */
  backUp(): Promise<Backups>;
  close(): void;
}

/** Backs the database up once a day for as long as it runs, and whenever somebody asks. */
export function keepBackups(url: string, folder: string): BackupKeeper {
  let failure: string | null = null;
  let underWay: Promise<void> | undefined;
  const state = async (): Promise<Backups> => ({ folder, items: await listBackups(folder), failure });
  const make = () => {
    underWay ??= makeBackup(url, folder, new Date())
      .then(
        () => {
          failure = null;
        },
        (error: Error) => {
          failure = error.message;
          console.error(`backup failed: ${error.message}`);
        },
      )
      .finally(() => {
        underWay = undefined;
      });
    return underWay;
  };
  const look = async () => {
    const [newest] = await listBackups(folder);
    if (!newest || Date.now() - Date.parse(newest.at) > DUE_MS) await make();
  };
  const first = setTimeout(() => void look(), FIRST_MS);
  const often = setInterval(() => void look(), EVERY_MS);
  first.unref();
  often.unref();
  return {
    state,
    backUp: async () => {
      await make();
      return state();
    },
    close: () => {
      clearTimeout(first);
      clearInterval(often);
    },
  };
}

/** Where nobody makes any, as in a test. */
export const noBackups: BackupKeeper = {
  state: async () => ({ folder: '', items: [], failure: null }),
  backUp: async () => ({ folder: '', items: [], failure: 'Backups are not kept here.' }),
  close: () => undefined,
};
