import type { CrewMember, HoldPoint, JobFile, Piece } from '@early-lantern/contract';
import { type Effort, effort } from '../bench/rates.ts';
import { handsM, ladderFor, REACH_M } from '../fixing/reach.ts';
import { sectionOrder } from '../fixing/section-order.ts';
import { mayLeaveOut, stages } from '../network/stages.ts';
import { type Step, stepsOf } from '../network/steps.ts';
import type { Recipe, SiteWork } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { STAKE } from '../structure/anchors.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { dryingOf, heatAt, onLadder, type Slowing, slowed } from './conditions.ts';
import { otherWays, ownId, shared, threePoint, type Work, type WorkedPiece } from './work.ts';

/** On-site work longer than this is shared by two where there are two. */
const SHARED_FROM_S = 20 * 60;

/** What the first steps of a piece wait for. */
interface ReadyFor {
  /** The visit so far: unloaded, protected, furniture in its place. */
  after: string[];
  /** Hooks go up as soon as a ladder is there and floor and edges are protected. */
  hooksAfter: string[];
}

/**
 * The work on one piece, step after step as its card has it: the frame complete and weighted before any line ties or
 * anything hangs on it, base before fluff before accents before fillers before signs.
 */
export function dressWork(
  worked: WorkedPiece,
  file: JobFile,
  crew: readonly CrewMember[],
  ready: ReadyFor,
): Work[] {
  const { piece, recipe, batches, held } = worked;
  const heat = heatAt(piece, file);
  const blownHere = batches
    .filter((batch) => batch.place === 'site')
    .map((batch) => ownId(piece.id, batch.id));
  const steps = stepsOf(recipe, held);
  const found: Work[] = [];
  let before = ready.after;
  let hooks: string[] = [];
  for (const { stage } of stages) {
    const here = steps.filter((step) => step.stage === stage);
    if (here.length === 0) continue;
    const tasks = here.flatMap((step): Work[] => {
      if (step.cureMin !== undefined) {
        const put = hookWork(worked, step, file, crew, ready.hooksAfter, heat);
        hooks = put.slice(-1).map(({ id }) => id);
        return put;
      }
      const own = (step.after ?? []).map((id) => ownId(piece.id, id));
      // What is blown on the spot is not there for frames and lines, but for whatever comes after.
      const isDressed = stage !== 'frame' && stage !== 'tie' && stage !== 'on-pole';
      return [
        {
          ...stepWork(worked, step, file, crew, heat),
          after: [...new Set([...before, ...own, ...(isDressed ? [...blownHere, ...hooks] : [])])],
        },
      ];
    });
    found.push(...tasks);
    // Hooks take hold while other work goes on; what hangs waits for them by name.
    const waited = tasks.filter(({ id }) => !isHooks(id)).map((task) => task.id);
    if (waited.length > 0) before = waited;
  }
  const isSprayed = recipe.siteWork.some(({ rate }) => rate === 'shine-spray');
  return [...found, ...(isSprayed ? [dryWork(piece, file, before)] : [])];
}

const isHooks = (id: string) => id.endsWith('--hooks') || id.endsWith('--cure');

/** One step as a task, its waits left out. */
function stepWork(
  worked: WorkedPiece,
  step: Step,
  file: JobFile,
  crew: readonly CrewMember[],
  heat: readonly Slowing[],
): Omit<Work, 'after'> {
  const { piece, recipe } = worked;
  const { stage, points } = step;
  const isHigh = isLadderHigh(worked);
  const at = (points ?? []).flatMap(({ ladder }) => ladder ?? []);
  const isLadderWork =
    at.length > 0 || (isHigh && stage !== 'frame' && stage !== 'tie' && stage !== 'on-pole');
  const needed = effort(step.rate, step.amount, file.workshop);
  const work = slowed(step.byPoints ? withNote(needed, recipe, step.amount, points) : needed, [
    ...(isLadderWork ? [onLadder] : []),
    ...heat,
  ]);
  const pair =
    step.pair ||
    (isHigh && stage === 'hang') ||
    at.some(({ needsSecond }) => needsSecond) ||
    work.seconds > SHARED_FROM_S;
  const hands = pair ? Math.min(2, crew.length) : 1;
  return {
    id: ownId(piece.id, step.id),
    label: `${piece.name}: ${step.label}${step.byPoints && points ? hangingWords(points) : ''}`,
    place: 'site',
    stage,
    ...(mayLeaveOut(stage) ? { mayBeLeftOut: true } : {}),
    ...shared(work, hands),
    hands,
    ways: otherWays(work, hands, pair ? hands : 1, Math.min(3, crew.length)),
    ...(isLadderWork ? { ladders: at.length > 0 ? namesOf(at) : laddersOf(worked, file) } : {}),
    // Whoever goes up is trusted on a ladder: where a point is reached from none else, nobody without is taken.
    skills: isLadderWork && (at.length > 0 || isTrusted(crew)) ? ['ladder'] : [],
    gear: [],
    ...(stage === 'tie' && isStaked(worked) ? { noise: 'drilling' as const } : {}),
    pieceId: piece.id,
    cautions: [
      ...(isLadderWork ? ['ladder'] : []),
      ...(stage === 'frame' || stage === 'tie' ? frameCautions(step.rate) : []),
    ],
  };
}

