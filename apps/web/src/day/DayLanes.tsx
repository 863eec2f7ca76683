import type { JobFile, LampState, Task } from '@early-lantern/contract';
import { criticalChain, type DayPlan, nameIn, namesFor } from '@early-lantern/core';
import { Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';
import { memo, useMemo, useState } from 'react';
import { LaneChart } from '../parts/LaneChart.tsx';
import { lanesOf } from '../parts/lanes-of.ts';
import { beforeDoors, clockTime } from '../parts/time.ts';

interface DayLanesProps {
  plan: DayPlan;
  files: readonly JobFile[];
}

/** A job's letter in the pictures of its day. */
export const letterOf = (index: number): string => String.fromCharCode(65 + index);

/** The moments at which doors open, each once, with the letters of its jobs and the worst of their states. */
function doorsOf({ jobs }: DayPlan, zone: string, wantedMin: number) {
  const worst: LampState[] = ['out', 'low', 'lit', 'unlit'];
  return [...new Set(jobs.map(({ onTime }) => onTime.doors))].map((at) => {
    const here = jobs.flatMap(({ onTime, broken }, i) =>
      onTime.doors === at
        ? [{ letter: letterOf(i), state: stateOf(broken, onTime.minutesInHand, wantedMin) }]
        : [],
    );
    const states = here.map(({ state }) => state);
    return {
      at,
      label: `${here.map(({ letter }) => letter).join(', ')} doors ${clockTime(at, zone)}`,
      state: worst.find((state) => states.includes(state)) ?? 'unlit',
    };
  });
}

/** Everybody's day with the tasks of all jobs, each with its job's letter; drawn anew only with another plan. */
export const DayLanes = memo(function DayLanes({ plan, files }: DayLanesProps) {
  const [chosen, setChosen] = useState<string>();
  const [first] = files;
  const placed = useMemo(
    () =>
      plan.jobs.flatMap(({ jobId, tasks, onTime }, i) => {
        const chain = new Set(criticalChain(tasks));
        return tasks.map((task) => ({
          task: { ...task, id: `${jobId}:${task.id}` },
          letter: letterOf(i),
          doors: onTime.doors,
          isCritical: chain.has(task.id),
        }));
      }),
    [plan],
  );
  const byId = new Map(placed.map((one) => [one.task.id, one]));
  if (!first) return null;
  const { workshop } = first;
  const zone = workshop.timeZone;
  const title = (task: Task) => {
    const one = byId.get(task.id);
    return `${one?.letter}: ${task.label} · ${clockTime(task.start, zone)}–${clockTime(task.end, zone)}, ${beforeDoors(task.start, one?.doors ?? task.start)}`;
  };
  const shown = chosen ? byId.get(chosen) : undefined;
  const names = namesFor(first);
  const nameOf = (id: string) => nameIn(id, names);
  return (
    <>
      <LaneChart
        zone={zone}
        doors={doorsOf(plan, zone, workshop.inHandTargetMin)}
        lanes={lanesOf(
          placed.map(({ task }) => task),
          names,
          (task) => ({
            key: task.id,
            start: task.start,
            end: task.end,
            mark: byId.get(task.id)?.letter ?? '',
            title: title(task),
            place: task.place,
            isChosen: task.id === chosen,
            isCritical: byId.get(task.id)?.isCritical ?? false,
          }),
        )}
        onChoose={setChosen}
      />
      {shown && (
        <Dialog open onClose={() => setChosen(undefined)} maxWidth="sm" fullWidth>
          <DialogTitle>{shown.task.label}</DialogTitle>
          <DialogContent>
            <Typography>{title(shown.task)}</Typography>
            <Typography>{[...shown.task.crew, ...shown.task.gear].map(nameOf).join(', ')}</Typography>
          </DialogContent>
        </Dialog>
      )}
    </>
  );
});

/** What the day's plan says of a job's lamp. */
export function stateOf(broken: readonly string[], inHand: number | null, wanted: number): LampState {
  if (broken.length > 0 || inHand === null) return 'out';
  return inHand >= wanted ? 'lit' : 'low';
}
