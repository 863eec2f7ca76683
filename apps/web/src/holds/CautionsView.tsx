import type { Caution } from '@early-lantern/contract';
import { Box, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { clockTime } from '../parts/time.ts';

/** What applies to this job, where, who decides, and who of the crew has read it. */
export function CautionsView() {
  const { planned, document, file, store } = useJob();
  const cautions = planned?.plan.cautions ?? [];
  const { workshop, job } = file;
  const read = document.head.acknowledged ?? [];
  const acknowledge = (code: string, by: string) =>
    store.change((before) => {
      const others = (before.head.acknowledged ?? []).filter((one) => one.code !== code);
      const now = by ? [{ code, by, at: new Date().toISOString() }] : [];
      return { ...before, head: { ...before.head, acknowledged: [...others, ...now] } };
    });
  return (
    <Stack spacing={1.25}>
      <Typography sx={{ color: 'text.secondary' }}>
        Reminders, not permits: local code, the house and a licensed person, where one is required, decide.
      </Typography>
      {cautions.map((caution) => {
        const own = read.find((one) => one.code === caution.code);
        return (
          <Paper
            key={caution.code}
            variant="outlined"
            className="holds-print"
            sx={{
              p: 1.5,
              display: 'grid',
              gap: 2,
              gridTemplateColumns: { xs: '1fr', sm: 'minmax(0, 1fr) 220px' },
              alignItems: 'center',
            }}
          >
            <Box>
              <Typography sx={{ fontWeight: 600 }}>{caution.text}</Typography>
              <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
                {where(caution, file)} · decides: {caution.defersTo} · {caution.source}
              </Typography>
            </Box>
            <TextField
              select
              size="small"
              label={own ? `Read at ${clockTime(own.at, workshop.timeZone)} by` : 'Read by'}
              value={own && job.crew.includes(own.by) ? own.by : ''}
              onChange={(event) => acknowledge(caution.code, event.target.value)}
              slotProps={{ select: { SelectDisplayProps: { 'aria-description': caution.text } } }}
            >
              <MenuItem value="">nobody yet</MenuItem>
              {workshop.crew
                .filter((member) => job.crew.includes(member.id))
                .map((member) => (
                  <MenuItem key={member.id} value={member.id}>
                    {member.name}
                  </MenuItem>
                ))}
            </TextField>
          </Paper>
        );
      })}
    </Stack>
  );
}

/** "Finish arch, Column, left" or "the whole job". */
function where(caution: Caution, { job }: ReturnType<typeof useJob>['file']): string {
  const names = job.pieces.filter((piece) => caution.where.includes(piece.id)).map((piece) => piece.name);
  return names.length ? names.join(', ') : 'the whole job';
}
