import type { LoadedItem, VehicleLoad } from '@early-lantern/contract';
import {
  Alert,
  Box,
  Button,
  LinearProgress,
  Paper,
  Stack,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { PrintHead } from '../parts/PrintHead.tsx';
import { hasWebGl } from '../parts/webgl.ts';
import { useUnits } from '../preferences.tsx';
import { BeingLoaded } from './BeingLoaded.tsx';
import { elsewhere } from './elsewhere.ts';
import { itemName } from './item-name.ts';
import { LoadDrawing } from './LoadDrawing.tsx';
import { LoadFacts } from './LoadFacts.tsx';
import { LoadFiles } from './LoadFiles.tsx';
import { LoadOrder } from './LoadOrder.tsx';
import { LoadSteps } from './LoadSteps.tsx';
import { LongerSearch } from './LongerSearch.tsx';
import { useLoaded } from './use-loaded.ts';

/** The picture in three dimensions comes when it is asked for: its library is large. */
const LoadInDepth = lazy(async () => ({ default: (await import('./LoadInDepth.tsx')).LoadInDepth }));

const keyOf = ({ id, trip, part }: VehicleLoad) => `${id} ${trip} ${part}`;

/** Each vehicle with its load, from above and from the side, step by step. */
export function VehiclesView() {
  const loaded = useLoaded();
  const { planned } = useJob();
  const [which, setWhich] = useState<string>();
  if (!loaded || !planned) return <BeingLoaded />;
  const { fits, isOld } = loaded;
  const shown = fits.vehicles.find((one) => keyOf(one) === which) ?? fits.vehicles[0];
  if (!shown) return <EmptyState title="Nothing is loaded yet">{planned.plan.lamps.fits.reason}</EmptyState>;
  return (
    <Stack spacing={2}>
      <PrintHead what="Load" />
      {fits.unplaced.length > 0 && (
        <Alert severity="error" variant="outlined" icon={false} data-testid="unplaced">
          <Typography sx={{ fontWeight: 650 }}>Has no place yet:</Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {fits.unplaced.map(({ id, label, why }) => (
              <li key={id}>
                {label}. {why}
              </li>
            ))}
          </Box>
          <Typography sx={{ fontSize: 14, mt: 0.5 }}>Press the lantern Fits for ways out.</Typography>
        </Alert>
      )}
      <Stack direction="row" sx={{ alignItems: 'center', flexWrap: 'wrap', gap: 1.5 }}>
        <ToggleButtonGroup
          className="no-print"
          exclusive
          size="small"
          value={keyOf(shown)}
          aria-label="Vehicle"
          onChange={(_, key: string | null) => key && setWhich(key)}
          sx={{ flexWrap: 'wrap' }}
        >
          {fits.vehicles.map((one) => (
            <ToggleButton key={keyOf(one)} value={keyOf(one)} sx={{ textTransform: 'none', px: 1.5 }}>
              {one.name}
              {one.trip > 1 ? `, trip ${one.trip}` : ''}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <LoadFiles load={shown} all={fits.vehicles} />
        <LongerSearch fits={fits} />
        {isOld && <Typography sx={{ color: 'text.secondary', fontSize: 14 }}>Updating the load …</Typography>}
      </Stack>
      <OneVehicle key={keyOf(shown)} load={shown} />
    </Stack>
  );
}

/** A thing taken elsewhere to see whether it may lie there. */
interface Tried {
  item: LoadedItem;
  faults: string[];
}

function OneVehicle({ load }: { load: VehicleLoad }) {
  const { long } = useUnits();
  const [step, setStep] = useState(load.items.length);
  const [chosen, setChosen] = useState<string>();
  const [tried, setTried] = useState<Tried>();
  const [isDeep, setDeep] = useState(false);
  const upTo = Math.min(step, load.items.length);
  const put = load.items.filter(({ order }) => order <= upTo);
  const items = tried ? put.map((one) => (one.id === tried.item.id ? tried.item : one)) : put;
  const wrong = new Set(tried && tried.faults.length > 0 ? [tried.item.id] : []);
  const choose = (id: string) => {
    setChosen(id);
    if (tried && tried.item.id !== id) setTried(undefined);
  };
  const drag = (id: string, along: number, across: number) => setTried(elsewhere(load, id, along, across));
  const item = items.find(({ id }) => id === chosen);
  const nextIn = load.items[upTo];
  const { l, w, h } = load.room;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1.7fr) minmax(300px, 1fr)' },
        alignItems: 'start',
      }}
    >
      <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 }, bgcolor: '#fffaf0', color: '#1f2637' }}>
        <LoadSteps count={load.items.length} step={upTo} onStep={setStep} next={nextIn && itemName(nextIn)} />
        <LoadDrawing
          load={load}
          side="above"
          items={items}
          chosen={chosen}
          onChoose={choose}
          onDrag={drag}
          wrong={wrong}
        />
        {isDeep && hasWebGl() ? (
          <Suspense fallback={<LinearProgress aria-label="Loading the picture" />}>
            <LoadInDepth load={load} items={items} chosen={chosen} onChoose={choose} />
          </Suspense>
        ) : (
          <LoadDrawing
            load={load}
            side="left"
            items={items}
            chosen={chosen}
            onChoose={choose}
            wrong={wrong}
          />
        )}
        {hasWebGl() && (
          <Button
            className="no-print"
            size="small"
            onClick={() => setDeep(!isDeep)}
            sx={{ color: 'inherit' }}
          >
            {isDeep ? 'Show it from the side' : 'Show it in 3-D'}
          </Button>
        )}
        <Typography sx={{ fontSize: 13, color: '#3b4256', mt: 0.5 }}>
          Room {long(l / 1000)} long, {long(w / 1000)} wide, {long(h / 1000)} high. Numbers are the order of
          loading. Drag a thing in the upper picture to see whether it may lie elsewhere.
        </Typography>
      </Paper>
      <Stack spacing={2}>
        {tried && (
          <Alert
            severity={tried.faults.length > 0 ? 'error' : 'success'}
            variant="outlined"
            data-testid="elsewhere"
            onClose={() => setTried(undefined)}
          >
            {tried.faults.length > 0 ? tried.faults.join(' ') : `${tried.item.label} may lie there.`}
          </Alert>
        )}
        <LoadFacts load={load} item={item} />
        <LoadOrder items={load.items} chosen={chosen} upTo={upTo} onChoose={choose} />
      </Stack>
    </Box>
  );
}
