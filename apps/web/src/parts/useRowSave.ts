import { useMutation } from '@tanstack/react-query';
import { ApiProblem, call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useNotice } from './notices.tsx';

interface SavedRow<D> {
  revision: number;
  data: D;
}

/**
 * Saves one field after another of a shared row (workshop, site, person). A row changed elsewhere is read again and
 * the user told; a refusal is told with its reasons. Either way the page then shows what is kept.
 */
export function useRowSave<D>(queryKey: readonly string[]) {
  const tell = useNotice();
  return useMutation({
    mutationFn: ({ path, row, edit }: { path: string; row: SavedRow<D>; edit: Partial<D> }) =>
      call<SavedRow<D>>('PUT', path, { revision: row.revision, data: { ...row.data, ...edit } }),
    scope: { id: queryKey.join('/') },
    onError: (error) => {
      const problem = error instanceof ApiProblem ? error.problem : undefined;
      const isStale = problem?.status === 409 && problem.current !== undefined;
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
}
