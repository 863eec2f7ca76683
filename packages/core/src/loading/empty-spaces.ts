import { boxesMeet, type PlacedBox } from './cargo.ts';

/** An empty box of the vehicle of which every place on its floor carries. */
export interface EmptySpace extends PlacedBox {
  /** The block it lies on; -1 for the floor of the vehicle or what is built in. */
  on: number;
}

const isInside = (a: PlacedBox, b: PlacedBox): boolean =>
  a.x >= b.x &&
  a.y >= b.y &&
  a.z >= b.z &&
  a.x + a.l <= b.x + b.l &&
  a.y + a.w <= b.y + b.w &&
  a.z + a.h <= b.z + b.h;

/** What is left of a space beside a box that reaches into it: as large as may be, so that they overlap each other. */
function leftOf(space: EmptySpace, box: PlacedBox): EmptySpace[] {
  const { x, y, z, l, w, h } = space;
  const left: EmptySpace[] = [];
  if (box.x > x) left.push({ ...space, l: box.x - x });
  if (box.x + box.l < x + l) left.push({ ...space, x: box.x + box.l, l: x + l - box.x - box.l });
  if (box.y > y) left.push({ ...space, w: box.y - y });
  if (box.y + box.w < y + w) left.push({ ...space, y: box.y + box.w, w: y + w - box.y - box.w });
  // Under a box that hangs over; over it only what stands on it.
  if (box.z > z) left.push({ ...space, h: box.z - z });
  return left.filter((one) => one.l > 0 && one.w > 0 && one.h > 0 && h > 0);
}

/**
 * The empty spaces after a box has been put among them.
 * @param top the space on it, where anything may stand there
 */
export function without(
  spaces: readonly EmptySpace[],
  box: PlacedBox,
  top: EmptySpace | undefined,
): EmptySpace[] {
  const kept: EmptySpace[] = [];
  const cut: EmptySpace[] = [];
  for (const space of spaces) {
    if (boxesMeet(space, box)) cut.push(...leftOf(space, box));
    else kept.push(space);
  }
  if (top && top.h > 0) cut.push(top);
  return keepLargest(kept, cut);
}

/**
 * The same where things may lie across what is below them: the space over a box is as wide as that of which it is a part.
 * @param least no space is kept that is narrower than this any way
 */
export function withoutAcross(spaces: readonly EmptySpace[], box: PlacedBox, least: number): EmptySpace[] {
  const kept: EmptySpace[] = [];
  const cut: EmptySpace[] = [];
  for (const space of spaces) {
    if (!boxesMeet(space, box)) kept.push(space);
    else {
      const z = box.z + box.h;
      cut.push(...leftOf(space, box), { ...space, z, h: space.z + space.h - z });
    }
  }
  return keepLargest(
    kept,
    cut.filter(({ l, w, h }) => l >= least && w >= least && h >= least),
  );
}

/** The spaces with those cut anew, but for the ones that lie inside others. */
function keepLargest(kept: EmptySpace[], cut: readonly EmptySpace[]): EmptySpace[] {
  // A part of another space with the same floor is no space of its own.
  for (const one of cut) {
    const isPart = (other: EmptySpace) =>
      other !== one &&
      isInside(one, other) &&
      !(isInside(other, one) && cut.indexOf(other) > cut.indexOf(one));
    if (!kept.some((other) => isInside(one, other)) && !cut.some(isPart)) kept.push(one);
  }
  return kept;
}
