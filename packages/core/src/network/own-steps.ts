import type { JobFile, Piece } from '@early-lantern/contract';
import { mayLeaveOut } from './stages.ts';
import type { Step } from './steps.ts';

/**
 * The steps of a piece as this house and this job have them: renamed, or left out where nothing stands or falls by
 * them.
 */
export function asDoneHere(steps: readonly Step[], piece: Piece, { workshop, job }: JobFile): Step[] {
  const changes = (workshop.methods?.pieces ?? []).filter(({ kind }) => kind === piece.kind);
  const left = new Set(job.clock?.leftOut ?? []);
  return steps.flatMap((step): Step[] => {
    const change = changes.find((one) => one.step === step.id);
    const isOut = change?.isLeftOut || left.has(`${piece.id}--${step.id}`);
    if (isOut && mayLeaveOut(step.stage)) return [];
    return [change?.label ? { ...step, label: change.label } : step];
  });
}
