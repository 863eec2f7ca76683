import type { JobFile, LeftByOthers, Piece, Plan } from '@early-lantern/contract';
import { draftPlan, leftForEach, type Picture, pictureOf, planJob } from '@early-lantern/core';
import { replaceEqualDeep } from '@tanstack/query-core';
import * as Comlink from 'comlink';

/** A plan with each piece's picture, by piece id. */
export interface Planned {
  plan: Plan;
  pictures: Record<string, Picture>;
}

/** The pictures that are new since the last answer, and the ids of all pieces. */
interface Drawn {
  drawn: Record<string, Picture>;
  ids: string[];
}

/** The file last worked on: what did not change since stays the same object, so that it is not worked out again. */
let last: JobFile | undefined;
const sent = new Map<string, Piece>();

function settle(file: JobFile): JobFile {
  last = replaceEqualDeep(last, file);
  return last;
}

const planner = {
  /** Places the balloons: the hand sees them first. */
  draw(file: JobFile, anew: boolean): Drawn {
    const known = settle(file);
    if (anew) sent.clear();
    const { pieces } = known.job;
    const changed = pieces.filter((piece) => sent.get(piece.id) !== piece);
    for (const piece of changed) sent.set(piece.id, piece);
    const drawn = Object.fromEntries(
      changed.map((piece) => [piece.id, pictureOf(piece, known.workshop.schools)]),
    );
    return { drawn, ids: pieces.map((piece) => piece.id) };
  },
  /** Plans what was drawn last, fast enough to be asked while dragging: fixes are not tried yet. */
  draft(): Plan {
    if (!last) throw new Error('nothing was drawn yet');
    return draftPlan(last);
  },
  /** What each coming job finds taken by others, by job id. */
  left: (files: JobFile[], nowMs: number): Record<string, LeftByOthers> => leftForEach(files, nowMs),
  /** The whole plan, fixes tried, nothing drawn. */
  plan: (file: JobFile): Plan => planJob(file),
};

export type Planner = typeof planner;

Comlink.expose(planner);
