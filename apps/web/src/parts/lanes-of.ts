import type { Plan, Task } from '@early-lantern/contract';
import { type GearNames, ladderLike, nameIn } from '@early-lantern/core';
import type { Lane, LaneBar } from './LaneChart.tsx';
import { beforeDoors, clockTime } from './time.ts';

/** People first, then what they work with: a lane for each that has something to do. */
export function lanesOf(tasks: readonly Task[], names: GearNames, barOf: (task: Task) => LaneBar): Lane[] {
  const { crew, inflators, ladders = [], vehicles } = names;
  const hired = [...new Set(tasks.flatMap(({ gear }) => gear))].filter((id) => ladderLike(id, ladders));
  const lane = (id: string, name: string, mine: (task: Task) => boolean): Lane => ({
    id,
    name,
    bars: tasks.filter(mine).map(barOf),
  });
  return [
    ...crew.map(({ id, name }) => lane(id, name.split(' ')[0] ?? name, (task) => task.crew.includes(id))),
    ...[
      ...vehicles.map(({ id }) => id),
      ...ladders.map(({ id }) => id),
      ...hired,
      ...inflators.map(({ id }) => id),
    ].map((id) => lane(id, nameIn(id, names), (task) => task.gear.includes(id))),
  ].filter(({ bars }) => bars.length > 0);
}

/** When a task is, by the clock and before doors. */
export const whenOf = (task: Task, { timeZone, onTime }: Pick<Plan, 'timeZone' | 'onTime'>): string =>
  `${clockTime(task.start, timeZone)}–${clockTime(task.end, timeZone)}, ${beforeDoors(task.start, onTime.doors)}`;
