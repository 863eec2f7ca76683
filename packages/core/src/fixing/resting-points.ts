import type { HoldPoint } from '@early-lantern/contract';
import { bestMethod, methodOf, ratingAt, refusal } from './methods.ts';
import { placeAt } from './place.ts';
import type { Asked } from './where-to-fix.ts';

/** On grass the foot is pulled down by a nail and a 260, so that it lies flush. Common practice, no source. */
export function footPeg({ piece, spot, file, line }: Asked): HoldPoint[] {
  const isOnGrass = spot.floor === 'grass' && (line.restsM > 0 || (piece.tailM ?? 0) > 0);
  if (!isOnGrass || (file.site.forbids ?? []).includes('stakes')) return [];
  const { xM, yM } = line.at(0);
  return [
    {
      id: 'foot',
      spotXYM: { xM: Number(xM.toFixed(3)), yM: Number(yM.toFixed(3)) },
      at: 0,
      section: 0,
      method: 'foot-peg',
      surface: spot.surface,
      loadN: 0,
      windNPerPa: 0,
      ratingN: methodOf('foot-peg').ratingN,
      factor: 99,
      isLocked: false,
    },
  ];
}

/** Points set by hand where the garland lies on the floor: they are kept and checked, and bear next to nothing. */
export function lyingPoints({ piece, spot, file, line }: Asked): { points: HoldPoint[]; troubles: string[] } {
  const points = (piece.hold?.points ?? []).flatMap(({ id, at, method }): HoldPoint[] => {
    const along = at * line.lengthM;
    if (along >= Math.min(line.restsM, line.lengthM)) return [];
    const { xM, yM } = line.at(along);
    const place = placeAt(spot, file.site, { xM, yM });
    const chosen = method ?? bestMethod(place, file.workshop)?.method ?? 'tie';
    const trouble = refusal(chosen, place);
    return [
      {
        id,
        spotXYM: { xM: Number(xM.toFixed(3)), yM: Number(yM.toFixed(3)) },
        at,
        section: 0,
        method: chosen,
        surface: place.surface,
        ...(place.fixingId ? { fixing: place.fixingId } : {}),
        loadN: 0,
        windNPerPa: 0,
        ratingN: trouble ? 0 : ratingAt(chosen, place, file.workshop),
        factor: trouble ? 0 : 99,
        isLocked: true,
        ...(trouble ? { trouble } : {}),
      },
    ];
  });
  return {
    points,
    troubles: points.flatMap(({ trouble }) =>
      trouble ? [`${piece.name}, where it lies on the floor: ${trouble}.`] : [],
    ),
  };
}
