import {
  boxesMeet,
  type Cargo,
  type CargoSpace,
  goesIn,
  type Loaded,
  planOverlap,
  waysToLie,
} from './cargo.ts';

/** Of its base so much has to stand on something. Common practice, no source. */
const LEAST_SUPPORT = 0.75;
/** A bag of balloons gives: what it lies on may come short of it by so much, mm. From memory. */
const BAG_GIVES = 150;

/** A rule that a load breaks. */
interface Violation {
  rule: 'known' | 'inside' | 'overlap' | 'support' | 'way' | 'door' | 'bears' | 'soft' | 'payload' | 'order';
  id: string;
  with?: string;
}

/**
 * Every rule that a load breaks: written apart from the search, so that each checks the other.
 * @param loaded in the order of loading
 */
export function violationsOf(
  loaded: readonly Loaded[],
  cargo: readonly Cargo[],
  space: CargoSpace,
): Violation[] {
  const byId = new Map(cargo.map((one) => [one.id, one]));
  const found: Violation[] = [];
  const seen = new Set<string>();
  for (const box of loaded) {
    const one = byId.get(box.id);
    if (!one || seen.has(box.id)) {
      found.push({ rule: 'known', id: box.id });
      continue;
    }
    seen.add(box.id);
    const isInside =
      box.x >= 0 &&
      box.y >= 0 &&
      box.z >= 0 &&
      box.x + box.l <= space.l &&
      box.y + box.w <= space.w &&
      box.z + box.h <= space.h &&
      !space.blocked.some((block) => boxesMeet(block, box));
    if (!isInside) found.push({ rule: 'inside', id: box.id });
    if (!waysToLie(one).some(({ l, w, h }) => l === box.l && w === box.w && h === box.h))
      found.push({ rule: 'way', id: box.id });
    if (!goesIn(one, space.door)) found.push({ rule: 'door', id: box.id });
    if (supportOf(box, loaded, space, one.isSoft ? BAG_GIVES : 0) < LEAST_SUPPORT)
      found.push({ rule: 'support', id: box.id });
  }
  loaded.forEach((a, i) => {
    for (const b of loaded.slice(i + 1)) {
      if (boxesMeet(a, b)) found.push({ rule: 'overlap', id: a.id, with: b.id });
      const [stopA, stopB] = [byId.get(a.id)?.stop ?? 0, byId.get(b.id)?.stop ?? 0];
      if (stopA < stopB && isInTheWayOf(b, a)) found.push({ rule: 'order', id: a.id, with: b.id });
      for (const [over, under] of [
        [a, b],
        [b, a],
      ] as const)
        if (byId.get(under.id)?.isSoft && !byId.get(over.id)?.isSoft && standsOn(over, under))
          found.push({ rule: 'soft', id: over.id, with: under.id });
      if (stopB < stopA && isInTheWayOf(a, b)) found.push({ rule: 'order', id: b.id, with: a.id });
    }
  });
  for (const { id, loadG } of loadsOn(loaded, byId))
    if (loadG > (byId.get(id)?.bearsG ?? 0) * (1 + 1e-9)) found.push({ rule: 'bears', id });
  const massG = loaded.reduce((sum, { id }) => sum + (byId.get(id)?.massG ?? 0), 0);
  if (massG > space.payloadG) found.push({ rule: 'payload', id: loaded.at(-1)?.id ?? '' });
  return found;
}

/** Share of a box's base that stands on the floor, on what is built in, or on other things. */
function supportOf(box: Loaded, loaded: readonly Loaded[], space: CargoSpace, gives: number): number {
  if (box.z <= gives) return 1;
  const under = [...loaded.filter(({ id }) => id !== box.id), ...space.blocked].filter(
    (other) => other.z + other.h <= box.z && other.z + other.h >= box.z - gives,
  );
  return under.reduce((sum, other) => sum + planOverlap(box, other), 0) / (box.l * box.w);
}

/** Whether one box lies on another, with any part of its base. */
const standsOn = (over: Loaded, under: Loaded): boolean =>
  over.z > 0 && over.z === under.z + under.h && planOverlap(over, under) > 0;

/** Whether one box stands between another and the door, or lies on it. */
function isInTheWayOf(other: Loaded, box: Loaded): boolean {
  const across = (a: number, aLong: number, b: number, bLong: number) => a < b + bLong && b < a + aLong;
  const isBeside = across(box.y, box.w, other.y, other.w);
  const isBefore = other.x >= box.x + box.l && isBeside && across(box.z, box.h, other.z, other.h);
  const isAbove = other.z >= box.z + box.h && isBeside && across(box.x, box.l, other.x, other.l);
  return isBefore || isAbove;
}

/** Whether a thing's top comes up to another's bottom, or near enough. */
const isUnder = (other: Loaded, box: Loaded, gives: number): boolean =>
  box.z > 0 && other.id !== box.id && other.z + other.h <= box.z && other.z + other.h >= box.z - gives;

/** What lies on each thing in all, g: each hands its own and what is on it down, by the area it stands on. */
function loadsOn(
  loaded: readonly Loaded[],
  byId: ReadonlyMap<string, Cargo>,
): { id: string; loadG: number }[] {
  const load = new Map<string, number>();
  for (const box of [...loaded].sort((a, b) => b.z - a.z)) {
    const allG = (byId.get(box.id)?.massG ?? 0) + (load.get(box.id) ?? 0);
    const under = loaded
      .map((other) => ({
        other,
        area: isUnder(other, box, byId.get(box.id)?.isSoft ? BAG_GIVES : 0) ? planOverlap(box, other) : 0,
      }))
      .filter(({ area }) => area > 0);
    const whole = under.reduce((sum, { area }) => sum + area, 0);
    for (const { other, area } of under)
      load.set(other.id, (load.get(other.id) ?? 0) + (allG * area) / whole);
  }
  return [...load].map(([id, loadG]) => ({ id, loadG }));
}
