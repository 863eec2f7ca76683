import type { Stage } from '@early-lantern/contract';
import type { SiteWork } from '../piece/recipe.ts';
import data from './stages.json';

interface StageOf {
  stage: Stage;
  /** What is done in it. */
  label: string;
  /** Nothing stands or falls by it, and nobody is hurt without it: only the look suffers. */
  mayBeLeftOut: boolean;
}

/** The stages of the work on a piece, in their order. Common practice, no source. */
export const stages = data as readonly StageOf[];

const order = new Map(stages.map(({ stage }, i) => [stage, i]));

/** Where a stage stands among them, from 0. */
export const rankOf = (stage: Stage): number => order.get(stage) as number;

/** Whether a step of this stage may be left out where time is short. */
export const mayLeaveOut = (stage: Stage): boolean => (stages[rankOf(stage)] as StageOf).mayBeLeftOut;

/** The steps of a piece as they are done: stage after stage, within a stage each after those it names. */
export function inOrder(siteWork: readonly SiteWork[]): SiteWork[] {
  return stages.flatMap(({ stage }) => withinStage(siteWork.filter((one) => one.stage === stage)));
}

/** @throws RangeError if steps of one stage wait for each other in a circle */
function withinStage(steps: readonly SiteWork[]): SiteWork[] {
  const done: SiteWork[] = [];
  let left = [...steps];
  while (left.length > 0) {
    const next = left.find(({ after = [] }) => after.every((id) => !left.some((one) => one.id === id)));
    if (!next) throw new RangeError(`steps wait for each other: ${left.map(({ id }) => id).join(', ')}`);
    done.push(next);
    left = left.filter((one) => one !== next);
  }
  return done;
}
