import type { PhotoRow, PhotoUpload } from '@early-lantern/contract';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { base64Of } from '../parts/base64.ts';
import { photoStore } from './kept-on-device.ts';
import { PhotoOutbox, PhotoRefused, type WaitingPhoto } from './photo-outbox.ts';
import { randomHex } from './random-hex.ts';

/** Tried again so often where the server was not reached, ms; and given up after so long: a photo is large. */
const AGAIN_MS = 15_000;
const PATIENCE_MS = 60_000;
/** Told by the server of what will not do, whenever it is sent again. */
const FOR_GOOD = new Set(['input-refused', 'request-refused', 'not-found', 'not-allowed']);

/** One for each job, as long as the page is open. */
const outboxes = new Map<string, PhotoOutbox>();

function outboxOf(jobId: string): PhotoOutbox {
  const known = outboxes.get(jobId);
  if (known) return known;
  const send = async ({ content, refused: _, ...photo }: WaitingPhoto) => {
    const upload: PhotoUpload = { ...photo, content: await base64Of(content) };
    await call<PhotoRow>('POST', `/jobs/${jobId}/photos`, upload, PATIENCE_MS).catch((error: Error) => {
      if (error instanceof ApiProblem && FOR_GOOD.has(error.problem.code ?? ''))
        throw new PhotoRefused(error.message);
      throw error;
    });
  };
  const made = new PhotoOutbox(photoStore(jobId), send);
  outboxes.set(jobId, made);
  return made;
}

export type SitePhotos = ReturnType<typeof useSitePhotos>;

/** A job's photos: those that the server has, and those that wait on this phone. */
export function useSitePhotos(jobId: string) {
  const outbox = outboxOf(jobId);
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.getSnapshot);
  const [isUnkept, setUnkept] = useState(false);
  const queryKey = keys.photos(jobId);
  const { data: sent } = useQuery({
    queryKey,
    queryFn: () => call<PhotoRow[]>('GET', `/jobs/${jobId}/photos`),
    retry: false,
  });
  const sync = useCallback(async () => {
    const count = await outbox.sync().catch(() => 0);
    if (count > 0) await queryClient.invalidateQueries({ queryKey: keys.photos(jobId) });
  }, [outbox, jobId]);
  useEffect(() => {
    // What was taken on this page meanwhile is among what is kept.
    const opened = outbox.getSnapshot().length > 0 ? Promise.resolve() : outbox.open();
    void opened.catch(() => undefined).then(sync);
    const again = () => void sync();
    const timer = setInterval(again, AGAIN_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [outbox, sync]);
  return useMemo(
    () => ({
      waiting,
      sent,
      /** The last one found no room on this phone: it is on this page alone until it is sent. */
      isUnkept: isUnkept && waiting.length > 0,
      add: async (photoOf: Pick<WaitingPhoto, 'pieceId' | 'content' | 'marks' | 'moment'>) => {
        const photo = { ...photoOf, id: randomHex(16), takenAt: new Date().toISOString() };
        await outbox.add(photo).catch(() => setUnkept(true));
        await sync();
      },
      drop: (id: string) => void outbox.remove(id).catch(() => undefined),
    }),
    [waiting, sent, isUnkept, outbox, sync],
  );
}
