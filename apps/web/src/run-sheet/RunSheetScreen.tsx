import type { BalloonRow, Task } from '@early-lantern/contract';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { beforeDoors, clockTime, dayKey, dayName } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { TakeAlong } from './TakeAlong.tsx';
import './run-sheet.css';

const print = () => window.print();

/** What the crew carries: the day on paper, for A4 or Letter. */
export function RunSheetScreen() {
  const { planned, file } = useJob();
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [{ id: 'print', group: 'Do', label: 'Print the run sheet', run: print }],
      [],
    ),
  );
  if (!planned) return null;
  if (planned.plan.tasks.length === 0) {
    return (
      <EmptyState title="No run sheet yet">
        It is written from the pieces and the clock. Draw the first garland under Pieces.
      </EmptyState>
    );
  }
  return (
    <Box sx={{ px: { xs: 0, sm: 3 }, pb: 4 }}>
      <Stack
        direction="row"
        className="no-print"
        sx={{ justifyContent: 'center', alignItems: 'center', mb: 1.5, gap: 2, px: 1.5 }}
      >
        <Button variant="contained" startIcon={<PrintIcon />} onClick={print}>
          Print
        </Button>
        <TakeAlong
          jobId={file.job.id}
          crew={file.workshop.crew.filter(({ id }) => file.job.crew.includes(id))}
        />
        <Typography sx={{ color: 'text.secondary', fontSize: 14 }}>
          for {file.job.name}, on A4 or Letter
        </Typography>
      </Stack>
      <Sheet />
    </Box>
  );
}

/** Paper is paper in either theme: its colours are its own. */
function Sheet() {
  const { planned, file } = useJob();
  const { long, short } = useUnits();
  const { plan } = planned as NonNullable<typeof planned>;
  const { job, site, workshop } = file;
  const zone = plan.timeZone;
  const first = (id: string) => (workshop.crew.find((member) => member.id === id)?.name ?? id).split(' ')[0];
  const days = Map.groupBy(plan.tasks, (task) => dayKey(task.start, zone));
  const readBy = (code: string) => {
    const own = job.acknowledged?.find((one) => one.code === code);
    return own ? first(own.by) : undefined;
  };
  const { benchFrom, leaveAt, ready, doors, minutesInHand } = plan.onTime;
  const keyTimes: [string, string | null][] = [
    ['Bench opens', benchFrom],
    ['Leave', leaveAt],
    ['Access', job.access.from],
    ['Signed off', ready],
    ['Doors', doors],
    ['Strike', job.strike.from],
  ];
  return (
    <article className="sheet">
      <header>
        <div>
          <p className="sheet-day">{dayName(job.doors, zone)}</p>
          <h1>{job.name}</h1>
          <p>{job.event}</p>
        </div>
        <div className="sheet-doors">
          <span>doors</span>
          <strong>{clockTime(job.doors, zone)}</strong>
          <span>
            {minutesInHand === null
              ? ''
              : minutesInHand < 0
                ? `${-minutesInHand} min late`
                : `${minutesInHand} min in hand`}
          </span>
        </div>
      </header>
      <dl className="sheet-times">
        {keyTimes.map(([label, at]) => (
          <div key={label}>
            <dt>{label}</dt>
            <dd>{at ? clockTime(at, zone) : '—'}</dd>
          </div>
        ))}
      </dl>
      <section className="sheet-columns">
        <div>
          <h2>The place</h2>
          <p>
            <strong>{site.name}</strong>, {site.driveMin} min drive, {long(site.loadIn.distanceM)} on foot
            {site.loadIn.steps ? `, ${site.loadIn.steps} steps` : ''}.
          </p>
          {site.contact && <p>Contact: {site.contact}.</p>}
          {site.rules && <p>House rules: {site.rules}</p>}
        </div>
        <div>
          <h2>The crew</h2>
          <p>
            {job.crew.map((id) => workshop.crew.find((member) => member.id === id)?.name ?? id).join(', ')}
          </p>
          {job.notes && <p>{job.notes}</p>}
          <p>
            <strong>Balloons are latex.</strong> Ask about allergies; offer foil.
          </p>
        </div>
      </section>
      {[...days].map(([day, tasks]) => (
        <section key={day}>
          <h2>{dayName(tasks[0]?.start ?? '', zone)}</h2>
          <TaskTable tasks={tasks} zone={zone} doors={doors} nameOf={(id) => first(id) ?? id} />
        </section>
      ))}
      <section className="sheet-keep">
        <h2>Balloons to take</h2>
        <BalloonTable
          rows={plan.totals.balloons}
          colourName={(id) => workshop.colours.find((colour) => colour.id === id)?.name ?? id}
        />
        <p>
          {plan.pieces
            .map(
              (piece) =>
                `${piece.name}: ${long(piece.lengthM)} long, ${short(piece.visibleWidthM)} wide, ${piece.clusters} clusters of ${piece.clusterSize}, ${piece.fillerTrios} filler trios, ${piece.sections === 1 ? 'one section' : `${piece.sections} sections`}`,
            )
            .join('. ')}
          .
        </p>
      </section>
      <section className="sheet-keep">
        <h2>Take care</h2>
        <ul>
          {plan.cautions.map(({ code, text, defersTo, source }) => (
            <li key={code}>
              {text}{' '}
              <em>
                Decides: {defersTo}. [{source}]
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
        <span>Signed off by, for the house</span>
        <span>Time</span>
        <span>Strike agreed for</span>
      </footer>
    </article>
  );
}

interface TaskTableProps {
  tasks: readonly Task[];
  zone: string;
  doors: string;
  nameOf: (id: string) => string;
}

function TaskTable({ tasks, zone, doors, nameOf }: TaskTableProps) {
  return (
    <table>
      <thead>
        <tr>
          <th aria-label="Done" />
          <th>Clock</th>
          <th>Doors</th>
          <th>Task</th>
          <th>Who</th>
        </tr>
      </thead>
      <tbody>
        {tasks.map((task) => (
          <tr key={task.id}>
            <td className="sheet-tick" />
            <td className="sheet-nowrap">
              {clockTime(task.start, zone)}–{clockTime(task.end, zone)}
            </td>
            <td className="sheet-nowrap">{beforeDoors(task.start, doors)}</td>
            <td>{task.label}</td>
            <td>{task.crew.map(nameOf).join(', ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function BalloonTable({
  rows,
  colourName,
}: {
  rows: readonly BalloonRow[];
  colourName: (id: string) => string;
}) {
  const sizes = [...new Set(rows.map((row) => row.nominalIn))];
  const colours = [...new Set(rows.map((row) => row.colour))];
  const cell = (size: number, colour: string) => {
    const own = rows.filter((row) => row.nominalIn === size && row.colour === colour);
    const need = own.reduce((sum, row) => sum + row.need, 0);
    return need === 0 ? '' : `${need} + ${own.reduce((sum, row) => sum + row.spare, 0)}`;
  };
  return (
    <table className="sheet-counts">
      <thead>
        <tr>
          <th>need + spare</th>
          {colours.map((colour) => (
            <th key={colour}>{colourName(colour)}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sizes.map((size) => (
          <tr key={size}>
            <th scope="row">{size} in.</th>
            {colours.map((colour) => (
              <td key={colour}>{cell(size, colour)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
