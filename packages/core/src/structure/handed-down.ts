import type { JobFile, Piece, Working } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { attachedKg } from '../piece/attachments.ts';
import { kindOf, traitsOf } from '../piece/kinds.ts';
import { flatness } from '../piece/organic-law.ts';
import type { Area } from '../piece/part.ts';
import type { Placement } from '../piece/placement.ts';
import { placementOf, recipeOf } from '../piece/recipe-of.ts';
import { sumOf } from '../quantity/group.ts';
import { carriedBy, shareOn } from '../support/carried.ts';
import { outside, partsOf } from '../support/parts.ts';
import { working } from '../working.ts';
import type { Carrier } from './carrier.ts';
import { massOf } from './mass.ts';

/** What a piece that is carried asks of its carrier, all that hangs on it in turn included. */
export interface CarriedLoad {
  name: string;
  massKg: number;
  /** Where its weight and the wind on it act, on the elevation, m. */
  xM: number;
  yM: number;
  /** Outline that the wind meets, m², drag and solidity counted in, less what the carrier keeps the wind from. */
  dragFrontM2: number;
  dragSideM2: number;
}

/** Every load that is handed down to a piece by what it carries, and by what that carries. */
export function carriedOn(carrier: Piece, file: JobFile): CarriedLoad[] {
  const { pieces } = file.job;
  // Of several tables alike each bears its share.
  const alike = Math.max(1, ...partsOf(carrier).map((part) => part.alike ?? 1));
  return carriedBy(carrier.id, pieces).flatMap((piece): CarriedLoad[] => {
    const share = shareOn(piece, carrier.id, pieces) / alike;
    // What is only joined to it hangs on points of its own.
    if (share === 0) return [];
    const own = ownLoad(piece, carrier, file);
    const above = carriedOn(piece, file);
    return [own, ...above].map((load) => ({
      ...load,
      massKg: load.massKg * share,
      dragFrontM2: load.dragFrontM2 * share,
      dragSideM2: load.dragSideM2 * share,
    }));
  });
}

function ownLoad(piece: Piece, carrier: Piece, file: JobFile): CarriedLoad {
  const recipe = recipeOf(piece, file.workshop.schools);
  const { dressingKg, gearKg } = massOf(recipe);
  const placed = placementOf(piece, file.workshop.schools);
  const middle = middleOf(placed);
  const frontM2 =
    DRAG * (kindOf(piece).outlineM2?.(piece, recipe) ?? SOLID * recipe.visibleWidthM * recipe.lengthM);
  return {
    name: piece.name,
    massKg: dressingKg + gearKg + attachedKg(piece) + furnitureKg(piece),
    xM: middle.x,
    yM: middle.y,
    dragFrontM2: frontM2 * (1 - hiddenShare(placed, carrier)),
    dragSideM2: frontM2 * flatness('wall') * 0.5,
  };
}

const furnitureKg = (piece: Piece) =>
  sumOf(traitsOf(piece).furniture.map(({ count, massKg }) => count * massKg));

/** The middle of what is drawn: balloons by their volume; where there are none, boxes by their area. */
function middleOf({ balloons, shapes }: Placement): { x: number; y: number } {
  const lumps =
    balloons.length > 0
      ? balloons.map(({ xM, yM, rM }) => ({ x: xM, y: yM, w: rM ** 3 }))
      : shapes.flatMap((one) =>
          one.shape === 'box'
            ? [{ x: one.xM + one.widthM / 2, y: one.yM + one.heightM / 2, w: one.widthM * one.heightM }]
            : [],
        );
  const all = lumps.reduce((sum, { w }) => sum + w, 0) || 1;
  return {
    x: lumps.reduce((sum, { x, w }) => sum + x * w, 0) / all,
    y: lumps.reduce((sum, { y, w }) => sum + y * w, 0) / all,
  };
}

