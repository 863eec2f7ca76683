import type { JobFile, Plan } from '@early-lantern/contract';
import { type DrawnBalloon, draftPlan, pictureOf, planJob } from '@early-lantern/core';
import * as Comlink from 'comlink';

/** A plan with the drawn balloons of each piece, by piece id. */
export interface Planned {
  plan: Plan;
  pictures: Record<string, DrawnBalloon[]>;
}

const planner = {
  /** Plans a job and places its balloons, fast enough to be asked while dragging: fixes are not tried yet. */
  work(file: JobFile): Planned {
    const pictures = Object.fromEntries(file.job.pieces.map((piece) => [piece.id, pictureOf(piece)]));
    return { plan: draftPlan(file), pictures };
  },
  /** The whole plan, fixes tried, nothing drawn. */
  plan: (file: JobFile): Plan => planJob(file),
};

export type Planner = typeof planner;

Comlink.expose(planner);
