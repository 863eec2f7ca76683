import type { StepId } from '@early-lantern/contract';
import data from './visit-steps.json';

interface VisitStep {
  step: StepId;
  label: string;
  /** Only the look or a record suffers without it: nobody is hurt, nothing stands or falls by it, nothing stays behind. */
  mayBeLeftOut: boolean;
}

/** Steps of a visit that belong to no piece and that a house may have its own way with. Common practice, no source. */
export const visitSteps = data as readonly VisitStep[];

const spared: ReadonlySet<string> = new Set(
  visitSteps.filter(({ mayBeLeftOut }) => mayBeLeftOut).map(({ step }) => step),
);

/** Whether a step of a visit may be left out, by a house or for one job. */
export const mayLeaveOutStep = (step: string): boolean => spared.has(step);
