import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useNotice } from './notices.tsx';

interface SavedRow<D> {
  revision: number;
  data: D;
}

/**
 * Saves a shared row (workshop, site, person) change by change, one after the other, each made on the newest state
 * known. A row changed elsewhere is read again and the user told; a refusal is told with its reasons. Either way the
 * page then shows what is kept.
 *
 * @returns takes a change of the data; several at once queue up
 */
export function useRowSave<D>(
  queryKey: readonly string[],
  path: string,
  row: SavedRow<D>,
): (edit: (data: D) => Partial<D>) => void {
  const tell = useNotice();
  const newest = useRef(row);
  useEffect(() => {
    if (row.revision > newest.current.revision) newest.current = row;
  }, [row]);

  const { mutate } = useMutation({
    mutationFn: (edit: (data: D) => Partial<D>) => {
      const { revision, data } = newest.current;
      return call<SavedRow<D>>('PUT', path, { revision, data: { ...data, ...edit(data) } });
    },
    scope: { id: path },
    onSuccess: (saved) => {
      newest.current = saved;
    },
    onError: (error) => {
      const problem = error instanceof ApiProblem ? error.problem : undefined;
      const isStale = problem?.status === 409 && problem.current !== undefined;
      if (isStale) newest.current = problem.current as SavedRow<D>;
      const why =
        problem?.faults?.map((fault) => `${fault.path}: ${fault.reason}`).join('; ') ?? error.message;
      tell({
        text: isStale
          ? 'This was changed elsewhere meanwhile. Here is the newest; make your change again.'
          : `Not kept. ${why}`,
      });
    },
    onSettled: () => queryClient.invalidateQueries({ queryKey }),
  });
  return mutate;
}