/** Whether its lines go to stakes, which are hammered in. */
const isStaked = ({ held }: WorkedPiece): boolean =>
  held?.tieLines.some(({ anchor }) => anchor === STAKE) ?? false;

/**
 * Whether a piece is dressed from a ladder: where its top is out of reach, unless it hangs from points that all are in
 * reach, as over treads that one stands on. What hangs low from a bar high up is hung from a ladder and dressed without.
 */
export function isLadderHigh({ recipe, held }: WorkedPiece): boolean {
  const points = held?.points ?? [];
  const isInReach = points.length > 0 && points.every(({ ladder, trouble }) => !ladder && !trouble);
  return !isInReach && handsM(recipe) > REACH_M;
}

/** The ladders of a piece's points, by id, each once; of one without, that from which its top is reached, if any is. */
export function laddersOf({ recipe, held }: WorkedPiece, file: JobFile): string[] {
  const points = held?.points ?? [];
  if (points.length > 0) return namesOf(points.flatMap(({ ladder }) => ladder ?? []));
  const ladder = ladderFor(handsM(recipe), file);
  return ladder && !('trouble' in ladder) ? [ladder.id] : [];
}

const namesOf = (ladders: readonly { id: string }[]): string[] => [...new Set(ladders.map(({ id }) => id))];

const isTrusted = (crew: readonly CrewMember[]) => crew.some(({ skills }) => skills.includes('ladder'));

/** A shine spray dries while other work goes on; nobody touches the piece meanwhile. */
function dryWork(piece: Piece, file: JobFile, after: string[]): Work {
  const { minutes, working: dries } = dryingOf(piece, file);
  return {
    id: ownId(piece.id, 'dry'),
    label: `${piece.name}: the shine dries, hands off`,
    place: 'site',
    stage: 'finish',
    minutes,
    spread: threePoint(minutes, 1, 1),
    hands: 0,
    skills: [],
    gear: [],
    pieceId: piece.id,
    after,
    cautions: [],
    working: [dries],
  };
}

/** Hooks that stick are put up as early as they may and left alone for their hour; nobody waits by them. */
function hookWork(
  { piece }: WorkedPiece,
  step: Step,
  file: JobFile,
  crew: readonly CrewMember[],
  after: string[],
  heat: readonly Slowing[],
): Work[] {
  const { cureMin = 0 } = step;
  const at = (step.points ?? []).flatMap(({ ladder }) => ladder ?? []);
  const isHigh = at.length > 0;
  const put: Work = {
    id: ownId(piece.id, step.id),
    label: `${piece.name}: ${step.label}`,
    place: 'site',
    stage: step.stage,
    ...shared(
      slowed(effort(step.rate, step.amount, file.workshop), [...(isHigh ? [onLadder] : []), ...heat]),
      1,
    ),
    hands: isHigh ? Math.min(2, crew.length) : 1,
    ladders: namesOf(at),
    skills: isHigh ? ['ladder'] : [],
    gear: [],
    pieceId: piece.id,
    after,
    cautions: isHigh ? ['ladder'] : [],
  };
  const cure: Work = {
    id: ownId(piece.id, 'cure'),
    label: `${piece.name}: hooks take hold, nothing on them yet`,
    place: 'site',
    stage: step.stage,
    minutes: cureMin,
    spread: threePoint(cureMin, 1, 1),
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

/** How many points, and which section goes up first where there are several. */
function hangingWords(points: readonly HoldPoint[]): string {
  const line = points.filter(({ method }) => method !== 'foot-peg');
  const [first = 0, ...others] = sectionOrder(line).order;
  return `, ${plural(line.length, 'point')}${others.length > 0 ? `, section ${first + 1} first` : ''}`;
}

/** Says where the number of points comes from, and in which order the sections go up. */
function withNote(work: Effort, recipe: Recipe, amount: number, held: readonly HoldPoint[] = []): Effort {
  const line = held.filter(({ method }) => method !== 'foot-peg');
  const sections = sectionOrder(line);
  const points = working(
    'Attachment points',
    'as *Holds* finds them, less what was set beforehand; else one about every 2 ft, three at least',
    [
      ['L', recipe.lengthM, 'm'],
      ['points', line.length > 0 ? line.length : amount],
    ],
    { value: amount, unit: 'points' },
    COMMON_PRACTICE,
  );
  const inOrder = sections.order.length > 1 ? [sections.working] : [];
  return { ...work, working: [points, ...inOrder, ...work.working] };
}
