import type { Site, SiteRow } from '@early-lantern/contract';
import { useCallback, useState } from 'react';
import { keys } from '../api/queries.ts';
import { useRowSave } from '../parts/useRowSave.ts';

/** Steps that can be taken back while a place is open. */
const MOST_STEPS = 50;

/** Changes a place, each at once saved, and takes them back one by one. */
export function useSiteEdit(row: SiteRow) {
  const save = useRowSave<Site>(keys.sites, `/sites/${row.data.id}`, row);
  const [past, setPast] = useState<Site[]>([]);
  const { data } = row;
  const change = useCallback(
    (edit: (site: Site) => Partial<Site>) => {
      // What comes faster than it is saved is one step to take back.
      setPast((before) => (before.at(-1) === data ? before : [...before.slice(1 - MOST_STEPS), data]));
      save(edit);
    },
    [save, data],
  );
  const undo = useCallback(() => {
    const last = past.at(-1);
    if (!last) return;
    setPast(past.slice(0, -1));
    // Answers given since are left out again: what is undefined is not sent.
    const added = Object.keys(data).filter((key) => !(key in last));
    save(() => ({ ...Object.fromEntries(added.map((key) => [key, undefined])), ...last }));
  }, [past, data, save]);
  return { change, undo, canUndo: past.length > 0 };
}

export type SiteChange = ReturnType<typeof useSiteEdit>['change'];
