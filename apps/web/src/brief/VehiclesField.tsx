import { listed } from '@early-lantern/core';
import { Chip, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useHead } from './use-head.ts';

/** Which of the workshop's vehicles go out for the job; none chosen, as many as seat the crew, whichever are free. */
export function VehiclesField() {
  const {
    planned,
    file: { workshop },
  } = useJob();
  const { head, change, drop } = useHead();
  const chosen = head.vehicles ?? [];
  const toggle = (id: string) => {
    const now = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
    if (now.length > 0) change({ vehicles: now });
    else drop('vehicles');
  };
  const trailers = head.trailers ?? [];
  // Of what goes out the clock decides where nothing is chosen.
  const out = chosen.length > 0 ? chosen : (planned?.plan.fits.vehicles ?? []).map(({ id }) => id);
  const trailersLeft = workshop.vehicles
    .filter(({ id }) => trailers.includes(id) && out.length > 0 && !out.includes(id))
    .map(({ name }) => name);
  const toggleTrailer = (id: string) =>
    change({
      trailers: trailers.includes(id) ? trailers.filter((one) => one !== id) : [...trailers, id],
    });
  return (
    <>
      <Typography variant="h3">Vehicles</Typography>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
        {workshop.vehicles.map(({ id, name }) => (
          <Chip
            key={id}
            label={name}
            color={chosen.includes(id) ? 'secondary' : 'default'}
            variant={chosen.includes(id) ? 'filled' : 'outlined'}
            aria-pressed={chosen.includes(id)}
            onClick={() => toggle(id)}
          />
        ))}
        {workshop.vehicles
          .filter(({ trailer }) => trailer)
          .map(({ id, name }) => (
            <Chip
              key={`trailer-${id}`}
              label={`Trailer of ${name}`}
              color={trailers.includes(id) ? 'secondary' : 'default'}
              variant={trailers.includes(id) ? 'filled' : 'outlined'}
              aria-pressed={trailers.includes(id)}
              onClick={() => toggleTrailer(id)}
            />
          ))}
      </Stack>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        {chosen.length > 0
          ? 'Those go out for this job.'
          : 'None chosen: as many as seat the crew, whichever are free.'}
      </Typography>
      {trailersLeft.length > 0 && (
        <Typography sx={{ fontSize: 14, color: 'var(--mui-palette-out)' }}>
          {listed(trailersLeft)} does not go out for this job: its trailer stays at home.
        </Typography>
      )}
    </>
  );
}
