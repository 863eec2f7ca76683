import type { Fixing, KeepClear, Site, Spot, Surface } from '@early-lantern/contract';
import { type Box, distanceToBox } from '../geometry/box.ts';
import type { Place } from './methods.ts';

interface At {
  xM: number;
  yM: number;
}

/** How far beside a nail or branch a garland may be tied to it, m. From memory, an editable default. */
const BESIDE_M = 0.35;
/** Longest line let down from a beam, rod or frame, m. From memory, an editable default. */
const DROP_M = 2.5;

/** Spots that can be tied round anywhere: a trunk, a banister, a fence's rail, a stand's bar. */
const tiedAnywhere: Partial<Record<Spot['kind'], Fixing['kind']>> = {
  tree: 'branch',
  stair: 'frame',
  fence: 'frame',
  'backdrop-stand': 'frame',
};

/** Spots that are no surface: nothing sticks to air. */
const hasSurface = (spot: Spot) => spot.kind !== 'open-floor' && spot.kind !== 'table';

/** The surface of a spot at a point, its regions counted. */
const surfaceAt = (spot: Spot, { xM, yM }: At): Surface =>
  (spot.regions ?? []).find((region) => isIn(region, { xM, yM }))?.surface ?? spot.surface;

const isIn = (area: { xM: number; yM: number; widthM: number; heightM: number }, { xM, yM }: At) =>
  xM >= area.xM && xM <= area.xM + area.widthM && yM >= area.yM && yM <= area.yM + area.heightM;

/** What is there to fix to within reach of a point: near by, or above it on a line let down. */
function fixingNear(spot: Spot, { xM, yM }: At): Fixing | undefined {
  const near = (spot.fixings ?? []).filter((one) => {
    const alongX = Math.max(one.xM - xM, xM - one.xM - one.lengthM, 0);
    const below = one.yM - yM;
    if (one.lengthM > 0) return alongX <= 0.05 && below >= -BESIDE_M && below <= DROP_M;
    return Math.hypot(alongX, below) <= BESIDE_M;
  });
  return near.sort((a, b) => Math.abs(a.yM - yM) - Math.abs(b.yM - yM))[0];
}

/** Where a point is asked about: its surface or what is there to fix to, and what spoils or forbids. */
export function placeAt(spot: Spot, site: Site, at: At): Place & { fixingId?: string } {
  const fixing = fixingNear(spot, at);
  const isOutdoors = !(spot.indoors ?? site.indoors);
  return {
    surface: surfaceAt(spot, at),
    // A ceiling's surface is up at its top: a line is let down from it, so far and no further.
    isAir: !hasSurface(spot) || (spot.kind === 'ceiling-run' && spot.heightM - at.yM > DROP_M),
    fixing: fixing?.kind ?? tiedAnywhere[spot.kind],
    // What hangs under a ceiling peels its hooks off; down a wall, however level it runs, it shears them.
    isOverhead: spot.kind === 'ceiling-run',
    isOutdoors,
    conditions: spot.conditions ?? [],
    forbids: site.forbids ?? [],
    ...(fixing ? { fixingId: fixing.id } : {}),
  };
}

/** Nothing within this of a sprinkler's deflector, below it: 18 in. NFPA 13. */
const SPRINKLER_M = 0.4572;
/** Clear of heat and flame. From memory, an editable default. */
const HEAT_M = 0.9;

/** A sprinkler covers so far to each side, m: sprinklers stand up to 15 ft apart in light hazard. NFPA 13. */
const SPRINKLER_COVERS_M = 2.286;

const margins: Record<KeepClear['kind'], { aroundM: number; belowM: number }> = {
  exit: { aroundM: 0, belowM: 0 },
  sign: { aroundM: 0, belowM: 0 },
  sprinkler: { aroundM: SPRINKLER_COVERS_M, belowM: SPRINKLER_M },
  alarm: { aroundM: 0.1, belowM: 0.1 },
  extinguisher: { aroundM: 0, belowM: 0 },
  heater: { aroundM: HEAT_M, belowM: HEAT_M },
  candle: { aroundM: HEAT_M, belowM: 0.3 },
  walkway: { aroundM: 0, belowM: 0 },
  'power-line': { aroundM: 3, belowM: 3 },
};

/** The zone with what must stay free round it: at any distance from the wall where its own is not said. */
export function keptClear(zone: KeepClear): Box {
  const { aroundM, belowM } = margins[zone.kind];
  const outM = reachOut(zone);
  return {
    from: { x: zone.xM - aroundM, y: zone.yM - belowM, z: outM.from - aroundM },
    to: { x: zone.xM + zone.widthM + aroundM, y: zone.yM + zone.heightM + aroundM, z: outM.to + aroundM },
  };
}

/** From back to front, m out from the wall. */
interface Depths {
  from: number;
  to: number;
}

/** Further from any wall than anything is. */
const ANYWHERE: Depths = { from: -1000, to: 1000 };

/** How far from the wall a zone begins and ends, m; a door needs as much as its leaf sweeps. */
function reachOut({ frontM = 0, depthM, swing, widthM }: KeepClear): Depths {
  if (depthM === undefined) return ANYWHERE;
  const leafM = swing ? leafOf({ swing, widthM }) : 0;
  return { from: frontM, to: Math.max(frontM + depthM, leafM) };
}

/** Width of a door's leaf, m: of two leaves each takes half the opening. */
export const leafOf = ({ swing, widthM }: Pick<KeepClear, 'swing' | 'widthM'>): number =>
  swing === 'both' ? widthM / 2 : widthM;

/** How deep a ball of a piece that is so far from the wall reaches into a zone kept clear, m; 0 where it stays out. */
export function intrusion(zone: KeepClear, { xM, yM }: At, radiusM: number, out = ANYWHERE): number {
  const box = keptClear(zone);
  // Somewhere between its piece's back and front: where that comes nearest.
  const z = Math.min(out.to, Math.max(out.from, box.from.z));
  return Math.max(0, radiusM - distanceToBox({ x: xM, y: yM, z }, box));
}

/** A way that people walk is clear by this much at least, m: 36 in. ADA 2010 Standards, 403.5.1. */
const WALKWAY_M = 0.9144;

/** How wide a walkway is drawn, m: across the way one walks, the shorter of its sides. */
export const walkwayM = ({ widthM, depthM = Infinity }: KeepClear): number => Math.min(widthM, depthM);

/** Whether a zone is a walkway drawn narrower than one may be. */
export const isTooNarrow = (zone: KeepClear): boolean =>
  zone.kind === 'walkway' && walkwayM(zone) < WALKWAY_M - 1e-3;

/** What is said when something stands in a zone kept clear. */
export const clearWords: Record<KeepClear['kind'], string> = {
  exit: 'the way out must stay free',
  sign: 'the sign must be seen',
  sprinkler: 'nothing within 18 in. below a sprinkler in the area that it covers (NFPA 13)',
  alarm: 'the alarm must be seen and reached',
  extinguisher: 'the extinguisher must be reached',
  heater: 'too near to heat',
  candle: 'too near to flame',
  walkway: 'people walk there',
  'power-line': 'too near to an overhead line',
};
