import type { DropOff } from '@early-lantern/contract';
import { Chip, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useJob } from '../job/context.ts';
import { stillOffered } from '../parts/still-offered.ts';
import { dayKey } from '../parts/time.ts';
import { useHead } from './use-head.ts';

const TRIPS = [
  { trip: 'set-up', label: 'To set up' },
  { trip: 'strike', label: 'To take down' },
] as const;

const NOBODY = 'nobody';

/** Whether somebody brings the crew and drives off once everything is unloaded. */
export function DropOffField() {
  const {
    file: { workshop, site, job },
  } = useJob();
  const { head, change, drop } = useHead();
  const { dropOffs = [], vehicles = [], strikeCrew, crew } = head;
  const set = (trip: DropOff['trip'], now: DropOff | undefined) => {
    const all = [...dropOffs.filter((one) => one.trip !== trip), ...(now ? [now] : [])];
    if (all.length > 0) change({ dropOffs: all });
    else drop('dropOffs');
  };
  if (site.isWorkshop) return null;
  const isOnRound = (trip: DropOff['trip']) =>
    job.clock?.rounds?.some((round) => round.trip === trip) ?? false;
  return (
    <>
      <Typography variant="h3">Dropped off</Typography>
      {TRIPS.filter(({ trip }) => trip === 'set-up' || !job.isKept).map(({ trip, label }) => {
        const own = dropOffs.find((one) => one.trip === trip);
        const team = trip === 'strike' ? (strikeCrew ?? crew) : crew;
        const drivers = stillOffered(workshop.crew, own ? [own.driver] : []).filter(
          ({ id, skills }) => skills.includes('driver') && team.some((one) => one !== id),
        );
        const keeps = own?.keeps ?? [];
        const keep = (id: string) => {
          if (!own) return;
          const { keeps: _, ...rest } = own;
          const now = keeps.includes(id) ? keeps.filter((one) => one !== id) : [...keeps, id];
          set(trip, now.length > 0 ? { ...rest, keeps: now } : rest);
        };
        return (
          <Stack key={trip} spacing={1}>
            <TextField
              select
              size="small"
              label={label}
              value={own?.driver ?? NOBODY}
              disabled={isOnRound(trip)}
              helperText={
                isOnRound(trip) ? (
                  <>
                    This drive is part of a round: see{' '}
                    <Link to={`/days/${dayKey(job.doors, workshop.timeZone)}`} style={{ color: 'inherit' }}>
                      the day together
                    </Link>
                    .
                  </>
                ) : undefined
              }
              onChange={({ target }) =>
                set(trip, target.value === NOBODY ? undefined : { ...own, trip, driver: target.value })
              }
            >
              <MenuItem value={NOBODY}>The vehicle stays with the crew</MenuItem>
              {drivers.map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name} {keeps.length > 0 ? 'drives off for good' : 'drives off and comes back for them'}
                </MenuItem>
              ))}
              {own && !drivers.some(({ id }) => id === own.driver) && (
                <MenuItem value={own.driver}>
                  {workshop.crew.find(({ id }) => id === own.driver)?.name ?? own.driver} cannot do it
                </MenuItem>
              )}
            </TextField>
            {own && vehicles.length > 1 && (
              <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
                <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
                  Stays, and brings them home:
                </Typography>
                {workshop.vehicles
                  .filter(({ id }) => vehicles.includes(id))
                  .map(({ id, name }) => (
                    <Chip
                      key={id}
                      size="small"
                      label={name}
                      color={keeps.includes(id) ? 'secondary' : 'default'}
                      variant={keeps.includes(id) ? 'filled' : 'outlined'}
                      aria-pressed={keeps.includes(id)}
                      // One drives off at least.
                      disabled={!keeps.includes(id) && keeps.length >= vehicles.length - 1}
                      onClick={() => keep(id)}
                    />
                  ))}
              </Stack>
            )}
          </Stack>
        );
      })}
    </>
  );
}
