import type { ImportResult, JobFile, JobLamps, JobRow, JobState, Plan } from '@early-lantern/contract';
import { isHolding } from '@early-lantern/core';
import MoreIcon from '@mui/icons-material/MoreVert';
import { Box, Divider, IconButton, Menu, MenuItem, Paper, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useCallback, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { worstLamp } from '../job/Verdict.tsx';
import { newId } from '../parts/ids.ts';
import { LanternString } from '../parts/LanternString.tsx';
import { lampSays } from '../parts/lamp-words.ts';
import { useNotice } from '../parts/notices.tsx';
import { jobStates, stateWords } from '../parts/state-words.ts';
import { clockTime, minutesBetween, spanText } from '../parts/time.ts';
import { WholePlan } from '../parts/workings.ts';
import { useMay } from '../people/me.ts';
import { templateOfJob } from '../templates/taken.ts';
import { useTemplateActions } from '../templates/use-templates.ts';
import { headFont } from '../theme.ts';
import { planOf } from '../workers/planner.ts';
import { asLamps } from './lamps.ts';

interface JobCardProps {
  row: JobRow;
  file: JobFile;
  /** What its lamps say, as far as that is known. */
  told: JobLamps | undefined;
  now: number;
}

/** So many days about doors a job is worked on. */
const ON_SITE_DAYS = 3;

const refreshJobs = () => queryClient.invalidateQueries({ queryKey: keys.jobs });

/** One installation: when, where, how long to doors, its six lamps and what is wrong first. */
export function JobCard({ row, file, told, now }: JobCardProps) {
  const judged = useMemo(() => told && asLamps(told), [told]);
  // Ways out are tried when a lamp is opened.
  const [mended, setMended] = useState<{ file: JobFile; plan: Plan }>();
  const whole = useCallback(async () => {
    const plan = await planOf(file);
    setMended({ file, plan });
    return plan;
  }, [file]);
  const lamps = mended?.file === file ? mended.plan.lamps : judged;
  const { data: job } = row;
  const zone = file.workshop.timeZone;
  const toDoors = minutesBetween(now, job.doors);
  const trouble = lamps && worstLamp(lamps);
  return (
    <Paper
      variant="outlined"
      component="article"
      aria-label={job.name}
      sx={{
        position: 'relative',
        p: { xs: 1.5, sm: 2 },
        pr: { xs: 1.5, sm: 5 },
        display: 'grid',
        columnGap: 3,
        rowGap: 1,
        gridTemplateColumns: { xs: '1fr auto', md: 'minmax(0, 1fr) 118px minmax(430px, 1.25fr)' },
        alignItems: 'center',
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {job.state && job.state !== 'firm' && <strong>{stateWords[job.state]} · </strong>}
          doors {clockTime(job.doors, zone)} · strike {clockTime(job.strike.from, zone)}
        </Typography>
        <Typography variant="h2" component="h3" sx={{ fontSize: 21, overflowWrap: 'anywhere' }}>
          <Box
            component={Link}
            to={`/jobs/${job.id}/pieces`}
            sx={{ color: 'inherit', textDecoration: 'none', '&:hover': { textDecoration: 'underline' } }}
          >
            {job.name}
          </Box>
        </Typography>
        <Typography sx={{ color: 'text.secondary', fontSize: 15 }}>
          {file.site.name} · {row.pieces.map((piece) => piece.data.name).join(', ') || 'no piece yet'}
        </Typography>
        {Math.abs(toDoors) < ON_SITE_DAYS * 1440 && (
          <Box
            component={Link}
            to={`/on-site/${job.id}`}
            sx={{ color: 'inherit', fontWeight: 650, display: 'inline-block', py: 0.75 }}
          >
            Work on site
          </Box>
        )}
      </Box>
      <Box sx={{ textAlign: { xs: 'right', md: 'left' }, pr: { xs: 4, sm: 0 } }}>
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {toDoors >= 0 ? 'to doors' : 'since doors'}
        </Typography>
        <Typography
          sx={{ fontFamily: headFont, fontWeight: 700, fontSize: 26, lineHeight: 1.1, whiteSpace: 'nowrap' }}
        >
          {spanText(toDoors)}
        </Typography>
      </Box>
      <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        <WholePlan value={whole}>
          <LanternString lamps={lamps} compact />
        </WholePlan>
      </Box>
      {toDoors < 0 && row.usedAt === null && isHolding(job) && (
        <Typography sx={{ gridColumn: '1 / -1', borderLeft: 4, pl: 1.25, borderColor: 'text.primary' }}>
          It is over and still holds its balloons:{' '}
          <Link to="/stock?view=record" style={{ color: 'inherit' }}>
            record what it used
          </Link>
          .
        </Typography>
      )}
      {told?.failure && (
        <Typography
          sx={{ gridColumn: '1 / -1', borderLeft: 4, pl: 1.25, borderColor: 'var(--mui-palette-out)' }}
        >
          <strong>Its lamps could not be worked out.</strong> {told.failure}
        </Typography>
      )}
      {trouble && lamps && (
        <Typography
          sx={{
            gridColumn: '1 / -1',
            borderLeft: 4,
            pl: 1.25,
            borderColor: lamps[trouble].state === 'out' ? 'var(--mui-palette-out)' : 'text.primary',
          }}
        >
          <strong>{lampSays(trouble, lamps[trouble].state)}.</strong> {lamps[trouble].reason}
        </Typography>
      )}
      <JobMenu row={row} />
    </Paper>
  );
}

const becomesWords: Record<JobState, string> = {
  enquiry: 'It is an enquiry',
  offered: 'It is offered',
  firm: 'It is firm',
  done: 'It is done',
  cancelled: 'It is cancelled',
};

/** Duplicate, export, delete, and how far it has come. */
function JobMenu({ row }: { row: JobRow }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const notify = useNotice();
  const navigate = useNavigate();
  const plans = useMay('plan');
  const { keep } = useTemplateActions();
  const { data: job } = row;
  const close = () => setAnchor(undefined);
  const orTell = (work: Promise<unknown>) =>
    work.catch((error: Error) => notify({ text: `Not done: ${error.message}` }));

  const duplicate = async () => {
    // As it is now: what the list shows may be a moment old.
    const copy = aWeekLater(await call<JobFile>('GET', `/jobs/${job.id}/file`));
    const { jobId } = await call<ImportResult>('POST', '/job-files', copy);
    await refreshJobs();
    notify({ text: `“${copy.job.name}” copied to the following week.` });
    await navigate(`/jobs/${jobId}/brief`);
  };
  const becomes = async (state: JobState) => {
    const now = await call<JobRow>('GET', `/jobs/${job.id}`);
    const put = (revision: number, data: JobRow['data']) =>
      call<JobRow>('PUT', `/jobs/${job.id}`, { revision, data });
    const after = await put(now.revision, { ...now.data, state });
    await refreshJobs();
    const back = () => orTell(put(after.revision, now.data).then(refreshJobs));
    notify({ text: `“${job.name}”: ${stateWords[state].toLowerCase()}.`, undo: () => void back() });
  };
  const remove = async () => {
    const { revision } = await call<JobRow>('GET', `/jobs/${job.id}`);
    await call('DELETE', `/jobs/${job.id}?revision=${revision}`);
    await refreshJobs();
    const restore = () => orTell(call('POST', `/jobs/${job.id}/restore`).then(refreshJobs));
    notify({ text: `Deleted “${job.name}”.`, undo: () => void restore() });
  };

  if (!plans) return null;
  return (
    <Box sx={{ position: 'absolute', top: 8, right: 4 }}>
      <IconButton aria-label={`More about ${job.name}`} onClick={(event) => setAnchor(event.currentTarget)}>
        <MoreIcon />
      </IconButton>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={close}>
        <MenuItem
          onClick={() => {
            close();
            void orTell(duplicate());
          }}
        >
          Duplicate
        </MenuItem>
        <MenuItem
          disabled={row.pieces.length === 0}
          onClick={() => {
            close();
            void keep(
              templateOfJob(
                job,
                row.pieces.map(({ data }) => data),
              ),
            );
          }}
        >
          Save as template
        </MenuItem>
        <MenuItem component="a" href={`/api/v1/jobs/${job.id}/file`} onClick={close}>
          Export as a job file
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            void orTell(remove());
          }}
        >
          Delete
        </MenuItem>
        <Divider />
        {jobStates
          .filter((state) => state !== (job.state ?? 'firm'))
          .map((state) => (
            <MenuItem
              key={state}
              onClick={() => {
                close();
                void orTell(becomes(state));
              }}
            >
              {becomesWords[state]}
            </MenuItem>
          ))}
      </Menu>
    </Box>
  );
}

/** The same job under a new id, seven days on at the same hours. */
function aWeekLater(file: JobFile): JobFile {
  const later = (iso: string) =>
    DateTime.fromISO(iso, { zone: file.workshop.timeZone })
      .plus({ weeks: 1 })
      .toISO({ suppressMilliseconds: true }) as string;
  const { clock, ...job } = file.job;
  const name = `${job.name.slice(0, 112)} (copy)`;
  // Hours that were kept to are those of the other week; what is chosen about tasks and people stays.
  const { agreed: _, shown: __, rounds: ___, pins = [], ...choices } = clock ?? {};
  const people = pins.flatMap(({ task, crew }) => (crew ? [{ task, crew }] : []));
  return {
    ...file,
    job: {
      ...job,
      ...(clock ? { clock: { ...choices, ...(people.length > 0 ? { pins: people } : {}) } } : {}),
      id: newId(name),
      name,
      doors: later(job.doors),
      access: { from: later(job.access.from), until: later(job.access.until) },
      strike: { from: later(job.strike.from), until: later(job.strike.until) },
    },
  };
}
