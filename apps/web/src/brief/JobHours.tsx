import type { JobHead } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Box, Button, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { DateTimeField } from '../parts/DateTimeField.tsx';

type Hours = NonNullable<JobHead['hours']>[number];

/** Hours that somebody works for this job, besides their usual ones: a night, a day off given up. */
export function JobHours() {
  const { store, document, file } = useJob();
  const { head } = document;
  const { workshop } = file;
  const hours = head.hours ?? [];
  const people = workshop.crew.filter(({ id }) => head.crew.includes(id) || head.strikeCrew?.includes(id));
  const change = (edit: (now: readonly Hours[]) => Hours[]) =>
    store.change((before) => {
      const { hours: had = [], ...rest } = before.head;
      const now = edit(had);
      return { ...before, head: now.length > 0 ? { ...rest, hours: now } : rest };
    });
  const set = (at: number, more: Partial<Hours>): string | undefined => {
    const next = { ...(hours[at] as Hours), ...more };
    if (Date.parse(next.from) >= Date.parse(next.until)) return 'They end before they begin.';
    change((now) => now.map((one, i) => (i === at ? next : one)));
    return undefined;
  };
  const [first] = people;
  return (
    <>
      <Typography variant="h3">Hours for this job</Typography>
      {hours.map((one, i) => (
        // The list keeps its order, and nobody has two of the same hours.
        <Box
          key={`${one.person} ${one.from}`}
          sx={{
            display: 'grid',
            gap: 1,
            gridTemplateColumns: {
              xs: 'minmax(0, 1fr) auto',
              sm: '140px minmax(0, 1fr) minmax(0, 1fr) auto',
            },
          }}
        >
          <TextField
            select
            label="Who"
            value={one.person}
            onChange={({ target }) => set(i, { person: target.value })}
          >
            {people.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <DateTimeField
            label="Works from"
            value={one.from}
            zone={workshop.timeZone}
            onCommit={(from) => set(i, { from })}
          />
          <DateTimeField
            label="until"
            value={one.until}
            zone={workshop.timeZone}
            onCommit={(until) => set(i, { until })}
          />
          <IconButton
            aria-label="Delete these hours"
            onClick={() => change((now) => now.filter((_, at) => at !== i))}
          >
            <CloseIcon />
          </IconButton>
        </Box>
      ))}
      {first && (
        <Button
          size="small"
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            change((now) => [...now, { person: first.id, from: head.access.from, until: head.access.until }])
          }
        >
          Add hours
        </Button>
      )}
    </>
  );
}
