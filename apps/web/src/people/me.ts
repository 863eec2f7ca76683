import { type Me, may, type Right } from '@early-lantern/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { call } from '../api/client.ts';
import { keepWorkOf } from '../job/kept-work.ts';

export const ME = ['me'] as const;

const KEPT_AS = 'early-lantern-me';

/** Who was signed in here last, as far as a page without a signal has to know it. */
interface LastMe {
  workshopId: string | null;
  accountId: string | undefined;
  crewId: string | undefined;
}

function keepLastMe({ workshopId, account }: Me): void {
  const last: LastMe = { workshopId, accountId: account?.id, crewId: account?.crewId };
  try {
    localStorage.setItem(KEPT_AS, JSON.stringify(last));
  } catch {
    // A browser that keeps nothing asks the server.
  }
}

/** As long as the server has not said who is signed in, it is whoever was. */
export function lastMe(): LastMe | undefined {
  try {
    const kept = localStorage.getItem(KEPT_AS);
    if (kept === null) return undefined;
    const last = JSON.parse(kept) as LastMe;
    keepWorkOf(last.workshopId);
    return last;
  } catch {
    return undefined;
  }
}

export const meQuery = queryOptions({
  queryKey: ME,
  queryFn: async () => {
    const me = await call<Me>('GET', '/me');
    keepWorkOf(me.workshopId);
    keepLastMe(me);
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
