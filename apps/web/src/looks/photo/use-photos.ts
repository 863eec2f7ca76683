import type { PhotoRow, PhotoUpload } from '@early-lantern/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { keys, queryClient } from '../../api/queries.ts';
import { base64Of } from '../../parts/base64.ts';
import { useNotice } from '../../parts/notices.tsx';
import { shrunk } from './shrunk.ts';

/** The photos of a piece as it was built, kept on the server. */
export function usePhotos(jobId: string, pieceId: string) {
  const notify = useNotice();
  const queryKey = keys.photos(jobId);
  const at = `/jobs/${jobId}/photos`;
  const refresh = () => queryClient.invalidateQueries({ queryKey });
  const { data, error } = useQuery({ queryKey, queryFn: () => call<PhotoRow[]>('GET', at) });
  const { mutate: add, isPending } = useMutation({
    mutationFn: async (file: Blob) => {
      const content = await base64Of(await shrunk(file));
      return call<PhotoRow>('POST', at, { pieceId, content } satisfies PhotoUpload);
    },
    onError: ({ message }) => notify({ text: `Not kept. ${message}` }),
    onSettled: refresh,
  });
  const [deleted, setDeleted] = useState<string>();
  const { mutate: remove } = useMutation({
    mutationFn: (id: string) => call<PhotoRow>('DELETE', `${at}/${id}`),
    onSuccess: ({ data }) => setDeleted(data.id),
    onError: ({ message }) => notify({ text: `Not deleted. ${message}` }),
    onSettled: refresh,
  });
  const { mutate: bringBack } = useMutation({
    mutationFn: (id: string) => call<PhotoRow>('POST', `${at}/${id}/restore`),
    onSuccess: () => setDeleted(undefined),
    onError: ({ message }) => notify({ text: `Not brought back. ${message}` }),
    onSettled: refresh,
  });
  return {
    photos: data?.filter((row) => row.data.pieceId === pieceId),
    error,
    add,
    isAdding: isPending,
    remove,
    /** The last that was deleted here, as long as it can be brought back with a press. */
    deleted,
    bringBack,
  };
}
