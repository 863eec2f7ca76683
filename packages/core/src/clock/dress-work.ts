import type { CrewMember, HoldPiece, JobFile, Piece, WorkshopSettings } from '@early-lantern/contract';
import { type Effort, effort } from '../bench/rates.ts';
import { methodOf } from '../fixing/methods.ts';
import { sectionOrder } from '../fixing/section-order.ts';
import type { Recipe, SiteWork } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { dryingOf, heatAt, onLadder, type Slowing, slowed } from './conditions.ts';
import { otherWays, ownId, REACH_M, STAGES, said, shared, type Work, type WorkedPiece } from './work.ts';

/** On-site work longer than this is shared by two where there are two. */
const SHARED_FROM_S = 20 * 60;

/**
 * The work on one piece, stage after stage: the frame complete and weighted before any line ties or anything hangs on
 * it, base before
 * fluff before accents before fillers.
 */
export function dressWork(
  worked: WorkedPiece,
  file: JobFile,
  crew: readonly CrewMember[],
  after: string[],
  hooksAfter: string[],
): Work[] {
  const { piece, recipe, batches, held } = worked;
  const settings = file.workshop;
  const heat = heatAt(piece, file);
  const isHigh = recipe.topM > REACH_M;
  const blownHere = batches
    .filter((batch) => batch.place === 'site')
    .map((batch) => ownId(piece.id, batch.id));
  const ladders = [...new Set((held?.points ?? []).flatMap(({ ladder }) => ladder?.id ?? []))];
  const found: Work[] = [];
  let before = after;
  const hooks = hookWork(worked, settings, crew, hooksAfter, heat);
  for (const stage of STAGES) {
    const here = recipe.siteWork.filter((work) => work.stage === stage);
    if (here.length === 0) continue;
    const isLadderWork = isHigh && stage !== 'frame' && stage !== 'tie';
    const slowings = [...(isLadderWork ? [onLadder] : []), ...heat];
    const tasks = here.map((one): Work => {
      // A garland's points are those that were found to hold it, where they were.
      const isHung = stage === 'hang' && piece.kind === 'organic-garland';
      const points = (isHung && held?.points.length) || one.amount;
      const needed = effort(one.rate, isHung ? points : one.amount, settings);
      const work = slowed(isHung ? withNote(needed, recipe, points, held?.points) : needed, slowings);
      const pair = one.pair || (isHigh && stage === 'hang') || work.seconds > SHARED_FROM_S;
      const hands = pair ? Math.min(2, crew.length) : 1;
      return {
        id: ownId(piece.id, one.id),
        label: `${piece.name}: ${one.label}${isHung ? hangingWords(points, held?.points) : ''}`,
        place: 'site',
        ...shared(work, hands),
        hands,
        ways: otherWays(work, hands, pair ? hands : 1, Math.min(3, crew.length)),
        ...(isLadderWork ? { ladders } : {}),
        skills: isLadderWork && crew.some((member) => member.skills.includes('ladder')) ? ['ladder'] : [],
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
          ...(isLadderWork ? ['ladder'] : []),
          ...(stage === 'frame' || stage === 'tie' ? frameCautions(one.rate) : []),
        ],
      };
    });
    found.push(...tasks);
    before = tasks.map((task) => task.id);
  }
  const isSprayed = recipe.siteWork.some(({ rate }) => rate === 'shine-spray');
  return [...hooks, ...found, ...(isSprayed ? [dryWork(piece, file, before)] : [])];
}

/** A shine spray dries while other work goes on; nobody touches the piece meanwhile. */
function dryWork(piece: Piece, file: JobFile, after: string[]): Work {
  const { minutes, working: dries } = dryingOf(piece, file);
  return {
    id: ownId(piece.id, 'dry'),
    label: `${piece.name}: the shine dries, hands off`,
    place: 'site',
    minutes,
    spread: said(minutes, 1, 1),
    hands: 0,
    skills: [],
    gear: [],
    pieceId: piece.id,
    after,
    cautions: [],
    working: [dries],
  };
}

/** Hooks that stick are put up first and left alone for their hour, while other work goes on; nobody waits by them. */
function hookWork(
  { piece, recipe, held }: WorkedPiece,
  settings: WorkshopSettings,
  crew: readonly CrewMember[],
  after: string[],
  heat: readonly Slowing[],
): Work[] {
  const hooks = (held?.points ?? [])
    .map(({ method }) => methodOf(method))
    .filter(({ cureMin }) => cureMin > 0);
  const cureMin = Math.max(0, ...hooks.map((method) => method.cureMin));
  if (cureMin === 0) return [];
  const isHigh = recipe.topM > REACH_M;
  const put: Work = {
    id: ownId(piece.id, 'hooks'),
    label: `${piece.name}: clean, stick and press ${plural(hooks.length, 'hook')}`,
    place: 'site',
    ...shared(
      slowed(effort('adhesive-hook', hooks.length, settings), [...(isHigh ? [onLadder] : []), ...heat]),
      1,
    ),
    hands: isHigh ? Math.min(2, crew.length) : 1,
    ladders: [...new Set((held?.points ?? []).flatMap(({ ladder }) => ladder?.id ?? []))],
    skills: isHigh && crew.some((member) => member.skills.includes('ladder')) ? ['ladder'] : [],
    gear: [],
    pieceId: piece.id,
    after,
    cautions: isHigh ? ['ladder'] : [],
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

/** How many points, and which section goes up first where there are several. */
function hangingWords(count: number, points: HoldPiece['points'] = []): string {
  const [first = 0, ...others] = sectionOrder(points).order;
  return `, ${plural(count, 'point')}${others.length > 0 ? `, section ${first + 1} first` : ''}`;
}

/** Says where the number of points comes from, and in which order the sections go up. */
function withNote(work: Effort, recipe: Recipe, count: number, held: HoldPiece['points'] = []): Effort {
  const sections = sectionOrder(held);
  const points = working(
    'Attachment points',
    'as *Holds* finds them; else one about every 2 ft, three at least',
    [['L', recipe.lengthM, 'm']],
    { value: count, unit: 'points' },
    COMMON_PRACTICE,
  );
  const inOrder = sections.order.length > 1 ? [sections.working] : [];
  return { ...work, working: [points, ...inOrder, ...work.working] };
}
