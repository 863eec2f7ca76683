import { type JobHead, type Site, Surface, type Workshop } from '@early-lantern/contract';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  Stack,
  TextField,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { CrewPicker } from '../parts/CrewPicker.tsx';
import { DateTimeField } from '../parts/DateTimeField.tsx';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';

interface NewJobDialogProps {
  workshop: Workshop;
  sites: Site[];
  onClose: () => void;
}

const A_NEW_PLACE = '(new)';

/** Saturday at six in the evening, this one or the next. */
function nextSaturday(zone: string): string {
  const now = DateTime.now().setZone(zone);
  const days = (6 - now.weekday + 7) % 7 || 7;
  return now
    .plus({ days })
    .set({ hour: 18, minute: 0, second: 0, millisecond: 0 })
    .toISO({ suppressMilliseconds: true }) as string;
}

/** Asks for the little that a job cannot do without: name, place, doors, people. */
export function NewJobDialog({ workshop, sites, onClose }: NewJobDialogProps) {
  const zone = workshop.timeZone;
  const [name, setName] = useState('');
  const [siteId, setSiteId] = useState(sites[0]?.id ?? A_NEW_PLACE);
  const [place, setPlace] = useState({
    name: '',
    widthM: 4.8768,
    heightM: 3.048,
    surface: 'painted' as Surface,
    driveMin: 20,
  });
  const [doors, setDoors] = useState(() => nextSaturday(zone));
  const [crew, setCrew] = useState(() => workshop.crew.slice(0, 2).map((member) => member.id));
  const [fault, setFault] = useState<string>();
  const navigate = useNavigate();
  const isNewPlace = siteId === A_NEW_PLACE;

  const missing = () => {
    if (!name.trim()) return 'Give the job a name.';
    if (isNewPlace && !place.name.trim()) return 'Give the place a name.';
    return crew.length === 0 ? 'Choose at least one person.' : undefined;
  };

  const create = async (event: FormEvent) => {
    event.preventDefault();
    const lacks = missing();
    setFault(lacks);
    if (lacks) return;
    try {
      const at = isNewPlace ? await addSite(place) : sites.find((site) => site.id === siteId);
      if (!at) throw new Error('That place is no longer there.');
      const job = newJob(name.trim(), at, DateTime.fromISO(doors, { zone }), crew);
      await call('POST', '/jobs', job);
      await Promise.all([
        queryClient.invalidateQueries({ queryKey: keys.jobs }),
        queryClient.invalidateQueries({ queryKey: keys.sites }),
      ]);
      await navigate(`/jobs/${job.id}/pieces`);
    } catch (error) {
      setFault((error as Error).message);
    }
  };

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="new-job-title">
      <form onSubmit={(event) => void create(event)} noValidate>
        <DialogTitle id="new-job-title">New job</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <TextField
              label="Job name"
              autoFocus
              value={name}
              onChange={(event) => setName(event.target.value.slice(0, 120))}
            />
            <TextField select label="Site" value={siteId} onChange={(event) => setSiteId(event.target.value)}>
              {sites.map((site) => (
                <MenuItem key={site.id} value={site.id}>
                  {site.name}
                </MenuItem>
              ))}
              <MenuItem value={A_NEW_PLACE}>A new place…</MenuItem>
            </TextField>
            {isNewPlace && (
              <>
                <TextField
                  label="Place"
                  value={place.name}
                  onChange={(event) => setPlace({ ...place, name: event.target.value.slice(0, 120) })}
                />
                <Stack direction="row" spacing={2}>
                  <LengthField
                    label="Wall width"
                    fullWidth
                    valueM={place.widthM}
                    max={60}
                    onCommit={(widthM) => setPlace({ ...place, widthM })}
                  />
                  <LengthField
                    label="Wall height"
                    fullWidth
                    valueM={place.heightM}
                    max={20}
                    onCommit={(heightM) => setPlace({ ...place, heightM })}
                  />
                </Stack>
                <Stack direction="row" spacing={2}>
                  <TextField
                    select
                    fullWidth
                    label="Surface"
                    value={place.surface}
                    onChange={(event) => setPlace({ ...place, surface: Surface.parse(event.target.value) })}
                  >
                    {Surface.options.map((surface) => (
                      <MenuItem key={surface} value={surface}>
                        {surface}
                      </MenuItem>
                    ))}
                  </TextField>
                  <TextField
                    label="Drive, minutes"
                    type="number"
                    fullWidth
                    value={place.driveMin}
                    onChange={(event) =>
                      setPlace({
                        ...place,
                        driveMin: Math.min(720, Math.max(0, Math.round(Number(event.target.value) || 0))),
                      })
                    }
                  />
                </Stack>
              </>
            )}
            <DateTimeField
              label="Doors"
              value={doors}
              zone={zone}
              onCommit={(iso) => void setDoors(iso) as undefined}
            />
            <div>
              <Typography sx={{ fontSize: 14, color: 'text.secondary', mb: 0.75 }}>Crew</Typography>
              <CrewPicker crew={workshop.crew} chosen={crew} onChange={setCrew} />
            </div>
            {fault && (
              <Typography role="alert" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
                {fault}
              </Typography>
            )}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Create
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

async function addSite(place: {
  name: string;
  widthM: number;
  heightM: number;
  surface: Surface;
  driveMin: number;
}): Promise<Site> {
  const id = newId(place.name);
  const site: Site = {
    id,
    name: place.name.trim(),
    indoors: true,
    driveMin: place.driveMin,
    loadIn: { distanceM: 30.48, steps: 0 },
    spots: [
      {
        id: 'wall',
        name: 'Wall',
        kind: 'wall',
        widthM: place.widthM,
        heightM: place.heightM,
        surface: place.surface,
      },
    ],
    rules: '',
    contact: '',
  };
  await call('POST', '/sites', site);
  return site;
}

/** Four hours of access up to doors, four hours of event, two to strike: a beginning to be corrected under Brief. */
function newJob(name: string, site: Site, doors: DateTime, crew: string[]): JobHead {
  const iso = (moment: DateTime) => moment.toISO({ suppressMilliseconds: true }) as string;
  return {
    id: newId(name),
    name,
    event: '',
    siteId: site.id,
    siteSeen: site,
    doors: iso(doors),
    access: { from: iso(doors.minus({ hours: 4 })), until: iso(doors) },
    strike: { from: iso(doors.plus({ hours: 4 })), until: iso(doors.plus({ hours: 6 })) },
    crew,
    notes: '',
  };
}
