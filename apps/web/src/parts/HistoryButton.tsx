import type { Version, WholeVersion, WorkshopSettings } from '@early-lantern/contract';
import HistoryIcon from '@mui/icons-material/History';
import { Button, IconButton, Tooltip } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { keys, queryClient, useSettings } from '../api/queries.ts';
import { useNotice } from './notices.tsx';
import { VersionList } from './VersionList.tsx';

type Kept = Exclude<Version['what'], 'job' | 'piece' | 'account'>;

const rows: Record<
  Kept,
  { path: (id: string) => string; list: string; title: string; key: readonly string[] }
> = {
  site: {
    path: (id) => `/sites/${id}`,
    list: '/sites',
    title: 'Earlier versions of this place',
    key: keys.sites,
  },
  crew: {
    path: (id) => `/crew/${id}`,
    list: '/crew',
    title: 'What was changed about people',
    key: keys.crew,
  },
  workshop: {
    path: () => '/workshop',
    list: '',
    title: 'Earlier settings of the workshop',
    key: keys.workshop,
  },
};

interface HistoryButtonProps {
  what: Kept;
  /** Of one row; left out, of all of that kind. */
  id?: string;
  /** With words beside the clock. */
  isWide?: boolean;
}

/** What a place, a person or the workshop was earlier, who changed it, and the way back. */
export function HistoryButton({ what, id, isWide = false }: HistoryButtonProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      {isWide ? (
        <Button
          variant="outlined"
          startIcon={<HistoryIcon />}
          onClick={() => setOpen(true)}
          sx={{ justifySelf: 'start' }}
        >
          {what === 'workshop' ? 'Earlier settings' : 'Earlier versions'}
        </Button>
      ) : (
        <Tooltip title="Earlier versions">
          <IconButton aria-label="Earlier versions" onClick={() => setOpen(true)}>
            <HistoryIcon />
          </IconButton>
        </Tooltip>
      )}
      {isOpen && <HistoryDialog what={what} id={id} onClose={() => setOpen(false)} />}
    </>
  );
}

function HistoryDialog({ what, id, onClose }: { what: Kept; id: string | undefined; onClose: () => void }) {
  const notify = useNotice();
  const zone = useSettings().data?.data.timeZone ?? 'UTC';
  const [trouble, setTrouble] = useState<string>();
  const { data, error } = useQuery({
    queryKey: keys.history(what, id),
    queryFn: () => call<Version[]>('GET', `/history/${what}${id ? `?id=${id}` : ''}`),
    staleTime: 0,
  });
  const { title, key } = rows[what];
  const bring = async (version: Version) => {
    try {
      const whole = await call<WholeVersion>('GET', `/history/${what}/${version.id}`);
      const undo = await bringBack(what, version.rowId, whole.data);
      const refresh = () => queryClient.invalidateQueries({ queryKey: key });
      await refresh();
      notify({ text: `“${version.name}” is as it was.`, undo: () => void undo().then(refresh) });
      onClose();
    } catch (failed) {
      const faults = failed instanceof ApiProblem ? failed.problem.faults : undefined;
      setTrouble(faults?.map(({ reason }) => reason).join('; ') ?? (failed as Error).message);
    }
  };
  return (
    <VersionList
      title={title}
      versions={data}
      trouble={trouble ?? error?.message}
      zone={zone}
      nameOf={({ name }) => name}
      onBringBack={(version) => void bring(version)}
      onClose={onClose}
    />
  );
}

interface Row {
  revision: number;
  data: WholeVersion['data'];
}

/** Makes a row what it was; one that is gone comes back. @returns takes that back */
async function bringBack(
  what: Kept,
  id: string,
  data: WholeVersion['data'],
): Promise<() => Promise<unknown>> {
  const { path, list } = rows[what];
  const now = await call<Row>('GET', path(id)).catch((error) => {
    if (error instanceof ApiProblem && error.problem.status === 404) return undefined;
    throw error;
  });
  if (!now) {
    const added = await call<Row>('POST', list, data);
    return () => call('DELETE', `${path(id)}?revision=${added.revision}`);
  }
  const after = await call<Row>('PUT', path(id), {
    revision: now.revision,
    data: withShelfOfNow(what, data, now.data),
  });
  return () => call('PUT', path(id), { revision: after.revision, data: now.data });
}

/** What lies on the shelf has been counted and booked since: it does not go back with the workshop's ways. */
function withShelfOfNow(
  what: Kept,
  data: WholeVersion['data'],
  now: WholeVersion['data'],
): WholeVersion['data'] {
  if (what !== 'workshop') return data;
  const { stock, onOrder, materials } = now as WorkshopSettings;
  const { onOrder: _, materials: __, ...ways } = data as WorkshopSettings;
  return { ...ways, stock, ...(onOrder ? { onOrder } : {}), ...(materials ? { materials } : {}) };
}
