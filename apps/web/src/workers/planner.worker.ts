import type { JobFile, Plan } from '@early-lantern/contract';
import { type DrawnBalloon, pictureOf, planJob } from '@early-lantern/core';
import * as Comlink from 'comlink';

/** A plan with the drawn balloons of each piece, by piece id. */
export interface Planned {
  plan: Plan;
  pictures: Record<string, DrawnBalloon[]>;
}

const planner = {
  /** Plans a job and places its balloons. */
  work(file: JobFile): Planned {
    const pictures = Object.fromEntries(file.job.pieces.map((piece) => [piece.id, pictureOf(piece)]));
    return { plan: planJob(file), pictures };
  },
  /** The plan alone, where nothing is drawn. */
  plan: (file: JobFile): Plan => planJob(file),
};

export type Planner = typeof planner;

Comlink.expose(planner);
