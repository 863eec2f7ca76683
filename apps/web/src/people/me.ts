import { type Me, may, type Right } from '@early-lantern/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { call } from '../api/client.ts';
import { keepWorkOf } from '../job/kept-work.ts';

export const ME = ['me'] as const;

const meQuery = queryOptions({
  queryKey: ME,
  queryFn: async () => {
    const me = await call<Me>('GET', '/me');
    keepWorkOf(me.workshopId);
    return me;
  },
  staleTime: 60_000,
});

/** Who is signed in, and how one signs in here. */
export const useMe = () => useQuery(meQuery);

/** Whether whoever is signed in may do something; while that is not known, the server decides. */
export function useMay(right: Right): boolean {
  const account = useMe().data?.account;
  return !account || may(account.role, right);
}

/** Another person, or nobody: whatever was read for the one before goes with the page. */
export const beginAnew = (): void => window.location.reload();
