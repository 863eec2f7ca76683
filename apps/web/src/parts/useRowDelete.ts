import { call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useNotice } from './notices.tsx';

/**
 * Deletes a shared row (site, person) and offers to bring it back; says why where it is still needed.
 * @param list path of the list it belongs to, `/crew`
 */
export function useRowDelete<D extends { id: string; name: string }>(
  queryKey: readonly string[],
  list: string,
) {
  const notify = useNotice();
  const refresh = () => queryClient.invalidateQueries({ queryKey });
  return async ({ revision, data }: { revision: number; data: D }): Promise<void> => {
    const bringBack = () =>
      call('POST', list, data).then(refresh, (error: Error) =>
        notify({ text: `Not brought back. ${error.message}` }),
      );
    await call('DELETE', `${list}/${data.id}?revision=${revision}`).then(
      () => notify({ text: `Deleted “${data.name}”.`, undo: () => void bringBack() }),
      (error: Error) => notify({ text: `Not deleted. ${error.message}` }),
    );
    await refresh();
  };
}
