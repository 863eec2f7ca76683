import type {
  CrewMember,
  HoldPiece,
  JobFile,
  Piece,
  Task,
  Working,
  WorkshopSettings,
} from '@early-lantern/contract';
import type { Batch } from '../bench/bench.ts';
import { type Effort, effort, type Spread } from '../bench/rates.ts';
import { methodOf } from '../fixing/methods.ts';
import type { Recipe, SiteWork } from '../piece/recipe.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';

/** A piece with what has been worked out for it. */
export interface WorkedPiece {
  piece: Piece;
  recipe: Recipe;
  batches: Batch[];
  /** What carries it or what it hangs from. */
  held?: HoldPiece;
}

/** A task of the job before it has a time. */
export interface Work {
  id: string;
  label: string;
  place: Task['place'];
  minutes: number;
  /** Quick, usual, slow, with the hands it has. */
  spread: Spread;
  hands: number;
  skills: string[];
  gear: string[];
  pieceId?: string;
  /** What it blows. */
  blows?: NonNullable<Task['blows']>;
  after: string[];
  /** Codes of the catalogue of cautions. */
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
  const isFixed = pieces.some(({ held }) => held?.points.length);
  const before = isFixed
    ? [
        simple(
          'photograph-before',
          'Photograph every place to be fixed to, marks and all',
          'site',
          workshop,
          {
            after: [drive.id],
          },
        ),
      ]
    : [];
  const ready = [unload.id, protect.id, ...before.map((work) => work.id)];
  // Hooks need their hour: they ride in somebody's pocket and go up before the van is empty.
  const hooksAfter = before.map((work) => work.id);
  // Furniture and linen first: they take long, and what is dressed stands on or round them.
  const isFurniture = ({ piece }: WorkedPiece) => piece.kind === 'furnishing';
  const furnish = pieces
    .filter(isFurniture)
    .flatMap((worked) => dressWork(worked, workshop, crew, ready, hooksAfter));
  const after = furnish.length ? furnish.map((work) => work.id) : ready;
  const others = pieces.filter((worked) => !isFurniture(worked));
  const blown = others.flatMap((worked) => siteBench(worked, ready));
  const dress = [
    ...furnish,
    ...blown,
    ...others.flatMap((worked) => dressWork(worked, workshop, crew, after, hooksAfter)),
  ];
  const stepBack = simple('step-back', 'Step back, look through a camera', 'site', workshop, {
    after: dress.length ? dress.map((work) => work.id) : [unload.id],
  });
  const touchUp = simple('touch-up', 'Close gaps, hide mechanics, clear the floor', 'site', workshop, {
    after: [stepBack.id],
    cautions: ['children'],
  });
  const signOff = simple('sign-off', 'Walk round and sign off with the house', 'site', workshop, {
    after: [touchUp.id],
    skills: crew.some((member) => member.skills.includes('lead')) ? ['lead'] : [],
  });
  return [clean, ...bench, load, drive, unload, protect, ...before, ...dress, stepBack, touchUp, signOff];
}

/** After the event: everything down, home, counted. */
export function strikeWork({ workshop, site, job }: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const crew = workshop.crew.filter((member) => job.crew.includes(member.id));
  const sections = pieces.reduce((sum, { recipe }) => sum + recipe.sections.length, 0);
  const down = shared(effort('strike-section', sections, workshop), crew.length);
  const strike: Work = {
    id: 'strike',
    label: `Take down ${plural(sections, 'section')}, collect every scrap`,
    place: 'site',
    ...down,
    hands: crew.length,
    skills: [],
    gear: [],
    after: [],
    cautions: ['children'],
  };
  const fixed = pieces.filter(({ held }) => held?.points.length);
  const lookOver = fixed.length
    ? [
        simple(
          'look-over',
          "Compare every fixing's place with the photographs; show the house",
          'site',
          workshop,
          {
            after: [strike.id],
            working: removals(fixed),
          },
        ),
      ]
    : [];
  const back = driveWork('drive-back', 'Drive back to the workshop', site.driveMin, crew, [
    lookOver[0]?.id ?? strike.id,
  ]);
  const gear = simple('return-gear', 'Unload, count the gear, note what failed', 'workshop', workshop, {
    hands: Math.min(2, crew.length),
    after: [back.id],
  });
  return [strike, ...lookOver, back, gear];
}

/** How each method that was used comes off without a mark. */
function removals(fixed: readonly WorkedPiece[]): Working[] {
  const points = fixed.flatMap(({ held }) => held?.points ?? []);
  return [...new Set(points.map(({ method }) => method))].map((id) => {
    const { label, removal, source } = methodOf(id);
    const count = points.filter(({ method }) => method === id).length;
    return working(`Taking off: ${label}`, removal, [], { value: count, unit: 'points' }, source);
  });
}

/** Whole minutes when `hands` share an effort evenly. */
function shared(work: Effort, hands: number): { minutes: number; spread: Spread; working: Working[] } {
  const { quickS, usualS, slowS } = work.spread;
  return {
    minutes: Math.max(1, Math.ceil(work.seconds / 60 / hands)),
    spread: { quickS: quickS / hands, usualS: usualS / hands, slowS: slowS / hands },
    working: work.working,
  };
}

/** A span that somebody has said, with what it may come to: shares of it. */
const said = (minutes: number, quick: number, slow: number): Spread => ({
  quickS: minutes * 60 * quick,
  usualS: minutes * 60,
  slowS: minutes * 60 * slow,
});
/** A drive takes so much of what it usually takes, on a good day and in traffic. From memory, editable defaults. */
const DRIVE_QUICK = 0.9;
const DRIVE_SLOW = 1.6;

