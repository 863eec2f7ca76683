import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { ApiProblem, call, sent } from '../api/client.ts';
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

type Edit = (data: unknown) => object;

/** Changes that wait for one before them to be kept, by path; and what is on its way. */
const unsent = new Map<string, Edit[]>();
const onItsWay = new Map<string, unknown>();

const withEdit = (data: unknown, edit: Edit): unknown => ({ ...(data as object), ...edit(data) });

/** A page that is left sends what still waits, on top of what is on its way: nobody is there any more to do it later. */
window.addEventListener('pagehide', () => {
  for (const [path, edits] of unsent) {
    const known = newest.get(path);
    if (!known || edits.length === 0) continue;
    const isAfter = onItsWay.has(path);
    const data = edits.reduce(withEdit, isAfter ? onItsWay.get(path) : known.data);
    // Its answer goes to nobody.
    void fetch(`/api/v1${path}`, sent('PUT', { revision: known.revision + (isAfter ? 1 : 0), data })).catch(
      () => undefined,
    );
  }
  unsent.clear();
});

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
    mutationFn: async () => {
      const known = (newest.get(path) ?? row) as SavedRow<D>;
      const edit = unsent.get(path)?.shift();
      if (!edit) return known;
      const data = withEdit(known.data, edit);
      onItsWay.set(path, data);
      return call<SavedRow<D>>('PUT', path, { revision: known.revision, data }).finally(() =>
        onItsWay.delete(path),
      );
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
  return (edit) => {
    unsent.set(path, [...(unsent.get(path) ?? []), edit as Edit]);
    mutate();
  };
}
