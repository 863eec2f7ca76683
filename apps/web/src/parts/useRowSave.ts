import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useNotice } from './notices.tsx';

interface SavedRow<D> {
  revision: number;
  updatedAt: string;
  data: D;
}

/** The newest state known of each row, by path: the fields of one row are saved by many hands on a page. */
const newest = new Map<string, SavedRow<unknown>>();

function learn(path: string, row: SavedRow<unknown>): void {
  const known = newest.get(path);
  if (!known || row.updatedAt > known.updatedAt) newest.set(path, row);
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
  const notify = useNotice();
  useEffect(() => learn(path, row), [path, row]);

  const { mutate } = useMutation({
    mutationFn: (edit: (data: D) => Partial<D>) => {
      const { revision, data } = (newest.get(path) ?? row) as SavedRow<D>;
      return call<SavedRow<D>>('PUT', path, { revision, data: { ...data, ...edit(data) } });
    },
    scope: { id: path },
    onSuccess: (saved) => learn(path, saved),
    onError: (error) => {
      const problem = error instanceof ApiProblem ? error.problem : undefined;
      const isStale = problem?.status === 409 && problem.current !== undefined;
      if (isStale) learn(path, problem.current as SavedRow<D>);
      const why =
        problem?.faults?.map((fault) => `${fault.path}: ${fault.reason}`).join('; ') ?? error.message;
      notify({
        text: isStale
          ? 'This was changed elsewhere meanwhile. Here is the newest; make your change again.'
          : `Not kept. ${why}`,
      });
    },
    onSettled: () => queryClient.invalidateQueries({ queryKey }),
  });
  return mutate;
}
