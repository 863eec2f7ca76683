import { Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { keys } from '../api/queries.ts';
import { BigButton } from './BigButton.tsx';
import { takeAlong } from './use-taken-job.ts';

/** Reads several days' jobs onto this phone at once, before there is no signal any more. @param ids of those that are not on it yet */
export function TakeAll({ ids }: { ids: readonly string[] }) {
  const queryClient = useQueryClient();
  const [done, setDone] = useState<number>();
  const [failed, setFailed] = useState(0);
  const take = async () => {
    setFailed(0);
    let missed = 0;
    for (const [i, id] of ids.entries()) {
      setDone(i);
      await takeAlong(id).then(
        (taken) => queryClient.setQueryData(keys.onSite(id), taken),
        () => {
          missed += 1;
        },
      );
    }
    setDone(undefined);
    setFailed(missed);
    await queryClient.invalidateQueries({ queryKey: ['on-device'] });
  };
  if (ids.length === 0) return null;
  return (
    <>
      <BigButton variant="contained" disabled={done !== undefined} onClick={() => void take()}>
        {done === undefined
          ? `Take ${ids.length === 1 ? 'this job' : `these ${ids.length} jobs`} along on this phone`
          : `Reading job ${done + 1} of ${ids.length}…`}
      </BigButton>
      {failed > 0 && (
        <Typography role="status" sx={{ fontSize: '1.0625rem' }}>
          {failed === 1 ? '1 job was' : `${failed} jobs were`} not read. Try again where the signal is better.
        </Typography>
      )}
    </>
  );
}
