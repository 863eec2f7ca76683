import type { Fix, Inflator, JobFile, Plan, Task } from '@early-lantern/contract';
import { placementOf } from '../piece/recipe-of.ts';
import { formatLength } from '../quantity/length.ts';
import { blowInWorkshop } from './blow-in-workshop.ts';
import { applyChanges } from './fixes.ts';

/** What an inflator draws, W, and how far the cables of a workshop reach that has not said. From memory, editable. */
const INFLATOR_W = 800;
export const CABLES_M = 15.24;

type Timed = Pick<Plan, 'tasks'>;

/** Why what is blown on site has not the power it needs, in a figure and a sentence; undefined where it has. */
export function powerLacking(
  file: JobFile,
  tasks: readonly Task[],
): { figure: string; told: string } | undefined {
  const { site, workshop } = file;
  if (site.isWorkshop) return undefined;
  const plugged = blownOnSite(tasks).flatMap((task) =>
    workshop.inflators
      .filter((one) => isPlugged(one) && task.gear.includes(one.id))
      .map((one) => ({ task, one })),
  );
  const OTHERWISE = 'Take a battery inflator or a hand pump, or blow in the workshop.';
  for (const { task } of plugged) {
    const far = tooFar(file, task);
    if (far) return { figure: far.figure, told: `${far.told} ${OTHERWISE}` };
  }
  const most = mostWatts(plugged);
  if (site.powerW !== undefined && most > site.powerW)
    return {
      figure: 'too little power',
      told: `The inflators on site draw ${most} W at once, and ${site.name} gives ${site.powerW} W. ${OTHERWISE}`,
    };
  return undefined;
}

const isPlugged = ({ power = 'mains' }: Inflator) => power === 'mains';
const blownOnSite = (tasks: readonly Task[]) => tasks.filter(({ place, blows }) => place === 'site' && blows);

/** Power that is not there, or out of reach of the cables where a piece is blown. */
function tooFar(
  { job, site, workshop }: JobFile,
  { pieceId }: Task,
): { figure: string; told: string } | undefined {
  const piece = job.pieces.find(({ id }) => id === pieceId);
  const spot = site.spots.find(({ id }) => id === piece?.spotId);
  if (!piece || !spot) return undefined;
  // Nobody has asked yet: the survey does.
  if (spot.power === undefined) return undefined;
  const { units, cablesM = CABLES_M } = workshop;
  if (spot.power.length === 0)
    return { figure: 'no power', told: `${piece.name} is blown at ${spot.name}, where there is no power.` };
  const across = placementOf(piece, workshop.schools).balloons.map(({ xM }) => xM);
  const atM = (Math.min(...across) + Math.max(...across)) / 2;
  const nearestM = Math.min(...spot.power.map(({ xM }) => Math.abs(xM - atM)));
  return nearestM > cablesM
    ? {
        figure: 'power too far',
        told: `${piece.name} is blown ${formatLength(nearestM, units)} from the nearest power, and the cables reach ${formatLength(cablesM, units)}.`,
      }
    : undefined;
}

/** The most that is drawn at the same time, W. */
function mostWatts(plugged: readonly { task: Task; one: Inflator }[]): number {
  return Math.max(
    0,
    ...plugged.map(({ task }) =>
      plugged
        .filter(({ task: other }) => other.start <= task.start && task.start < other.end)
        .reduce((sum, { one }) => sum + (one.watts ?? INFLATOR_W), 0),
    ),
  );
}

/** Everything blown in the workshop instead: offered where the plan still has time for it. */
export function powerFixes(file: JobFile, plan: Timed, replan: (file: JobFile) => Plan): Fix[] {
  if (!powerLacking(file, plan.tasks)) return [];
  const changes = blowInWorkshop(file);
  if (changes.length === 0) return [];
  const tried = applyChanges(file, changes);
  const after = replan(tried);
  return powerLacking(tried, after.tasks) || after.onTime.minutesInHand === null
    ? []
    : [
        {
          label: 'Blow everything in the workshop',
          gain: `${after.onTime.minutesInHand} min to spare, no power needed on site`,
          changes,
        },
      ];
}
