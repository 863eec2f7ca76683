import { nameIn, namesFor, whoStays } from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { agreedRounds, roundTrip } from '../clock/agreed-rounds.ts';
import { useJob } from '../job/context.ts';
import { useLoaded } from '../load/use-loaded.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { familyNotes } from '../parts/family-notes.ts';
import { usePrintTitle } from '../parts/PrintHead.tsx';
import { useCommands } from '../parts/palette.tsx';
import type { PaletteCommand } from '../parts/palette-command.ts';
import { dropOffWords } from '../parts/round-words.ts';
import { stateWarnings } from '../parts/state-words.ts';
import { clockTime, dayKey, dayName } from '../parts/time.ts';
import { DressingMaps } from './DressingMaps.tsx';
import { JointLines } from './JointLines.tsx';
import { PackingSheet } from './PackingSheet.tsx';
import { PieceList } from './PieceList.tsx';
import { PlaceLines, WindLines } from './PlaceLines.tsx';
import { ridesOf } from './rides.ts';
import { BalloonTable, TaskTable } from './SheetTables.tsx';
import { TakeAlong } from './TakeAlong.tsx';
import './run-sheet.css';

const print = () => window.print();
const inBrackets = (words: string | undefined) => (words ? ` (${words})` : '');

/** What the crew carries: the day on paper, for A4 or Letter; of everybody, or of one of them. */
export function RunSheetScreen() {
  const { planned, file } = useJob();
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [{ id: 'print', group: 'Do', label: 'Print the run sheet', run: print }],
      [],
    ),
  );
  const [search, setSearch] = useSearchParams();
  if (!planned) return null;
  const people = file.workshop.crew.filter(({ id }) =>
    planned.plan.tasks.some(({ crew }) => crew.includes(id)),
  );
  const person = people.find(({ id }) => id === search.get('for'))?.id;
  if (planned.plan.tasks.length === 0) {
    return (
      <EmptyState title="No run sheet yet">
        {file.job.pieces.length > 0
          ? planned.plan.lamps.onTime.reason
          : 'It is written from the pieces and the clock. Draw the first piece under Pieces.'}
      </EmptyState>
    );
  }
  return (
    <Box sx={{ px: { xs: 0, sm: 3 }, pb: 4 }}>
      <Stack
        direction="row"
        className="no-print"
        sx={{ justifyContent: 'center', alignItems: 'center', flexWrap: 'wrap', mb: 1.5, gap: 2, px: 1.5 }}
      >
        <TextField
          select
          size="small"
          label="For"
          value={person ?? ''}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 150 }}
          onChange={(event) =>
            setSearch(event.target.value ? { for: event.target.value } : {}, { replace: true })
          }
        >
          <MenuItem value="">everybody</MenuItem>
          {people.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="contained" startIcon={<PrintIcon />} onClick={print}>
          Print
        </Button>
        <Button component={Link} to={`/on-site/${file.job.id}`} variant="outlined">
          Work on site
        </Button>
        <TakeAlong
          jobId={file.job.id}
          crew={file.workshop.crew.filter(({ id }) => file.job.crew.includes(id))}
        />
        <Typography sx={{ color: 'text.secondary', fontSize: 14 }}>
          for {file.job.name}, on A4 or Letter
        </Typography>
      </Stack>
      <Sheet person={person} />
    </Box>
  );
}

