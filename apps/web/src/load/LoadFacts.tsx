import type { LoadedItem, VehicleLoad } from '@early-lantern/contract';
import { Box, Paper, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';
import { looks } from './kinds.ts';

interface LoadFactsProps {
  load: VehicleLoad;
  /** The thing that is looked at. */
  item: LoadedItem | undefined;
}

/** A vehicle's load in figures; of a thing that is chosen, what it is and what it belongs to. */
export function LoadFacts({ load, item }: LoadFactsProps) {
  const { mass, long } = useUnits();
  const { file, planned } = useJob();
  const run = planned?.plan.fits.runs.find(({ vehicle }) => vehicle === load.id);
  const nameOf = (id: string) => file.workshop.crew.find((one) => one.id === id)?.name ?? id;
  const people = run ? [run.driver ? `${nameOf(run.driver)} drives` : '', ...run.riders.map(nameOf)] : [];
  const { balance } = load;
  const side = (share: number) =>
    Math.abs(share - 0.5) < 0.08 ? 'in the middle' : share < 0.5 ? 'to the left' : 'to the right';
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">{load.name}</Typography>
      <Box
        component="dl"
        sx={{ m: 0, mt: 1, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2 }}
      >
        <Fact label="Room used">{Math.round(load.usedShare * 100)} %</Fact>
        <Fact label="Load">
          {mass(load.loadKg)} of {mass(load.payloadKg)}
        </Fact>
        {balance && (
          <Fact label="Its middle">
            {side(balance.across)}, {balance.along < 0.5 ? 'forward' : 'to the rear'}
          </Fact>
        )}
        {people.length > 0 && <Fact label="People">{people.filter(Boolean).join(', ')}</Fact>}
        {load.room.isOpen && (
          <Fact label="Open">wind and rain reach what rides there: strap it, cover it</Fact>
        )}
      </Box>
      {item && (
        <Box sx={{ mt: 1.5, pt: 1.5, borderTop: 1, borderColor: 'divider' }} data-testid="load-item">
          <Typography variant="h3">{item.label}</Typography>
          <Typography sx={{ fontSize: 14 }}>
            Number {item.order}, among {looks[item.kind].label}. {long(item.l / 1000)} × {long(item.w / 1000)}{' '}
            × {long(item.h / 1000)} high, {mass(item.massKg)}. {comesOff(item)}
          </Typography>
        </Box>
      )}
    </Paper>
  );
}

/** When it comes off: at each place what is needed first has an odd number, the rest the next. */
function comesOff({ stop, place }: LoadedItem): string {
  const isFirst = stop % 2 === 1;
  if (place) return `Comes off at ${place}${isFirst ? ', first of all there' : ''}.`;
  return isFirst ? 'Comes off first.' : 'Comes off after the things needed first.';
}

function Fact({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <>
      <Typography component="dt" sx={{ color: 'text.secondary', fontSize: 14 }}>
        {label}
      </Typography>
      <Typography component="dd" sx={{ m: 0, fontSize: 14 }}>
        {children}
      </Typography>
    </>
  );
}
