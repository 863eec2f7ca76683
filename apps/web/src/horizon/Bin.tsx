import type { DeletedJob } from '@early-lantern/contract';
import { Accordion, AccordionDetails, AccordionSummary, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { useNotice } from '../parts/notices.tsx';
import { dayName, shortDay } from '../parts/time.ts';

/** Jobs that were deleted and can still be brought back; none, and it is not there. */
export function Bin({ zone }: { zone: string }) {
  const notify = useNotice();
  const { data = [] } = useQuery({
    queryKey: keys.deleted,
    queryFn: () => call<DeletedJob[]>('GET', '/deleted-jobs'),
  });
  if (data.length === 0) return null;
  const bringBack = async ({ id, name }: DeletedJob) => {
    try {
      await call('POST', `/jobs/${id}/restore`);
      notify({ text: `“${name}” is back.` });
    } catch (error) {
      notify({ text: `Not brought back: ${(error as Error).message}` });
    }
    await queryClient.invalidateQueries({ queryKey: keys.jobs });
  };
  return (
    <Accordion variant="outlined" disableGutters slotProps={{ transition: { unmountOnExit: true } }}>
      <AccordionSummary>
        <Typography variant="h2" component="h2">
          Deleted · {data.length}
        </Typography>
      </AccordionSummary>
      <AccordionDetails>
        <Typography sx={{ color: 'text.secondary', mb: 1 }}>
          What was deleted stays here for 30 days.
        </Typography>
        {data.map((job) => (
          <ActionLine
            key={job.id}
            does="Bring back"
            label={`Bring back ${job.name}`}
            onDo={() => void bringBack(job)}
          >
            {job.name}, {shortDay(job.doors, zone)} · deleted {dayName(job.deletedAt, zone)}
          </ActionLine>
        ))}
      </AccordionDetails>
    </Accordion>
  );
}
