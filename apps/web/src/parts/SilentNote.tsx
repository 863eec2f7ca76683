import { Typography } from '@mui/material';
import type { Query } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { isPassing } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useWhenBack } from '../api/use-when-back.ts';

/** One failure may be the network's hiccup. */
const SILENT_AFTER = 2;

const isUnanswered = (query: Query): boolean => {
  const { status, error, fetchFailureCount, fetchFailureReason } = query.state;
  if (!query.isActive()) return false;
  if (status === 'error') return isPassing(error);
  return fetchFailureCount >= SILENT_AFTER && isPassing(fetchFailureReason);
};

const cache = queryClient.getQueryCache();
const subscribe = (listener: () => void) => cache.subscribe(listener);
const isSilent = (): boolean => cache.getAll().some(isUnanswered);
const readAgain = () => void queryClient.refetchQueries({ type: 'active', predicate: isUnanswered });

/** Told on every page while the server is silent; what was read before stays there, and is read again when it answers. */
export function SilentNote() {
  const isAway = useSyncExternalStore(subscribe, isSilent);
  useWhenBack(isAway, readAgain);
  if (!isAway) return null;
  return (
    <Typography
      role="status"
      className="no-print"
      sx={{ mx: { xs: 1.5, sm: 3 }, mb: 1, pl: 1.5, py: 0.5, borderLeft: '4px solid var(--mui-palette-out)' }}
    >
      <strong>The server does not answer.</strong> What you see may be out of date; it updates by itself when
      the server is back.
    </Typography>
  );
}
