import type { JobFile, Piece, PieceId, Plan, Rehearsal } from '@early-lantern/contract';
import {
  aroundOf,
  choiceCost,
  countPieces,
  draftPlan,
  type Heat,
  type HowLong,
  heatOf,
  howLong,
  judgeJob,
  type LongerLoad,
  longerLoads,
  type Picture,
  pictureOf,
  planJob,
  planningJob,
  rehearsing,
  settledPictureOf,
} from '@early-lantern/core';
import * as Comlink from 'comlink';
import { changedFile, type FileChange } from './file-change.ts';
import { withoutWorkings } from './without-workings.ts';

/** A plan with each piece's picture, by piece id. */
export interface Planned {
  /** Without its workings: `whole` has them. */
  plan: Plan;
  pictures: Record<string, Picture>;
}

/** The pictures that are new since the last answer, and the ids of all pieces. */
interface Drawn {
  drawn: Record<string, Picture>;
  ids: string[];
}

/** The file on screen: what did not change since stays the same object, so that it is not worked out again. */
let last: JobFile | undefined;
/** Its plan as it was sent, with its workings. */
let whole: Plan | undefined;
const sent = new Map<string, Piece>();

function onScreen(): JobFile {
  if (!last) throw new Error('nothing was drawn yet');
  return last;
}

/** Keeps the plan, and gives what of it goes to the screen at once. */
function shown(plan: Plan): Plan {
  whole = plan;
  return withoutWorkings(plan);
}

/** A plan with its fixes, and the pictures of its pieces as they hang. */
interface Mended {
  plan: Plan;
  settled: Record<string, Picture>;
}

/** Counts up each time that what is being mended is left. */
let leavings = 0;

/** Lets what was sent here meanwhile have its turn. */
const messagesRead = () => new Promise<void>((read) => setTimeout(read));

/** Days between two answers, so that others get their turn. */
const DAYS_AT_ONCE = 250;

const planner = {
  /**
   * Places the balloons: the hand sees them first.
   * @param change what is new since the file was last drawn; @param anew whether all pictures are wanted
   */
  draw(change: FileChange, anew: boolean): Drawn {
    const known = changedFile(last, change);
    last = known;
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
  draft: (): Plan => shown(draftPlan(onScreen(), 'quick')),
  /** Whatever plan is being mended is out of date: it is left at the next step. */
  leaveMending(): void {
    leavings += 1;
  },
  /**
   * A whole plan with its fixes tried, and how pieces will hang; undefined where it was left on the way.
   * @param change what is new since the file was last asked about here
   * @param wanted ids of the pieces whose pictures are drawn roughly so far
   */
  async mended(change: FileChange, wanted: readonly string[]): Promise<Mended | undefined> {
    const known = changedFile(last, change);
    last = known;
    const begun = leavings;
    const planning = planningJob(known);
    let step = planning.next();
    while (!step.done) {
      await messagesRead();
      if (leavings !== begun) return undefined;
      step = planning.next();
    }
    const plan = shown(step.value);
    const settled = known.job.pieces.flatMap((piece) => {
      const picture =
        wanted.includes(piece.id) &&
        settledPictureOf(piece, known.workshop, aroundOf(piece, known.job.pieces, known.workshop));
      return picture ? [[piece.id, picture] as const] : [];
    });
    return { plan, settled: Object.fromEntries(settled) };
  },
  /** Each piece as it will hang, by piece id. */
  pictures: ({ job, workshop }: JobFile): Record<string, Picture> =>
    Object.fromEntries(
      job.pieces.map((piece) => [
        piece.id,
        settledPictureOf(piece, workshop, aroundOf(piece, job.pieces, workshop)) ??
          pictureOf(piece, workshop.schools),
      ]),
    ),
  /** What was planned last, with every working. */
  whole(): Plan {
    if (!whole) throw new Error('nothing was planned yet');
    return whole;
  },
  /**
   * Goes through many days, some at a time, telling after each lot how far it is; ends where it is told to stop.
   * @param goOn told the days gone through; false ends it
   */
  async rehearse(
    file: JobFile,
    days: number,
    goOn: (done: number) => Promise<boolean>,
  ): Promise<Rehearsal | null> {
    const going = rehearsing([{ file, plan: draftPlan(file) }], 1);
    if (!going) return null;
    while (going.runs < days) {
      going.run(Math.min(DAYS_AT_ONCE, days - going.runs));
      if (!(await goOn(going.runs))) break;
    }
    return going.results()[0] ?? null;
  },
  /**
   * Goes on searching for a better load, telling after each beginning how far it is; ends where it is told to stop.
   * @param goOn told how many of how many are tried, and the best load where one is better; false ends it
   */
  async longerLoad(file: JobFile, goOn: (load: LongerLoad) => Promise<boolean>): Promise<void> {
    for (const load of longerLoads(file)) if (!(await goOn(load))) return;
  },
  /** Minutes in hand that what was chosen about a task costs; null where there is no plan with it. */
  choiceCost: (file: JobFile, task: string): number | null => choiceCost(file, task),
  /** How long the balloons there are would make a garland. */
  howLong: (file: JobFile, pieceId: PieceId): HowLong | undefined =>
    howLong(
      file,
      file.job.pieces.findIndex(({ id }) => id === pieceId),
      (changed) => countPieces(changed).balloons,
    ),
  /** How deep one looks into a piece from the front; undefined where it does not settle. */
  heat: ({ job, workshop }: JobFile, pieceId: PieceId): Heat | undefined => {
    const piece = job.pieces.find(({ id }) => id === pieceId);
    return piece && heatOf(piece, workshop, aroundOf(piece, job.pieces, workshop));
  },
  /** Who does what when, and what can be told at a glance. */
  drafted: (file: JobFile): Plan => draftPlan(file),
  /** Every answer about a job of a list; no fix tried, nothing drawn. */
  judged: (file: JobFile): Plan => judgeJob(file),
  /** The whole plan, fixes tried, nothing drawn. */
  plan: (file: JobFile): Plan => planJob(file),
};

export type Planner = typeof planner;

Comlink.expose(planner);
