import {
  type CrewMember,
  type ImportResult,
  type JobFile,
  type JobHead,
  NewJob,
  NewPlace,
  type Site,
  type SiteRow,
  type Template,
  type Workshop,
} from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack } from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { stillOffered } from '../parts/still-offered.ts';
import { FormFault } from '../people/PlainPage.tsx';
import { NewPlaceFields } from '../sites/NewPlaceFields.tsx';
import { blankPlace, siteOf } from '../sites/new-place.ts';
import { hoursAbout, piecesOf, spotsFor } from '../templates/taken.ts';
import { useTemplates } from '../templates/use-templates.ts';
import { NewJobFields } from './NewJobFields.tsx';

interface NewJobDialogProps {
  workshop: Workshop;
  sites: Site[];
  onClose: () => void;
}

/** Saturday at six in the evening, this one or the next. */
function nextSaturday(zone: string): string {
  const now = DateTime.now().setZone(zone);
  const days = (6 - now.weekday + 7) % 7 || 7;
  return now
    .plus({ days })
    .set({ hour: 18, minute: 0, second: 0, millisecond: 0 })
    .toISO({ suppressMilliseconds: true }) as string;
}

/** Asks for the little that a job cannot do without: name, place, doors, people; then for a place that is not known yet. */
export function NewJobDialog({ workshop, sites, onClose }: NewJobDialogProps) {
  const zone = workshop.timeZone;
  const job = useForm<NewJob>({
    resolver: zodResolver(NewJob),
    defaultValues: {
      name: '',
      siteId: sites[0]?.id ?? null,
      doors: nextSaturday(zone),
      crew: usualCrew(stillOffered(workshop.crew)),
      templateId: null,
    },
  });
  const place = useForm<NewPlace>({ resolver: zodResolver(NewPlace), defaultValues: blankPlace });
  const [isAtPlace, setAtPlace] = useState(false);
  const templates = useTemplates('job');
  const [fault, setFault] = useState<string>();
  const navigate = useNavigate();
  const isNewPlace = job.watch('siteId') === null;

  const create = async (asked: NewJob, site: Site | undefined) => {
    try {
      if (!site) throw new Error('That place is no longer there.');
      const doors = DateTime.fromISO(asked.doors, { zone });
      const head = newJob(asked.name, site, doors, asked.crew);
      const template = templates.find(({ data }) => data.id === asked.templateId)?.data;
      const jobId = template ? await addFrom(template, head, workshop, doors) : head.id;
      if (!template) await call('POST', '/jobs', head);
      await Promise.all([
        queryClient.invalidateQueries({ queryKey: keys.jobs }),
        queryClient.invalidateQueries({ queryKey: keys.sites }),
      ]);
      await navigate(`/jobs/${jobId}/pieces`);
    } catch (error) {
      setFault((error as Error).message);
    }
  };

  const send = job.handleSubmit((asked) => {
    if (!isNewPlace)
      return create(
        asked,
        sites.find(({ id }) => id === asked.siteId),
      );
    if (!isAtPlace) return setAtPlace(true);
    return place.handleSubmit((typed) =>
      addSite(typed).then(
        (site) => create(asked, site),
        (error: Error) => setFault(error.message),
      ),
    )();
  });

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="new-job-title">
      <form onSubmit={(event) => void send(event)} noValidate>
        <DialogTitle id="new-job-title">New job</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            {isAtPlace && isNewPlace ? (
              <NewPlaceFields form={place} />
            ) : (
              <NewJobFields form={job} workshop={workshop} sites={sites} templates={templates} />
            )}
            <FormFault>{fault}</FormFault>
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
  const site = siteOf(place);
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
