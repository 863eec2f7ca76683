import type { Task } from '@early-lantern/contract';
import { plural } from '../quantity/plural.ts';
import { isFaultTask, isMending } from './day-tasks.ts';
import { isDone } from './happened.ts';
import data from './leave-out.json';
import mending from './mending.json';
import { type DayNow, projected } from './projected.ts';

/** Something that may be left out, with what that brings and what one sees of it. */
export interface LeaveOut {
  task: Task;
  /** Sign-off comes earlier by so many minutes. */
  gainMin: number;
  /** What is missing then, a clause. */
  effect: string;
  /** Visible worth for each minute of hands that it takes: the least goes first. */
  worthPerMin: number;
}

/** How much each stage is seen from where guests stand, from 1 for hardly to 10. Common practice, no source. */
const stages = new Map(data.map(({ stage, worth, effect }) => [stage, { worth, effect }]));
/** Steps of the visit that nothing falls by, by their ids. */
const steps: Record<string, { worth: number; effect: string }> = {
  'look-again': { worth: 5, effect: 'nobody looks a second time' },
  'step-back': { worth: 9, effect: 'nobody looks from afar' },
  'photograph-before': { worth: 7, effect: 'no pictures of old marks, should the house ask' },
};

/** What came up on the day: it stays as it is. */
const ofTheDay = (task: string) =>
  isMending(task)
    ? { worth: mending.worth, effect: isFaultTask(task) ? 'it stays as it is' : 'the gaps stay open' }
    : undefined;

const MIN_MS = 60_000;

/** What leaving its fillers out does to how full a piece is, from the side from which it is worst. */
function lessFull({ plan: { full } }: DayNow, { stage, pieceId }: Task): string | undefined {
  const piece = stage === 'fill' ? full?.pieces.find(({ id }) => id === pieceId) : undefined;
  if (!piece || piece.fillers.counted === 0) return undefined;
  const { before, after } = piece.seeThroughPct;
  const pct = (share: number) => `${Math.round(share * 10) / 10} %`;
  return `${plural(piece.fillers.counted, 'place stays open', 'places stay open')}: ${pct(before)} of it seen through in place of ${pct(after)}`;
}

/** What may be left out to be ready earlier, the least seen for its time first; only what brings something. */
export function leaveOuts(day: DayNow): LeaveOut[] {
  const { readyMs } = projected(day);
  if (readyMs === null) return [];
  return day.plan.tasks
    .filter(({ id, mayBeLeftOut }) => mayBeLeftOut && !day.facts.leftOut.has(id) && !isDone(day.happened, id))
    .flatMap((task) => {
      const known = steps[task.id] ?? ofTheDay(task.id) ?? stages.get(task.stage ?? '');
      if (!known || task.trip === 'strike') return [];
      const without = projected({
        ...day,
        facts: { ...day.facts, leftOut: new Set([...day.facts.leftOut, task.id]) },
      });
      const gainMin = Math.round((readyMs - (without.readyMs ?? readyMs)) / MIN_MS);
      const handsMin =
        (Math.max(1, task.crew.length) * (Date.parse(task.end) - Date.parse(task.start))) / MIN_MS;
      return gainMin > 0
        ? [
            {
              task,
              gainMin,
              effect: lessFull(day, task) ?? known.effect,
              worthPerMin: known.worth / Math.max(1, handsMin),
            },
          ]
        : [];
    })
    .sort((one, other) => one.worthPerMin - other.worthPerMin);
}
