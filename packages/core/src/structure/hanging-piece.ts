import type { HoldPiece, JobFile, Piece, Spot } from '@early-lantern/contract';
import { dynamicPressure, speedOf } from '../air/wind.ts';
import { garlandLine, nearestAlong } from '../fixing/garland-line.ts';
import { hangGarland } from '../fixing/hanging.ts';
import { countOf } from '../piece/attachments.ts';
import type { Recipe } from '../piece/recipe.ts';
import { carryingOf } from '../support/parts.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { blank } from './blank-piece.ts';
import { gustAt, gustLevels, isOutdoors, rulesOf } from './gust-at.ts';
import { type CarriedLoad, carriedWorking } from './handed-down.ts';
import type { PieceMass } from './mass.ts';

/** Points along its line; on what, where that is another piece. */
function pointsWords({ on }: Piece, file: JobFile): string {
  const carrying = carryingOf(on, file.job.pieces);
  return carrying ? `points on ${carrying.carrier.name}` : 'points along its line';
}

/** What follows when the most loaded point lets go, its section then left with a factor. */
function followsFrom(factor: number, index: number): string {
  const which = `If point ${index + 1} lets go, `;
  if (factor < 1) return `${which}its neighbours cannot bear the rest: the section comes down.`;
  return `${which}its neighbours still hold, with a factor of ${Math.min(99, factor).toFixed(1)}.`;
}

/** What hangs from points along its line: each point's factor with weight down and wind across. */
export function hangingPiece(
  piece: Extract<Piece, { kind: 'organic-garland' }>,
  spot: Spot,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
  carried: readonly CarriedLoad[],
): HoldPiece {
  const rules = rulesOf(file);
  const { gustMs, source } = gustAt(spot, file);
  const pressure = dynamicPressure(isOutdoors(spot, file) ? gustMs : 0);
  const onIt = [
    ...(piece.attachments ?? []).map((one) => ({ at: one.at, massKg: countOf(one) * one.massKg })),
    ...carried.map((one) => ({
      at: nearestAlong(piece, spot, { xM: one.xM, yM: one.yM }),
      massKg: one.massKg,
    })),
  ];
  const hung = hangGarland(piece, spot, file, rules, recipe.cuts ?? [], mass.dressingKg, onIt);
  const onItKg = onIt.reduce((sum, { massKg }) => sum + massKg, 0);
  const points = hung.points.map((point) => {
    // Weight down and wind across meet at right angles.
    const loadN = Math.hypot(point.loadN, point.windNPerPa * pressure);
    return { ...point, factor: Math.min(99, point.ratingN / Math.max(1e-9, loadN)) };
  });
  const worst = points.reduce<(typeof points)[number] | undefined>(
    (a, b) => (a && a.factor <= b.factor ? a : b),
    undefined,
  );
  const line = garlandLine(piece, spot);
  const overhead = points.filter(({ at }) => line.isOverhead(at * line.lengthM));
  const leftWithout = (id: string) => hung.ifGone.get(id)?.() ?? Infinity;
  const gustAtFactor = (factor: number) =>
    Math.min(
      ...hung.points.map(({ ratingN, loadN, windNPerPa }) => {
        if (windNPerPa === 0) return Infinity;
        const across = (ratingN / factor) ** 2 - loadN ** 2;
        return across <= 0 ? 0 : speedOf(Math.sqrt(across) / windNPerPa);
      }),
    );
  const takeDown = gustAtFactor(rules.hookFactor);
  return {
    ...blank(piece, hung.points.length ? pointsWords(piece, file) : 'nothing yet', mass.dressingKg + onItKg),
    safetyFactor: worst?.factor ?? null,
    required: rules.hookFactor,
    governing: worst ? 'the most loaded point' : '',
    ...gustLevels(gustAtFactor(1), takeDown),
    points,
    ...(worst
      ? { weakest: { pointId: worst.id, follows: followsFrom(leftWithout(worst.id), points.indexOf(worst)) } }
      : {}),
    troubles: hung.troubles,
    risks: overhead.some(({ id }) => leftWithout(id) < 1)
      ? [
          `${piece.name}: if one point overhead lets go, the next follows; one more beside it would hold. Nothing above people on an unrated point.`,
        ]
      : [],
    notes: [...(hung.isProven ? [] : ['Fewer points might do: not all choices were looked at.'])],
    working: [
      ...mass.working,
      ...carriedWorking(carried),
      ...(worst
        ? [
            working(
              'Safety factor of the most loaded point',
              'rating / √(weight² + wind²); weight as a stiff beam or a limp string, whichever is more',
              [
                ['rating', worst.ratingN, 'N'],
                ['weight', worst.loadN, 'N'],
                ['wind', worst.windNPerPa * pressure, 'N'],
                ['required', rules.hookFactor],
              ],
              { value: worst.factor },
              `three-moment equations of Clapeyron; ${source}`,
            ),
          ]
        : []),
      working(
        'Points',
        'fewest that keep span, ends and load; three upright, about every 2 ft overhead',
        [['sections', recipe.sections.length]],
        { value: points.length, unit: 'points' },
        COMMON_PRACTICE,
      ),
    ],
  };
}