/** Paper is paper in either theme: its colours are its own. */
function Sheet({ person }: { person: string | undefined }) {
  const { planned, file } = useJob();
  usePrintTitle('Run sheet');
  const { plan, pictures } = planned as NonNullable<typeof planned>;
  const { job, site, workshop } = file;
  const zone = plan.timeZone;
  const first = (id: string) => (workshop.crew.find((member) => member.id === id)?.name ?? id).split(' ')[0];
  const tasks = person ? plan.tasks.filter(({ crew }) => crew.includes(person)) : plan.tasks;
  const isPerson = (id: string) => workshop.crew.some((member) => member.id === id);
  const nameOf = (id: string) => (isPerson(id) ? first(id) : undefined) ?? nameIn(id, namesFor(file));
  const days = Map.groupBy(tasks, (task) => dayKey(task.start, zone));
  const readBy = (code: string) => {
    const own = job.acknowledged?.find((one) => one.code === code);
    return own ? first(own.by) : undefined;
  };
  const { benchFrom, leaveAt, leaveFrom, ready, out, doors, minutesInHand } = plan.onTime;
  const rides = ridesOf(file, plan);
  const packing = useLoaded()?.packing;
  const span = (from: string, until: string) => `${clockTime(from, zone)}–${clockTime(until, zone)}`;
  const at = (iso: string | null) => (iso ? clockTime(iso, zone) : '—');
  const keyTimes: [string, string][] = [
    ['Bench opens', at(benchFrom)],
    [leaveFrom ? `Leave ${leaveFrom}` : 'Leave', at(leaveAt)],
    ['Access', span(job.access.from, job.access.until)],
    ['Signed off', at(ready)],
    ...(out && out !== ready ? [['Out by', at(out)] satisfies [string, string]] : []),
    ['Doors', at(doors)],
    ...(job.isKept ? [] : [['Strike', span(job.strike.from, job.strike.until)] satisfies [string, string]]),
  ];
  const warning = stateWarnings[job.state ?? 'firm'];
  return (
    <article className="sheet">
      <header>
        <div>
          <p className="sheet-day">
            {dayName(job.doors, zone)}
            {warning && <strong> · {warning}</strong>}
          </p>
          <h1>{job.name}</h1>
          <p>
            {person && <strong>{workshop.crew.find(({ id }) => id === person)?.name}. </strong>}
            {job.event}
          </p>
        </div>
        <div className="sheet-doors">
          <span>doors</span>
          <strong>{clockTime(job.doors, zone)}</strong>
          <span>
            {minutesInHand === null
              ? ''
              : minutesInHand < 0
                ? `${-minutesInHand} min late`
                : `${minutesInHand} min to spare`}
          </span>
        </div>
      </header>
      <dl className="sheet-times">
        {keyTimes.map(([label, told]) => (
          <div key={label}>
            <dt>{label}</dt>
            <dd>{told}</dd>
          </div>
        ))}
      </dl>
      <section className="sheet-columns">
        <div>
          <h2>The place</h2>
          <PlaceLines file={file} />
        </div>
        <div>
          <h2>The crew</h2>
          <p>
            {job.crew.map((id) => workshop.crew.find((member) => member.id === id)?.name ?? id).join(', ')}
          </p>
          {rides.length > 0 && <p>Rides in: {rides.join(', ')}.</p>}
          {agreedRounds(file).map((round) => (
            <p key={round.trip}>
              <strong>{roundTrip(round)}:</strong> workshop {at(round.leave)}
              {round.stops.map(
                ({ place, arrive, leave, does, byHome }, stop) =>
                  `${byHome ? ' → workshop' : ''} → ${place} ${at(arrive ?? null)}–${at(leave ?? null)}${inBrackets(dropOffWords(does, whoStays(round, stop), namesFor(file)))}`,
              )}{' '}
              → workshop {at(round.home)}.
            </p>
          ))}
          {job.notes && <p>{job.notes}</p>}
          <p>
            <strong>Balloons are latex.</strong> Ask about allergies; offer foil.
          </p>
        </div>
      </section>
      {[...days].map(([day, ofDay]) => (
        <section key={day}>
          <h2>{dayName(ofDay[0]?.start ?? '', zone)}</h2>
          <TaskTable tasks={ofDay} zone={zone} doors={doors} person={person} nameOf={nameOf} />
        </section>
      ))}
      <section className="sheet-keep">
        <h2>Balloons to take</h2>
        <BalloonTable
          rows={plan.totals.balloons}
          colourName={(id) => workshop.colours.find((colour) => colour.id === id)?.name ?? id}
        />
        {familyNotes(plan.totals.balloons, file).map((note) => (
          <p key={note}>{note}</p>
        ))}
      </section>
      <section>
        <h2>Packing list</h2>
        {packing ? (
          <PackingSheet rows={packing} file={file} />
        ) : (
          <p>Not complete yet: the vehicles are being loaded. Print again in a moment.</p>
        )}
        <JointLines plan={plan} />
      </section>
      <section className="sheet-keep">
        <h2>The pieces</h2>
        <PieceList plan={plan} pieces={job.pieces} site={site} />
      </section>
      <DressingMaps plan={plan} file={file} pictures={pictures} />
      <WindLines plan={plan} />
      <section className="sheet-cautions">
        <h2>Take care</h2>
        <ul>
          {plan.cautions.map(({ code, text, defersTo, source }) => (
            <li key={code}>
              {text}{' '}
              <em>
                Decides: {defersTo}.{/no source/.test(source) ? '' : ` [${source}]`}
              </em>{' '}
              <strong>Read by: {readBy(code) ?? '__________'}</strong>
            </li>
          ))}
        </ul>
        <p>
          These are reminders, not permits: local code, the house and a licensed person, where one is
          required, decide.
        </p>
      </section>
      <footer className="sheet-sign">
        <span>Signed for the venue</span>
        <span>Time</span>
        {!job.isKept && <span>Strike agreed for</span>}
      </footer>
    </article>
  );
}