/** Of a piece's outline, what lies before its carrier's cloth, boards or panels: there the wind is counted already. */
function hiddenShare({ balloons, shapes }: Placement, carrier: Piece): number {
  const shields = partsOf(carrier).flatMap(({ area, shields: share }) =>
    area && share ? [{ area, share }] : [],
  );
  if (shields.length === 0) return 0;
  const lumps =
    balloons.length > 0
      ? balloons.map(({ xM, yM, rM }) => ({ x: xM, y: yM, w: rM ** 2 }))
      : shapes.flatMap((one) => (one.shape === 'box' ? gridOf(one) : []));
  const all = lumps.reduce((sum, { w }) => sum + w, 0);
  if (all === 0) return 0;
  const hidden = lumps.reduce((sum, at) => {
    const best = Math.max(0, ...shields.map(({ area, share }) => (outside(area, at) === 0 ? share : 0)));
    return sum + at.w * best;
  }, 0);
  return hidden / all;
}

/** A box as a raster of points, so that one that sticks out is hidden only in part. */
function gridOf({ xM, yM, widthM, heightM }: Area): { x: number; y: number; w: number }[] {
  return Array.from({ length: 25 }, (_, i) => ({
    x: xM + (((i % 5) + 0.5) / 5) * widthM,
    y: yM + ((Math.floor(i / 5) + 0.5) / 5) * heightM,
    w: widthM * heightM,
  }));
}

/** The middle of a piece on the floor, as its carrier counts from it: of tables the middle of their tops. */
function footOf(piece: Piece): { xM: number; yM: number } {
  const { xM, yM } = 'at' in piece ? piece.at : { xM: 0, yM: 0 };
  const [left, right] = partsOf(piece).find(({ alike }) => alike)?.lines[0] ?? [];
  return { xM: left && right ? (left.x + right.x) / 2 : xM, yM };
}

/** A carrier with what hangs on it: its weight where it sits, its wind at its height. */
export function withCarried(carrier: Carrier, piece: Piece, carried: readonly CarriedLoad[]): Carrier {
  if (carried.length === 0) return carrier;
  const foot = footOf(piece);
  const floorBelowM = carrier.floorBelowM ?? 0;
  const sum = (value: (load: CarriedLoad) => number) => carried.reduce((all, load) => all + value(load), 0);
  const kg = sum(({ massKg }) => massKg);
  const height = ({ yM }: CarriedLoad) => Math.max(0, yM - foot.yM + floorBelowM);
  const massKg = carrier.massKg + kg;
  const leverKgM = sum((load) => load.massKg * (load.xM - foot.xM));
  const frontM2 = carrier.dragFrontM2 + sum(({ dragFrontM2 }) => dragFrontM2);
  const sideM2 = carrier.dragSideM2 + sum(({ dragSideM2 }) => dragSideM2);
  const ownSideM = carrier.windHeightSideM ?? carrier.windHeightM;
  const mean = (own: number, ownM2: number, moment: number, all: number) =>
    all > 0 ? (own * ownM2 + moment) / all : own;
  return {
    ...carrier,
    massKg,
    xM: massKg > 0 ? (carrier.massKg * carrier.xM + leverKgM) / massKg : carrier.xM,
    dragFrontM2: frontM2,
    dragSideM2: sideM2,
    windHeightM: mean(
      carrier.windHeightM,
      carrier.dragFrontM2,
      sum((load) => load.dragFrontM2 * height(load)),
      frontM2,
    ),
    windHeightSideM: mean(
      ownSideM,
      carrier.dragSideM2,
      sum((load) => load.dragSideM2 * height(load)),
      sideM2,
    ),
    working: [...carrier.working, ...carriedWorking(carried)],
  };
}

/** What hangs on a piece, each load by name. */
export const carriedWorking = (carried: readonly CarriedLoad[]): Working[] =>
  carried.length === 0
    ? []
    : [
        working(
          'Carried',
          'Σ mass of what hangs on it; its wind at its own height, less what is behind it already',
          carried.map(({ name, massKg }) => [name, massKg, 'kg']),
          { value: carried.reduce((sum, { massKg }) => sum + massKg, 0), unit: 'kg' },
          'statics: loads run from what is carried down to what stands',
        ),
      ];
