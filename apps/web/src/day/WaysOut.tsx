import type { JobFile, Skill } from '@early-lantern/contract';
import type { Culprit, WayOut } from '@early-lantern/core';
import { Box, Button, LinearProgress, Paper, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { moneyText } from '../parts/money.ts';
import { clockTime } from '../parts/time.ts';

interface WaysOutProps {
  culprits: readonly Culprit[];
  files: readonly JobFile[];
  ways: { found: WayOut[]; done: number; of: number } | undefined;
  /** Paid hours of the plan as it stands, and their wages. */
  now: Paid;
  onApply: (way: WayOut) => void;
}

type Paid = Pick<WayOut, 'paidHours' | 'wages'>;

/** What cannot all be done, and what was tried and helps. */
export function WaysOut({ culprits, files, ways, now, onApply }: WaysOutProps) {
  const fileOf = (id: string) => files.find(({ job }) => job.id === id);
  const zone = files[0]?.workshop.timeZone ?? 'UTC';
  const named = ({ jobId, part }: Culprit) => {
    const job = fileOf(jobId)?.job;
    if (!job) return jobId;
    const [from, until] =
      part === 'strike' ? [job.strike.from, job.strike.until] : [job.access.from, job.doors];
    const what = part === 'strike' ? 'taking down' : 'putting up';
    return `${what} ${job.name} (${clockTime(from, zone)}–${clockTime(until, zone)})`;
  };
  const isTrying = ways === undefined || ways.done < ways.of;
  return (
    <Paper variant="outlined" component="section" aria-label="Options" sx={{ p: { xs: 1.5, sm: 2 } }}>
      <Typography variant="h2">Options</Typography>
      <Typography sx={{ mb: 1 }}>
        {culprits.length === 1
          ? `As people, vans and hours stand, this cannot be done in its hours: ${culprits.map(named).join('')}.`
          : `As people, vans and hours stand, these cannot all be done: ${culprits.map(named).join('; ')}. Taking any one of them away, the rest can.`}
      </Typography>
      {isTrying && (
        <LinearProgress
          aria-label="Ways tried"
          {...(ways ? { variant: 'determinate' as const, value: (ways.done / ways.of) * 100 } : {})}
          sx={{ mb: 1 }}
        />
      )}
      <Stack spacing={1}>
        {ways?.found.map((way) => (
          <Way key={way.label} way={way} files={files} now={now} onApply={onApply} />
        ))}
        {!isTrying && ways?.found.length === 0 && (
          <Typography>
            None of {ways.of} changes that were tried helps. More people or another day are what is left.
          </Typography>
        )}
      </Stack>
    </Paper>
  );
}

const skillWords: Record<Skill, string> = {
  lead: 'leads',
  driver: 'drives',
  ladder: 'works on a ladder',
  tying: 'ties',
  helium: 'fills helium',
};

interface WayProps {
  way: WayOut;
  files: readonly JobFile[];
  now: Paid;
  onApply: (way: WayOut) => void;
}

/** One option: what it gives, what it costs, who is added by it; a hired person's pay is asked for before it is taken. */
function Way({ way, files, now, onApply }: WayProps) {
  const [pay, setPay] = useState('');
  const [fault, setFault] = useState<string>();
  const currency = files[0]?.workshop.currency;
  const { hire } = way;
  const apply = () => {
    if (!hire) return onApply(way);
    const wage = Number(pay);
    const isPay = pay.trim() !== '' && Number.isFinite(wage) && wage >= 0 && wage <= 10_000;
    setFault(isPay ? undefined : 'Type the hourly pay, 0 for a volunteer');
    if (isPay) onApply({ ...way, hire: { ...hire, wage } });
  };
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        flexWrap: 'wrap',
        borderTop: 1,
        borderColor: 'divider',
        pt: 1,
      }}
    >
      <Box sx={{ flexGrow: 1, flexBasis: 0, minWidth: 220 }}>
        <Typography sx={{ fontWeight: 650 }}>{way.label}</Typography>
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          Every window kept;{' '}
          {files.map(({ job }, i) => `${way.inHand[i]} min to spare for ${job.name}`).join(', ')}.{' '}
          {paidWords(way, now, currency)}
        </Typography>
        {hire && (
          <Typography sx={{ fontSize: 14 }}>
            Adds {hire.name} to your people: {hire.skills.map((skill) => skillWords[skill]).join(', ')};{' '}
            {hire.shift.from} to {hire.shift.to}.
          </Typography>
        )}
      </Box>
      {hire && (
        <TextField
          size="small"
          label={`Hourly pay${currency ? `, ${currency}` : ''}`}
          value={pay}
          error={fault !== undefined}
          helperText={fault}
          onChange={({ target }) => setPay(target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 190 }}
        />
      )}
      <Button variant="outlined" onClick={apply}>
        Apply
      </Button>
    </Box>
  );
}

/** Paid hours with a change, against those of the plan as it stands. */
function paidWords({ paidHours, wages }: WayOut, now: Paid, currency: string | undefined): string {
  const against = (more: number, text: string) =>
    Math.abs(more) < 0.05 ? 'as now' : more > 0 ? `${text} more` : `${text} less`;
  // Where there is no plan as it stands there is nothing to compare with.
  if (now.paidHours === 0)
    return `${paidHours.toFixed(1)} paid hours${wages === null ? '' : `, wages ${moneyText(wages, currency)}`}.`;
  const hours = paidHours - now.paidHours;
  const said = `${paidHours.toFixed(1)} paid hours, ${against(hours, Math.abs(hours).toFixed(1))}`;
  if (wages === null || now.wages === null) return `${said}.`;
  const more = wages - now.wages;
  return `${said}; wages ${moneyText(wages, currency)}, ${against(more, moneyText(Math.abs(more), currency))}.`;
}
