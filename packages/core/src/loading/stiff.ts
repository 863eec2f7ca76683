import type { JobFile } from '@early-lantern/contract';
import { withFixings } from '../network/fixings.ts';
import { kindOf, traitsOf } from '../piece/kinds.ts';
import type { Traits } from '../piece/traits.ts';
import { groupBy, sumOf } from '../quantity/group.ts';
import { weightItem } from '../stock/away.ts';
import { baseOf } from '../structure/bases.ts';
import { itemKg } from '../structure/mass.ts';
import { pipePartsOf } from '../structure/pipe-parts.ts';
import { pipeOf } from '../structure/pipes.ts';
import { type Good, type MadePiece, REST_OFF } from './goods.ts';
import { ridesJoined } from './joints.ts';
import { asCargo, itemLabel, type Size, sizeOfItem } from './sizes.ts';

/** A board with the blanket before it, m; a sign; a moulded or stiff panel. From memory, editable defaults. */
const THICK_M: Record<string, number> = { board: 0.04, sign: 0.03, 'backing board': 0.012 };
/** A pole that goes into a plate, m and kg. From memory. */
const POLE_M = 0.045;
const POLE_KG = 2.5;
/** Sand, and steel as heavy as it looks in a bag, kg/m³. From memory. */
const WEIGHT_KG_PER_M3 = 1600;
/** A folded table, and one chair more on a stack, m. From memory, editable defaults. */
const FOLDED_M = 0.07;
const CHAIR_MORE_M = 0.08;
const CHAIRS_HIGH = 6;

/** Everything stiff that a piece is put up with: pipes and poles, boards, bases and weights, stands, furniture. */
export function stiffGoods(made: MadePiece, index: number, file: JobFile): Good[] {
  return [
    ...pipeBundles(made, index, file),
    ...flatGoods(made, index),
    ...standingGoods(made, index, file),
    ...furniture(made, index),
  ];
}

type Sized = Omit<Size, 'perPack'>;

/** So many of a size, alike, one by one or in packs. */
function goodsOf(
  made: MadePiece,
  index: number,
  name: string,
  label: string,
  count: number,
  size: Sized & { perPack?: number },
  item?: string,
): Good[] {
  const { perPack = 1, kind, ...one } = size;
  const packs = Math.ceil(count / perPack);
  return Array.from({ length: packs }, (_, i) => {
    const inPack = Math.min(perPack, count - i * perPack);
    const number = packs > 1 ? ` ${i + 1}` : '';
    return {
      kind,
      label: `${label}${perPack > 1 && inPack > 1 ? `, ${inPack} together` : ''}: ${made.piece.name}`,
      pieceId: made.piece.id,
      ...(item ? { gear: { item, count: inPack } } : {}),
      cargo: asCargo(
        `${index + 1} ${name}${number}`,
        { ...one, heightM: one.heightM * inPack, massKg: one.massKg * inPack },
        REST_OFF,
      ),
    };
  });
}

/** Its pipes as cut, or joined where that goes, in one bundle. */
function pipeBundles(made: MadePiece, index: number, file: JobFile): Good[] {
  const joined = kindOf(made.piece)
    .hardware(made.piece)
    .pipes.filter((run) => ridesJoined(run, file));
  const isJoined = (label: string) =>
    joined.some((run) => label.startsWith(`${made.piece.name}: ${run.label}`));
  const cut = pipePartsOf(made.piece).filter(({ label }) => !isJoined(label));
  return [...groupBy([...cut, ...joined], ({ pipe }) => pipe)].flatMap(([pipe, parts]) => {
    const { odM, kgPerM, label } = pipeOf(pipe);
    const across = Math.ceil(Math.sqrt(parts.length));
    return goodsOf(made, index, `pipes ${pipe}`, `${label}, ${parts.length} cut`, 1, {
      kind: 'pole',
      lengthM: Math.max(...parts.map(({ lengthM }) => lengthM)),
      widthM: across * odM,
      heightM: Math.ceil(parts.length / across) * odM,
      massKg: sumOf(parts.map(({ lengthM }) => lengthM)) * kgPerM,
      upright: ['h'],
      bearsKg: 10,
    });
  });
}