/** A task that is one unit of the rate it is named after. */
function simple(
  id:
    | 'clean-floor'
    | 'load-vehicle'
    | 'protect-floor'
    | 'step-back'
    | 'touch-up'
    | 'sign-off'
    | 'photograph-before'
    | 'look-over'
    | 'return-gear',
  label: string,
  place: Task['place'],
  settings: WorkshopSettings,
  more: Partial<Work> = {},
): Work {
  const took = shared(effort(id, 1, settings), more.hands ?? 1);
  return {
    id,
    label,
    place,
    hands: 1,
    skills: [],
    gear: [],
    after: [],
    cautions: [],
    ...more,
    minutes: took.minutes,
    spread: took.spread,
    working: [...took.working, ...(more.working ?? [])],
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
    ...(batch.blows ? { blows: batch.blows } : {}),
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
    spread: said(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: crew.length,
    skills: ['driver'],
    gear: ['vehicle'],
    after,
    cautions: ['driving'],
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
  worked: WorkedPiece,
  settings: WorkshopSettings,
  crew: readonly CrewMember[],
  after: string[],
  hooksAfter: string[],
): Work[] {
  const { piece, recipe, batches, held } = worked;
  const isHigh = recipe.topM > REACH_M;
  const blownHere = batches
    .filter((batch) => batch.place === 'site')
    .map((batch) => ownId(piece.id, batch.id));
  const found: Work[] = [];
  let before = after;
  const hooks = hookWork(worked, settings, crew, hooksAfter);
  for (const stage of stages) {
    const here = recipe.siteWork.filter((work) => work.stage === stage);
    if (here.length === 0) continue;
    const onLadder = isHigh && stage !== 'frame' && stage !== 'tie';
    const tasks = here.map((one): Work => {
      // A garland's points are those that were found to hold it, where they were.
      const isHung = stage === 'hang' && piece.kind === 'organic-garland';
      const points = (isHung && held?.points.length) || one.amount;
      const needed = effort(one.rate, isHung ? points : one.amount, settings);
      const work = isHung ? withNote(needed, recipe, points) : needed;
      const pair = one.pair || (isHigh && stage === 'hang') || work.seconds > SHARED_FROM_S;
      const hands = pair ? Math.min(2, crew.length) : 1;
      return {
        id: ownId(piece.id, one.id),
        label: `${piece.name}: ${one.label}${isHung ? `, ${plural(points, 'point')}` : ''}`,
        place: 'site',
        ...shared(work, hands),
        hands,
        skills: onLadder && crew.some((member) => member.skills.includes('ladder')) ? ['ladder'] : [],
        gear: [],
        pieceId: piece.id,
        after:
          stage === 'frame'
            ? before
            : [
                ...new Set([
                  ...before,
                  ...blownHere,
                  ...(stage === 'tie' ? [] : hooks.slice(-1).map(({ id }) => id)),
                ]),
              ],
        cautions: [
          ...(onLadder ? ['ladder'] : []),
          ...(stage === 'frame' || stage === 'tie' ? frameCautions(one.rate) : []),
        ],
      };
    });
    found.push(...tasks);
    before = tasks.map((task) => task.id);
  }
  return [...hooks, ...found];
}

/** Hooks that stick are put up first and left alone for their hour, while other work goes on; nobody waits by them. */
function hookWork(
  { piece, recipe, held }: WorkedPiece,
  settings: WorkshopSettings,
  crew: readonly CrewMember[],
  after: string[],
): Work[] {
  const hooks = (held?.points ?? [])
    .map(({ method }) => methodOf(method))
    .filter(({ cureMin }) => cureMin > 0);
  const cureMin = Math.max(0, ...hooks.map((method) => method.cureMin));
  if (cureMin === 0) return [];
  const onLadder = recipe.topM > REACH_M;
  const put: Work = {
    id: ownId(piece.id, 'hooks'),
    label: `${piece.name}: clean, stick and press ${plural(hooks.length, 'hook')}`,
    place: 'site',
    ...shared(effort('adhesive-hook', hooks.length, settings), 1),
    hands: onLadder ? Math.min(2, crew.length) : 1,
    skills: onLadder && crew.some((member) => member.skills.includes('ladder')) ? ['ladder'] : [],
    gear: [],
    pieceId: piece.id,
    after,
    cautions: onLadder ? ['ladder'] : [],
  };
  const cure: Work = {
    id: ownId(piece.id, 'cure'),
    label: `${piece.name}: hooks take hold, nothing on them yet`,
    place: 'site',
    minutes: cureMin,
    spread: said(cureMin, 1, 1),
    hands: 0,
    skills: [],
    gear: [],
    pieceId: piece.id,
    after: [put.id],
    cautions: [],
    working: [
      working(
        'Wait before load',
        "the hook's own",
        [],
        { value: cureMin, unit: 'min' },
        `makers' usual instruction: ${COMMON_PRACTICE}`,
      ),
    ],
  };
  return [put, cure];
}

const frameCautions = (rate: SiteWork['rate']): string[] =>
  rate === 'place-furniture' ? ['lifting'] : ['frame-first'];

/** Says where the number of points comes from. */
function withNote(work: Effort, recipe: Recipe, count: number): Effort {
  const points = working(
    'Attachment points',
    'as *Holds* finds them; else one about every 2 ft, three at least',
    [['L', recipe.lengthM, 'm']],
    { value: count, unit: 'points' },
    COMMON_PRACTICE,
  );
  return { ...work, working: [points, ...work.working] };
}
