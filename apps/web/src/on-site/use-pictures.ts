import type { Picture } from '@early-lantern/core';
import { useQuery } from '@tanstack/react-query';
import { askPictures } from '../workers/planner.ts';
import { keepPictures, keptPictures, type TakenJob } from './kept-on-device.ts';

/**
 * The pieces of a job as they will hang, by piece id: drawn when the job is read, while there is a signal and nobody waits for them, and
 * kept on this phone; undefined until they are there.
 */
export function usePictures({ file }: TakenJob): Record<string, Picture> | undefined {
  const of = JSON.stringify([file.job.pieces, file.workshop.schools]);
  const { data } = useQuery({
    queryKey: ['on-device', 'pictures', file.job.id, of],
    queryFn: async () => {
      const kept = await keptPictures(file.job.id).catch(() => undefined);
      if (kept?.of === of) return kept.byPiece;
      const byPiece = await askPictures(file);
      // Without room they are drawn again when the page is opened.
      await keepPictures(file.job.id, { of, byPiece }).catch(() => undefined);
      return byPiece;
    },
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return data;
}