/** Boards and signs on edge, poles along the floor. */
function flatGoods(made: MadePiece, index: number): Good[] {
  const { rigid } = kindOf(made.piece).hardware(made.piece);
  const counted = (item: string) =>
    sumOf(made.recipe.materials.filter((row) => row.item === item).map(({ count }) => count));
  return rigid.flatMap(({ thing, lengthM, edgeM }): Good[] => {
    if (edgeM === undefined) return [];
    const item = thing === 'backing board' ? 'backing-board' : thing;
    const size: Sized = {
      kind: 'board',
      lengthM,
      widthM: THICK_M[thing] ?? 0.03,
      heightM: edgeM,
      massKg: itemKg(item),
      // On its long edge; of a row of them a bag of balloons may lie across the top.
      upright: ['h'],
      bearsKg: 3,
    };
    const label = thing[0]?.toUpperCase() + thing.slice(1);
    return goodsOf(made, index, thing, label, counted(item) || 1, size, item);
  });
}

/** Bases, poles, weights, stands, and what else of the catalogue is large. */
function standingGoods(made: MadePiece, index: number, { workshop }: JobFile): Good[] {
  const { recipe, held } = made;
  const materials = withFixings(recipe.materials, held, workshop.units);
  return materials.flatMap(({ item, detail, count, working }): Good[] => {
    const number = Math.ceil(count);
    if (item === 'weighted-base') {
      const base = baseOf(held?.base ?? 'plate-2ft');
      const size: Sized = {
        kind: 'base',
        lengthM: base.widthM,
        widthM: base.widthM,
        heightM: 0.06,
        massKg: base.massKg,
        upright: ['h', 'w'],
        bearsKg: 60,
      };
      return goodsOf(made, index, item, detail ?? base.label, number, size, item);
    }
    if (item === 'weight') {
      const massKg =
        workshop.weights?.find(({ name }) => name === detail)?.massKg ?? held?.ballastKg[0] ?? 10;
      const isOwned = workshop.weights?.some(({ name }) => name === detail) ?? false;
      const label = isOwned ? (detail as string) : `${detail} of weights`;
      const size: Sized = {
        kind: 'weight',
        lengthM: 0.42,
        widthM: 0.3,
        heightM: Math.max(0.04, massKg / WEIGHT_KG_PER_M3 / (0.42 * 0.3)),
        massKg,
        upright: ['h'],
        bearsKg: 80,
      };
      return goodsOf(made, index, `weight ${detail}`, label, number, size, weightItem(detail ?? ''));
    }
    if (item === 'rigid-pole') {
      const heightM = Number(working.inputs.find(({ name }) => name === 'height')?.value ?? 2.4);
      return goodsOf(made, index, item, 'Pole', number, {
        kind: 'pole',
        lengthM: Math.min(2.4, Math.max(0.5, heightM)),
        widthM: POLE_M,
        heightM: POLE_M,
        massKg: POLE_KG,
        upright: ['h'],
        bearsKg: 10,
      });
    }
    const size = sizeOfItem(item, workshop.rideSizes);
    return size ? goodsOf(made, index, item, itemLabel(item), number, size, item) : [];
  });
}

/** Tables folded, chairs in stacks, all else as it stands. */
function furniture(made: MadePiece, index: number): Good[] {
  return traitsOf(made.piece).furniture.flatMap((item, i) =>
    goodsOf(made, index, `furniture ${i + 1}`, item.name, item.count, furnitureSize(item)),
  );
}

type Furniture = Traits['furniture'][number];

/** How a thing rides where nobody has said: by its name a table folds and chairs stack. */
export const usuallyRides = (name: string): NonNullable<Furniture['rides']> =>
  /\btable\b/i.test(name) ? 'folded' : /\b(chairs?|stools?)\b/i.test(name) ? 'stacked' : 'as-it-stands';

/** Folded, in stacks, or as it stands, bearing as much as it weighs. */
function furnitureSize({
  name,
  widthM,
  heightM,
  massKg,
  rides = usuallyRides(name),
}: Furniture): Sized & { perPack?: number } {
  const depthM = Math.min(widthM, 0.76);
  if (rides === 'folded')
    return {
      kind: 'furniture',
      lengthM: widthM,
      widthM: FOLDED_M,
      heightM: depthM,
      massKg,
      upright: ['h', 'w'],
      bearsKg: 0,
    };
  if (rides === 'stacked')
    return {
      kind: 'furniture',
      lengthM: widthM,
      widthM: widthM + CHAIR_MORE_M * (CHAIRS_HIGH - 1),
      // Of a stack each takes its share: the first stands, the others lie into it.
      heightM: heightM / CHAIRS_HIGH,
      massKg,
      upright: ['h'],
      bearsKg: 0,
      perPack: CHAIRS_HIGH,
    };
  return {
    kind: 'furniture',
    lengthM: widthM,
    widthM: depthM,
    heightM,
    massKg,
    upright: ['h'],
    bearsKg: massKg,
  };
}
