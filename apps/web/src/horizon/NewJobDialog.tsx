import type {
  CrewMember,
  ImportResult,
  JobFile,
  JobHead,
  Site,
  SiteRow,
  Template,
  Workshop,
} from '@early-lantern/contract';
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
import { stillOffered } from '../parts/still-offered.ts';
import { capital } from '../sites/NewPlaceDialog.tsx';
import { NewPlaceFields } from '../sites/NewPlaceFields.tsx';
import { blankPlace, missingOf, type NewPlace, siteOf } from '../sites/new-place.ts';
import { spotWords } from '../sites/words.ts';
import { hoursAbout, piecesOf, spotsFor } from '../templates/taken.ts';
import { useTemplates } from '../templates/use-templates.ts';

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
  const [place, setPlace] = useState(blankPlace);
  const [isAtPlace, setAtPlace] = useState(false);
  const [doors, setDoors] = useState(() => nextSaturday(zone));
  const [crew, setCrew] = useState(() => usualCrew(stillOffered(workshop.crew)));
  const templates = useTemplates('job');
  const [templateId, setTemplateId] = useState('');
  const [fault, setFault] = useState<string>();
  const navigate = useNavigate();
  const isNewPlace = siteId === A_NEW_PLACE;

  const missing = () => {
    if (!name.trim()) return 'Give the job a name.';
    if (crew.length === 0) return 'Choose at least one person.';
    return isNewPlace && isAtPlace ? missingOf(place) : undefined;
  };

  const create = async (event: FormEvent) => {
    event.preventDefault();
    const lacks = missing();
    setFault(lacks);
    if (lacks) return;
    if (isNewPlace && !isAtPlace) return setAtPlace(true);
    try {
      const at = isNewPlace ? await addSite(place) : sites.find((site) => site.id === siteId);
      if (!at) throw new Error('That place is no longer there.');
      const job = newJob(name.trim(), at, DateTime.fromISO(doors, { zone }), crew);
      const template = templates.find(({ data }) => data.id === templateId)?.data;
      const jobId = template
        ? await addFrom(template, job, workshop, DateTime.fromISO(doors, { zone }))
        : job.id;
      if (!template) await call('POST', '/jobs', job);
      await Promise.all([
        queryClient.invalidateQueries({ queryKey: keys.jobs }),
        queryClient.invalidateQueries({ queryKey: keys.sites }),
      ]);
      await navigate(`/jobs/${jobId}/pieces`);
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
            {isAtPlace && isNewPlace ? (
              <NewPlaceFields place={place} onChange={setPlace} />
            ) : (
              <>
                <TextField
                  label="Job name"
                  autoFocus
                  value={name}
                  onChange={(event) => setName(event.target.value.slice(0, 120))}
                />
                {templates.length > 0 && (
                  <TextField
                    select
                    label="Start from"
                    value={templateId}
                    onChange={(event) => setTemplateId(event.target.value)}
                    slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
                  >
                    <MenuItem value="">a blank job</MenuItem>
                    {templates.map(({ data }) => (
                      <MenuItem key={data.id} value={data.id}>
                        {data.name}
                      </MenuItem>
                    ))}
                  </TextField>
                )}
                <TextField
                  select
                  label="Site"
                  value={siteId}
                  onChange={(event) => setSiteId(event.target.value)}
                >
                  {sites.map((site) => (
                    <MenuItem key={site.id} value={site.id}>
                      {site.name}
                    </MenuItem>
                  ))}
                  <MenuItem value={A_NEW_PLACE}>A new place…</MenuItem>
                </TextField>
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
              </>
            )}
            {fault && (
              <Typography role="alert" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
                {fault}
              </Typography>
            )}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          {isAtPlace && isNewPlace && <Button onClick={() => setAtPlace(false)}>Back</Button>}
          <Button type="submit" variant="contained">
            {isNewPlace && !isAtPlace ? 'Next: the place' : 'Create'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

async function addSite(place: NewPlace): Promise<Site> {
  const site = siteOf(place, capital(spotWords[place.kind ?? 'wall']));
  await call('POST', '/sites', site);
  return site;
}

/** A job with the pieces and hours of a template, all or nothing. @returns its id */
async function addFrom(
  template: Template,
  head: JobHead,
  workshop: Workshop,
  doors: DateTime,
): Promise<string> {
  const { event = '', notes = '' } = template;
  // As it is now: one that differs from the place kept here would be added beside it.
  const { data: site } = await call<SiteRow>('GET', `/sites/${head.siteId}`);
  const pieces = piecesOf(template, spotsFor(template, site));
  const job = { ...head, siteSeen: site, event, notes, ...hoursAbout(template, doors), pieces };
  const file: JobFile = { format: 'early-lantern/job', version: 2, workshop, site, job };
  return (await call<ImportResult>('POST', '/job-files', file)).jobId;
}

/** A lead and a driver; where one person is both, the next comes along. */
function usualCrew(crew: readonly CrewMember[]): string[] {
  const lead = crew.find(({ skills }) => skills.includes('lead')) ?? crew[0];
  const others = crew.filter((one) => one !== lead);
  const second = others.find(({ skills }) => skills.includes('driver')) ?? others[0];
  return [lead, second].flatMap((one) => one?.id ?? []);
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
