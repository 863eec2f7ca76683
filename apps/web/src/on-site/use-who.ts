import type { CrewMember, JobFile, PersonId } from '@early-lantern/contract';
import { useState } from 'react';
import { lastMe, useMe } from '../people/me.ts';

/** Everybody who has something to do for a job: its crew, and that of its strike. */
export function crewOf({ workshop, job }: JobFile): CrewMember[] {
  const ids = new Set<string>([...job.crew, ...(job.strikeCrew ?? [])]);
  return workshop.crew.filter(({ id }) => ids.has(id));
}

/** What was said on this phone last, by whoever is signed in on it: on a shared one each has said it for themselves. */
const keyOf = (accountId: string | undefined) => `early-lantern-on-site-as:${accountId ?? ''}`;

function lastSaid(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Who holds this phone: whoever was said to last, else whoever is signed in. @param crew who there is */
export function useWho(crew: readonly CrewMember[]): {
  who: CrewMember | undefined;
  choose: (id: PersonId | null) => void;
} {
  const me = useMe().data;
  const last = me ? undefined : lastMe();
  const key = keyOf(me ? me.account?.id : last?.accountId);
  const [said, setSaid] = useState<{ key: string; id: string | null }>();
  const id = said?.key === key ? said.id : (lastSaid(key) ?? (me ? me.account?.crewId : last?.crewId));
  return {
    who: crew.find((one) => one.id === id),
    choose: (chosen) => {
      setSaid({ key, id: chosen });
      try {
        if (chosen === null) localStorage.removeItem(key);
        else localStorage.setItem(key, chosen);
      } catch {
        // Asked again the next time.
      }
    },
  };
}
