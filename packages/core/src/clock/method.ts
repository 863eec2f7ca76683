import type { CrewMember, JobFile, Piece, Task, Working, WorkshopSettings } from '@early-lantern/contract';
import type { Batch } from '../bench/bench.ts';
import { type Effort, effort } from '../bench/rates.ts';
import type { Recipe, SiteWork } from '../piece/recipe.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';

/** A piece with what has been worked out for it. */
export interface WorkedPiece {
  piece: Piece;
  recipe: Recipe;
  batches: Batch[];
}

/** A task of the job before it has a time. */
export interface Work {
  id: string;
  label: string;
  place: Task['place'];
  minutes: number;
  hands: number;
  skills: string[];
  gear: string[];
  pieceId?: string;
  after: string[];
  cautions: string[];
  working: Working[];
  /** Minutes from its start to its arrival on site: it need not arrive before access opens. */
  arrivesAfter?: number;
}

/** Reach of a person from the floor; above it the work is ladder work. */
const REACH_M = 2.4;
/** On-site work longer than this is shared by two where there are two. */
const SHARED_FROM_S = 20 * 60;
/** A step costs about as much as a metre and a half on the level. */
const STEP_AS_M = 1.5;

const LADDER_CAUTION =
  'Ladder: not the top cap or top step, three points of contact, somebody at its foot. Local code and licensed practice decide. [OSHA 29 CFR 1926.1053]';
const SCRAPS_CAUTION =
  'Collect every scrap: broken balloons choke children under 8. [US CPSC, 16 CFR 1500.19]';
const FRAME_CAUTION =
  "Frame complete and every base weighted before any balloon or tie line. Large or occupied structures are an engineer's matter; local code prevails.";
const LIFT_CAUTION = 'Two people for heavy pieces; share the weight.';
const DRIVE_CAUTION = 'Secure the load, keep the mirrors clear; legal driving hours apply.';

/**
 * The tasks of one job in the order of the work: floor, bench, bags, load, drive, unload, protect, hang, dress, fill,
 * step back, mend, sign off. The order is common practice, no source.
 */
export function setUpWork({ workshop, site, job }: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const crew = workshop.crew.filter((member) => job.crew.includes(member.id));
  const two = Math.min(2, crew.length);
  const clean = simple('clean-floor', 'Clean the bench floor, set out the lots', 'workshop', workshop);
  const bench = pieces.flatMap((worked) => benchWork(worked, clean.id));
  const benchLast = bench.length ? [] : [clean.id];
  const bags = bench.filter((work) => work.id.endsWith('--bag')).map((work) => work.id);
  const load = simple('load-vehicle', 'Load the vehicle', 'workshop', workshop, {
    hands: two,
    after: [...bags, ...benchLast],
  });
  const drive: Work = {
    ...driveWork('drive-out', `Drive to ${site.name}`, site.driveMin, crew, [load.id]),
    arrivesAfter: Math.max(1, site.driveMin),
  };
  const unload = unloadWork(site, workshop, two, drive.id);
  const protect = simple('protect-floor', 'Protect floor and edges, set out tools', 'site', workshop, {
    after: [drive.id],
  });
  const ready = [unload.id, protect.id];
  // Furniture and linen first: they take long, and what is dressed stands on or round them.
  const isFurniture = ({ piece }: WorkedPiece) => piece.kind === 'furnishing';
  const furnish = pieces.filter(isFurniture).flatMap((worked) => dressWork(worked, workshop, crew, ready));
  const after = furnish.length ? furnish.map((work) => work.id) : ready;
  const others = pieces.filter((worked) => !isFurniture(worked));
  const blown = others.flatMap((worked) => siteBench(worked, ready));
  const dress = [
    ...furnish,
    ...blown,
    ...others.flatMap((worked) => dressWork(worked, workshop, crew, after)),
  ];
  const stepBack = simple('step-back', 'Step back, look through a camera', 'site', workshop, {
    after: dress.length ? dress.map((work) => work.id) : [unload.id],
  });
  const touchUp = simple('touch-up', 'Close gaps, hide mechanics, clear the floor', 'site', workshop, {
    after: [stepBack.id],
    cautions: [SCRAPS_CAUTION],
  });
  const signOff = simple('sign-off', 'Walk round and sign off with the house', 'site', workshop, {
    after: [touchUp.id],
    skills: crew.some((member) => member.skills.includes('lead')) ? ['lead'] : [],
  });
  return [clean, ...bench, load, drive, unload, protect, ...dress, stepBack, touchUp, signOff];
}

/** After the event: everything down, home, counted. */
export function strikeWork({ workshop, site, job }: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const crew = workshop.crew.filter((member) => job.crew.includes(member.id));
  const sections = pieces.reduce((sum, { recipe }) => sum + recipe.sections.length, 0);
  const down = shared(effort('strike-section', sections, workshop), crew.length);
  const strike: Work = {
    id: 'strike',
    label: `Take down ${plural(sections, 'section')}, look at every fixing's place as before, collect every scrap`,
    place: 'site',
    ...down,
    hands: crew.length,
    skills: [],
    gear: [],
    after: [],
    cautions: [SCRAPS_CAUTION],
  };
  const back = driveWork('drive-back', 'Drive back to the workshop', site.driveMin, crew, [strike.id]);
  const gear = simple('return-gear', 'Unload, count the gear, note what failed', 'workshop', workshop, {
    hands: Math.min(2, crew.length),
    after: [back.id],
  });
  return [strike, back, gear];
}

