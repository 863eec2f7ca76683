import type { PersonId, SentEntries, SiteEvent, SiteLog } from '@early-lantern/contract';
import { type Happened, happenedOf } from '@early-lantern/core';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { call } from '../api/client.ts';
import { onChanged } from '../api/live.ts';
import { useNotice } from '../parts/notices.tsx';
import { useMay } from '../people/me.ts';
import { deviceName } from './device.ts';
import { entryStore } from './kept-on-device.ts';
import { Outbox } from './outbox.ts';

/** Asked again so often where nothing is told, and where the server was not reached, ms. */
const AGAIN_MS = 15_000;
/** An exchange that takes longer is given up, and tried again: what it has done is found there. */
const PATIENCE_MS = 10_000;

/** How it stands with the server. */
interface Reach {
  /** When it was reached last, ms; undefined where it was not since the page was opened. */
  atMs: number | undefined;
  /** Why it was not, the last time. */
  trouble: string | undefined;
}

export interface SiteLogHere {
  happened: Happened;
  reach: Reach;
  /** Entries that wait to be sent, and those that are not even kept on this device. */
  waiting: number;
  unkept: number;
  /** The server's time, ms. */
  nowMs: () => number;
  clockOffMs: number | undefined;
  /** Entries that say of a task that it is done, as of now. */
  doneIds: (task: string) => string[];
  write: (by: PersonId, event: SiteEvent, replaces?: readonly string[]) => Promise<void>;
}

/** One for each job, as long as the page is open. */
const outboxes = new Map<string, { outbox: Outbox; opened: Promise<void> }>();

function outboxOf(jobId: string, canWrite: boolean) {
  const known = outboxes.get(jobId);
  if (known) return known;
  const at = `/jobs/${jobId}/site-log`;
  const exchange = ({ after, afterId, ...sent }: SentEntries): Promise<SiteLog> =>
    canWrite
      ? call('POST', at, { ...sent, after, ...(afterId ? { afterId } : {}) }, PATIENCE_MS)
      : call('GET', `${at}?after=${after}${afterId ? `&afterId=${afterId}` : ''}`, undefined, PATIENCE_MS);
  const outbox = new Outbox(entryStore(jobId), exchange, deviceName());
  // A browser that keeps nothing shows what it hears; what is written then is told to be unkept.
  const made = { outbox, opened: outbox.open().catch(() => undefined) };
  outboxes.set(jobId, made);
  return made;
}

/** What happened on a job's site, and the way to write more of it down. */
export function useSiteLog(jobId: string): SiteLogHere {
  const notify = useNotice();
  const canWrite = useMay('work');
  const { outbox, opened } = useMemo(() => outboxOf(jobId, canWrite), [jobId, canWrite]);
  const entries = useSyncExternalStore(outbox.subscribe, outbox.getSnapshot);
  const happened = useMemo(() => happenedOf(entries), [entries]);
  const [reach, setReach] = useState<Reach>({ atMs: undefined, trouble: undefined });

  const sync = useCallback(
    () =>
      opened
        .then(() => outbox.sync())
        .then(
          () => setReach({ atMs: Date.now(), trouble: undefined }),
          (error: Error) => setReach(({ atMs }) => ({ atMs, trouble: error.message })),
        ),
    [outbox, opened],
  );
  useEffect(() => {
    void sync();
    const timer = setInterval(() => void sync(), AGAIN_MS);
    const again = () => void sync();
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    const stop = onChanged(({ what, id }) => {
      if ((what === 'site-log' && id === jobId) || what === 'anything') again();
    });
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
      stop();
    };
  }, [sync, jobId]);

  const write = useCallback(
    async (by: PersonId, event: SiteEvent, replaces: readonly string[] = []) => {
      try {
        await outbox.add(by, event, replaces);
      } catch (error) {
        notify({ text: `Not kept on this phone: ${(error as Error).message}. Keep the page open.` });
      }
      void sync();
    },
    [outbox, sync, notify],
  );
  return {
    happened,
    reach,
    waiting: outbox.waiting,
    unkept: outbox.unkept,
    nowMs: useCallback(() => outbox.nowMs(), [outbox]),
    clockOffMs: outbox.clockOffMs,
    doneIds: useCallback((task) => happenedOf(outbox.getSnapshot()).tasks.get(task)?.doneIds ?? [], [outbox]),
    write,
  };
}
