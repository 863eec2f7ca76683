import type { JobHead } from '@early-lantern/contract';
import { Box, FormControlLabel, MenuItem, Stack, Switch, TextField, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { DateTimeField } from '../parts/DateTimeField.tsx';

const OPENING = 'opening';
const LATE = 'late';
const TYPED = 'typed';

/** When the crew comes, whether it loads the evening before, and whether anything is taken down again. */
export function VisitFields() {
  const { store, document, file } = useJob();
  const { head } = document;
  const { isWorkshop } = file.site;
  const change = (edit: (before: JobHead) => JobHead) =>
    store.change((before) => ({ ...before, head: edit(before.head) }));
  const { arrival } = head;
  const chosen = arrival === undefined ? OPENING : arrival === 'late' ? LATE : TYPED;
  const setArrival = (next: JobHead['arrival']) =>
    change(({ arrival: _, ...rest }) => (next === undefined ? rest : { ...rest, arrival: next }));
  return (
    <Stack spacing={1}>
      {isWorkshop ? (
        <Typography sx={{ color: 'text.secondary', fontSize: 14 }}>
          The work is done in the workshop itself: nothing is loaded, driven or unloaded.
        </Typography>
      ) : (
        <>
          <TextField
            select
            label="The crew arrives"
            value={chosen}
            onChange={({ target: { value } }) =>
              setArrival(value === LATE ? 'late' : value === TYPED ? head.access.from : undefined)
            }
          >
            <MenuItem value={OPENING}>when the house opens</MenuItem>
            <MenuItem value={LATE}>as late as the work allows</MenuItem>
            <MenuItem value={TYPED}>at a set time</MenuItem>
          </TextField>
          {chosen === TYPED && (
            <DateTimeField
              label="Arrives at"
              value={arrival as string}
              zone={file.workshop.timeZone}
              onCommit={(iso) => void setArrival(iso) as undefined}
            />
          )}
        </>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
        {!isWorkshop && (
          <Flag
            label="Prepare and load the evening before"
            checked={head.loadsEvening ?? false}
            onChange={(on) =>
              change(({ loadsEvening: _, ...rest }) => (on ? { ...rest, loadsEvening: true } : rest))
            }
          />
        )}
        <Flag
          label="The client keeps it: no strike"
          checked={head.isKept ?? false}
          onChange={(on) => change(({ isKept: _, ...rest }) => (on ? { ...rest, isKept: true } : rest))}
        />
      </Box>
    </Stack>
  );
}

interface FlagProps {
  label: string;
  checked: boolean;
  onChange: (on: boolean) => void;
}

const Flag = ({ label, checked, onChange }: FlagProps) => (
  <FormControlLabel
    control={<Switch checked={checked} onChange={(event) => onChange(event.target.checked)} />}
    label={label}
  />
);