/** Whole minutes when `hands` share an effort evenly. */
function shared(work: Effort, hands: number): { minutes: number; working: Working[] } {
  return { minutes: Math.max(1, Math.ceil(work.seconds / 60 / hands)), working: work.working };
}

/** A task that is one unit of the rate it is named after. */
function simple(
  id:
    | 'clean-floor'
    | 'load-vehicle'
    | 'protect-floor'
    | 'step-back'
    | 'touch-up'
    | 'sign-off'
    | 'return-gear',
  label: string,
  place: Task['place'],
  settings: WorkshopSettings,
  more: Partial<Work> = {},
): Work {
  return {
    id,
    label,
    place,
    ...shared(effort(id, 1, settings), more.hands ?? 1),
    hands: 1,
    skills: [],
    gear: [],
    after: [],
    cautions: [],
    ...more,
  };
}

const ownId = (pieceId: string, id: string) => `${pieceId}--${id}`;

function asBenchWork({ piece, batches }: WorkedPiece, place: 'workshop' | 'site', first: string[]): Work[] {
  const here = batches.filter((batch) => batch.place === place);
  const ids = new Set(here.map((batch) => batch.id));
  return here.map((batch) => ({
    id: ownId(piece.id, batch.id),
    label: `${piece.name}: ${batch.label}`,
    place,
    ...shared(batch.effort, 1),
    hands: 1,
    skills: [],
    gear: batch.needsInflator ? ['inflator'] : [],
    pieceId: piece.id,
    after: [...first, ...batch.after.filter((id) => ids.has(id)).map((id) => ownId(piece.id, id))],
    cautions: [],
  }));
}

const benchWork = (worked: WorkedPiece, cleanId: string): Work[] =>
  asBenchWork(worked, 'workshop', [cleanId]);

/** What the school has blown and twisted on the spot. */
const siteBench = (worked: WorkedPiece, ready: string[]): Work[] => asBenchWork(worked, 'site', ready);

function driveWork(
  id: string,
  label: string,
  minutes: number,
  crew: readonly CrewMember[],
  after: string[],
): Work {
  return {
    id,
    label,
    place: 'road',
    minutes: Math.max(1, minutes),
    hands: crew.length,
    skills: ['driver'],
    gear: ['vehicle'],
    after,
    cautions: [DRIVE_CAUTION],
    working: [
      working('Drive', 'as surveyed, one way', [], { value: minutes, unit: 'min' }, "the site's survey"),
    ],
  };
}

function unloadWork(site: JobFile['site'], settings: WorkshopSettings, hands: number, driveId: string): Work {
  const metres = site.loadIn.distanceM + site.loadIn.steps * STEP_AS_M;
  // A van at the door still has to be emptied: never less than a third of the 100 ft figure.
  const share = Math.max(1 / 3, metres / 30.48);
  return {
    id: 'unload',
    label: `Unload, ${formatLength(site.loadIn.distanceM, settings.units)}${site.loadIn.steps ? ` and ${site.loadIn.steps} steps` : ''} to the spot`,
    place: 'site',
    ...shared(effort('unload-30m', share, settings), hands),
    hands,
    skills: [],
    gear: [],
    after: [driveId],
    cautions: [],
  };
}

const stages: SiteWork['stage'][] = ['frame', 'tie', 'hang', 'dress', 'accent', 'fill', 'finish'];

/**
 * The work on one piece, stage after stage: the frame complete and weighted before any line ties or anything hangs on
 * it, base before
 * fluff before accents before fillers.
 */
function dressWork(
  { piece, recipe, batches }: WorkedPiece,
  settings: WorkshopSettings,
  crew: readonly CrewMember[],
  after: string[],
): Work[] {
  const isHigh = recipe.topM > REACH_M;
  const blownHere = batches
    .filter((batch) => batch.place === 'site')
    .map((batch) => ownId(piece.id, batch.id));
  const found: Work[] = [];
  let before = after;
  for (const stage of stages) {
    const here = recipe.siteWork.filter((work) => work.stage === stage);
    if (here.length === 0) continue;
    const onLadder = isHigh && stage !== 'frame' && stage !== 'tie';
    const tasks = here.map((one): Work => {
      const needed = effort(one.rate, one.amount, settings);
      const work = one.rate === 'hang-point' ? withNote(needed, recipe) : needed;
      const pair = one.pair || (isHigh && stage === 'hang') || work.seconds > SHARED_FROM_S;
      const hands = pair ? Math.min(2, crew.length) : 1;
      return {
        id: ownId(piece.id, one.id),
        label: `${piece.name}: ${one.label}`,
        place: 'site',
        ...shared(work, hands),
        hands,
        skills: onLadder && crew.some((member) => member.skills.includes('ladder')) ? ['ladder'] : [],
        gear: [],
        pieceId: piece.id,
        after: stage === 'frame' ? before : [...new Set([...before, ...blownHere])],
        cautions: [
          ...(onLadder ? [LADDER_CAUTION] : []),
          ...(stage === 'frame' || stage === 'tie' ? frameCautions(one.rate) : []),
        ],
      };
    });
    found.push(...tasks);
    before = tasks.map((task) => task.id);
  }
  return found;
}

const frameCautions = (rate: SiteWork['rate']): string[] =>
  rate === 'place-furniture' ? [LIFT_CAUTION] : [FRAME_CAUTION];

/** Says where the number of points comes from. */
function withNote(work: Effort, recipe: Recipe): Effort {
  const points = working(
    'Attachment points',
    'one about every 2 ft, three at least',
    [['L', recipe.lengthM, 'm']],
    { value: recipe.hangPoints, unit: 'points' },
    COMMON_PRACTICE,
  );
  return { ...work, working: [points, ...work.working] };
}
