import type { GearAway, PackingRow } from '@early-lantern/contract';
import { awayName, isLineOfPiece, listed } from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, LinearProgress, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { PrintHead } from '../parts/PrintHead.tsx';
import { useMe } from '../people/me.ts';
import { BagLabelsButton } from './BagLabelsButton.tsx';
import { BeingLoaded } from './BeingLoaded.tsx';
import { DepartureBar } from './DepartureBar.tsx';
import { GearLabelsButton } from './GearLabelsButton.tsx';
import { PackingFiles } from './PackingFiles.tsx';
import { awayWords, PackingLine } from './PackingLine.tsx';
import { type PackingGroup, packingGroups } from './packing-groups.ts';
import { useLoaded } from './use-loaded.ts';
import { usePacking } from './use-packing.ts';

const TICKED_BY = 'early-lantern-ticked-by';

/** The packing list by vehicle, bag and crate, with ticks that everybody sees; and the way home. */
export function PackingView() {
  const loaded = useLoaded();
  const { file } = useJob();
  const { job, workshop } = file;
  const { state, change } = usePacking(job.id);
  const ofLines = (workshop.awayGear ?? []).filter(({ row }) => !isLineOfPiece(row));
  const away = new Map(ofLines.map((one) => [one.row, one]));
  const crew = workshop.crew.filter(({ id }) => job.crew.includes(id));
  const [by, setBy] = useState(() => localStorage.getItem(TICKED_BY) ?? '');
  // Whoever is signed in, where nobody else was chosen here.
  const self = useMe().data?.account?.crewId;
  const who = (crew.find(({ id }) => id === by) ?? crew.find(({ id }) => id === self) ?? crew[0])?.id ?? '';
  if (!loaded) return <BeingLoaded />;
  const { packing } = loaded;
  if (packing.length === 0)
    return (
      <EmptyState title="Nothing to pack">The list is written from the pieces and the clock.</EmptyState>
    );
  const ticks = new Map(state.ticks.map((one) => [one.row, one]));
  const lines = new Set(packing.map(({ id }) => id));
  const done = packing.filter(({ id }) => ticks.has(id)).length;
  const toggle = (row: PackingRow) =>
    ticks.has(row.id)
      ? change({ what: 'untick', rows: [row.id] })
      : change({ what: 'tick', rows: [row.id], by: who });
  return (
    <Stack spacing={2} sx={{ maxWidth: 980 }}>
      <PrintHead what="Packing list" />
      <Stack direction="row" className="no-print" sx={{ flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <TextField
          select
          size="small"
          label="Ticked by"
          value={who}
          sx={{ minWidth: 150 }}
          onChange={(event) => {
            localStorage.setItem(TICKED_BY, event.target.value);
            setBy(event.target.value);
          }}
        >
          {crew.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" startIcon={<PrintIcon />} onClick={() => window.print()}>
          Print
        </Button>
        <PackingFiles jobId={job.id} />
        <BagLabelsButton />
        <GearLabelsButton />
        <Box sx={{ flex: '1 1 160px' }}>
          <Typography sx={{ fontSize: 14 }} role="status" data-testid="packed">
            {done} of {packing.length} ticked
          </Typography>
          <LinearProgress
            variant="determinate"
            color="secondary"
            value={(100 * done) / packing.length}
            aria-label="Ticked"
            sx={{ height: 8, borderRadius: 4 }}
          />
        </Box>
      </Stack>
      <DepartureBar
        left={packing.filter(({ id, trip }) => trip === 1 && !ticks.has(id)).map(({ label }) => label)}
        departure={state.departure}
        by={who}
        onChange={change}
      />
      <NotAtHome
        away={(workshop.awayGear ?? []).filter((one) => !lines.has(one.row) || isLineOfPiece(one.row))}
      />
      {packingGroups(packing).map((group) => (
        <GroupPaper key={group.key} group={group} ticks={ticks} away={away} onToggle={toggle} />
      ))}
      <WayHome rows={packing} />
    </Stack>
  );
}

/** What other jobs did not bring home and is on no line here: the plan does without it. */
function NotAtHome({ away }: { away: readonly GearAway[] }) {
  const { file } = useJob();
  const told = away.flatMap((one) => {
    const name = awayName(one, file);
    return name ? [`${name} (${awayWords[one.fate].toLowerCase()} ${one.job})`] : [];
  });
  if (told.length === 0) return null;
  return (
    <Typography sx={{ borderLeft: 4, pl: 1.25, borderColor: 'text.primary' }}>
      <strong>Not at home, so planned without:</strong> {listed(told)}.
    </Typography>
  );
}

interface GroupPaperProps {
  group: PackingGroup;
  ticks: ReadonlyMap<string, { by: string; at: string }>;
  /** What did not come home whole from a job before. */
  away: ReadonlyMap<string, GearAway>;
  onToggle: (row: PackingRow) => void;
}

function GroupPaper({ group, ticks, away, onToggle }: GroupPaperProps) {
  const { file } = useJob();
  const { workshop, job } = file;
  const vehicles = [...workshop.vehicles, ...(job.cars ?? [])];
  const name = vehicles.find(({ id }) => id === group.vehicle)?.name ?? 'No place yet';
  return (
    <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 } }} component="section">
      <Typography variant="h2">
        {name}
        {group.trip > 1 ? ', second trip' : ''}
      </Typography>
      {group.bags.map(({ name: bag, rows }) => (
        <Box key={bag ?? 'loose'} sx={{ mt: 1 }}>
          <Typography variant="h3" sx={{ color: 'text.secondary' }}>
            {bag ?? 'By itself'}
          </Typography>
          {rows.map((row) => (
            <PackingLine
              key={row.id}
              row={row}
              tick={ticks.get(row.id)}
              away={away.get(row.id)}
              onToggle={() => onToggle(row)}
            />
          ))}
        </Box>
      ))}
    </Paper>
  );
}

/** What comes home, what is used up, what is rubbish. */
function WayHome({ rows }: { rows: readonly PackingRow[] }) {
  const home = rows.filter(({ after }) => after === 'comes back');
  const rubbish = rows.filter(({ after }) => after === 'rubbish');
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" data-testid="way-home">
      <Typography variant="h2">The way home</Typography>
      <Typography sx={{ fontSize: 14, mt: 0.5 }}>
        <strong>Comes back:</strong>{' '}
        {home.map(({ qty, label }) => (qty > 1 ? `${qty} × ${label}` : label)).join(', ') || 'nothing'}.
      </Typography>
      <Typography sx={{ fontSize: 14, mt: 0.5 }}>
        <strong>Rubbish:</strong> all balloons, popped into bags
        {rubbish.length > 0 ? `, from ${rubbish.length} bags` : ''}; bags that are whole come back. Spares
        that are left go back on the shelf.
      </Typography>
    </Paper>
  );
}
