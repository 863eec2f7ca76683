import type { JobFile, MaterialRow, PackingRow, RideSize } from '@early-lantern/contract';
import { isLadder, isWagon, nameIn, namesFor } from '../clock/gear-names.ts';
import { usualLadders } from '../fixing/reach.ts';
import { FIRST_OFF, type Good, type MadePiece, REST_OFF } from './goods.ts';
import data from './kits.json';
import { asCargo, asMeasured, itemLabel, rideItems, type Size, sizeOfItem } from './sizes.ts';

/** A case that rides along, with what is in it: so many, or as many as there are of something at this job. */
interface Kit {
  id: string;
  label: string;
  lengthM: number;
  widthM: number;
  heightM: number;
  massKg: number;
  bearsKg: number;
  upright: Size['upright'];
  /** With every job, or where there are balloons. */
  when: 'always' | 'balloons';
  stop: 'first' | 'rest';
  items: {
    item: string;
    label: string;
    qty: number | 'people' | 'inflators' | 'boards';
    unit: string;
    after: PackingRow['after'];
    why: string;
  }[];
}

const kits = data as Kit[];

/** Crates for fixings and other small things, for cloth and hardware, m. From memory, editable defaults. */
const CRATE = { lengthM: 0.6, widthM: 0.4, heightM: 0.32, bearsKg: 40 } as const;
const SMALL_CRATE = { lengthM: 0.4, widthM: 0.3, heightM: 0.22, bearsKg: 25 } as const;

/** Crates by what goes into them; each with the items of the catalogue of materials that do. */
const crates = [
  {
    id: 'crate cloth',
    label: 'Cloth crate',
    massKg: 8,
    items: ['curtain-drop', 'skirt-cloth', 'base-cover', 'cardboard'],
  },
  {
    id: 'crate hardware',
    label: 'Hardware crate',
    massKg: 12,
    items: [
      'coupling',
      'tee',
      'elbow',
      'pole-section',
      'helium-weight',
      'clamp',
      'stake',
      'mallet',
      'brick-clip',
      'magnetic-hook',
      'suction-hook',
    ],
  },
] as const;
/** Where all else goes that is small. */
const FIXINGS = { id: 'crate fixings', label: 'Fixings crate', massKg: 4 } as const;
const SPARES = { id: 'crate spares', label: 'Spares crate', massKg: 4 } as const;

/** The crate that an item goes into; undefined where it rides by itself. */
export function crateOf(item: string): { id: string; label: string } | undefined {
  if (RIDES_ITSELF.has(item) || sizeOfItem(item)) return undefined;
  return crates.find(({ items }) => (items as readonly string[]).includes(item)) ?? FIXINGS;
}

/** Items that ride as bundles, boards and bases of their pieces, or in a cylinder. */
const RIDES_ITSELF = new Set([
  'pipe-pvc-half',
  'pipe-pvc-three-quarter',
  'pipe-pvc-one',
  'pipe-emt-half',
  'pipe-emt-three-quarter',
  'rigid-pole',
  'weighted-base',
  'weight',
  'board',
  'backing-board',
  'sign',
  'furnishing',
  'helium',
]);

export const SPARES_CRATE = SPARES.id;

/** How many of a kit's item ride along. */
function quantity(
  qty: Kit['items'][number]['qty'],
  file: JobFile,
  pieces: readonly MadePiece[],
  boards: number,
): number {
  if (typeof qty === 'number') return qty;
  if (qty === 'people') return file.job.crew.length;
  if (qty === 'boards') return boards;
  return pieces.some(({ batches }) =>
    batches.some(({ place, needsInflator }) => place === 'site' && needsInflator),
  )
    ? 2
    : 1;
}

/** The kits of a job with what is in each. */
export function kitsOf(file: JobFile, pieces: readonly MadePiece[], boards: number) {
  const hasBalloons = pieces.some(({ recipe }) => recipe.needs.length > 0);
  return kits
    .filter(({ when }) => when === 'always' || hasBalloons)
    .map((kit) => ({
      ...kit,
      items: kit.items
        .map((item) => ({ ...item, qty: quantity(item.qty, file, pieces, boards) }))
        .filter(({ qty }) => qty > 0),
    }));
}

/** A helium cylinder holds so much, litres at 1 atm; how large and heavy it is. From memory, editable defaults. */
const CYLINDER_L = 4000;
const CYLINDER = { lengthM: 0.23, widthM: 0.23, heightM: 1.2, massKg: 25, bearsKg: 0 } as const;

/** Cylinders that so much helium takes. */
export const cylindersFor = (litres: number): number => Math.ceil(litres / CYLINDER_L);

/**
 * What rides along whatever is put up: kits, crates, ladders and wagons of the plan, helium.
 * @param gear ladders and wagons taken along, by id
 */
export function kitGoods(
  file: JobFile,
  pieces: readonly MadePiece[],
  materials: readonly Pick<MaterialRow, 'item' | 'count'>[],
  gear: readonly string[],
  boards: number,
): Good[] {
  const isUsed = (id: string) =>
    materials.some(({ item }) => crateOf(item)?.id === id) || id === SPARES.id || id === FIXINGS.id;
  const helium = materials.find(({ item }) => item === 'helium');
  const own = file.workshop.rideSizes;
  return [
    ...kitsOf(file, pieces, boards).map(
      ({ id, label, stop, ...size }): Good => ({
        kind: 'kit',
        label,
        cargo: asCargo(
          `kit ${id}`,
          asMeasured(`kit ${id}`, size, own),
          stop === 'first' ? FIRST_OFF : REST_OFF,
        ),
      }),
    ),
    ...[...crates, FIXINGS, SPARES]
      .filter(({ id }) => isUsed(id))
      .map(
        ({ id, label, massKg }): Good => ({
          kind: 'crate',
          label,
          cargo: asCargo(
            id,
            asMeasured(id, { ...crateSize(id), massKg, upright: ['h'] }, own),
            // Hooks are pressed on before the rest is carried in.
            id === FIXINGS.id ? FIRST_OFF : REST_OFF,
          ),
        }),
      ),
    ...gearGoods(file, gear),
    ...Array.from(
      { length: helium ? cylindersFor(helium.count) : 0 },
      (_, i): Good => ({
        kind: 'cylinder',
        label: 'Helium cylinder: upright and strapped, windows open',
        cargo: asCargo(
          `helium ${i + 1}`,
          asMeasured('helium cylinder', { ...CYLINDER, upright: ['h'] }, own),
          REST_OFF,
        ),
      }),
    ),
  ];
}

/** A step ladder is so much longer than its highest step, and a straight one, m; weight of a metre, kg. From memory. */
const ABOVE_M = { step: 0.61, straight: 0.9 } as const;
const LADDER_KG_PER_M = 4.5;

const crateSize = (id: string) => (id === SPARES.id || id === FIXINGS.id ? SMALL_CRATE : CRATE);

/** What of the house's gear can be measured: how large and heavy each thing is taken to be until somebody does. */
export const rideThings: readonly (RideSize & { label: string })[] = [
  ...kits.map(({ id, ...size }) => ({ item: `kit ${id}`, ...size })),
  ...[...crates, FIXINGS, SPARES].map((crate) => ({ item: crate.id, ...crateSize(crate.id), ...crate })),
  ...rideItems.flatMap((item) => {
    const size = sizeOfItem(item);
    return size ? [{ ...size, item, label: itemLabel(item) }] : [];
  }),
  { item: 'helium cylinder', label: 'Helium cylinder', ...CYLINDER },
].map(({ item, label, lengthM, widthM, heightM, massKg }) => ({
  item,
  label,
  lengthM,
  widthM,
  heightM,
  massKg,
}));

/** Ladders and wagons. */
function gearGoods(file: JobFile, gear: readonly string[]): Good[] {
  const names = namesFor(file);
  const ladders = file.workshop.ladders ?? usualLadders;
  return gear.flatMap((id): Good[] => {
    if (isWagon(id)) {
      const size = sizeOfItem('wagon', file.workshop.rideSizes);
      return size
        ? [{ kind: 'wagon', label: nameIn(id, names), cargo: asCargo(`gear ${id}`, size, FIRST_OFF) }]
        : [];
    }
    if (!isLadder(id, names)) return [];
    const ladder = ladders.find((one) => id === one.id || id.endsWith(one.id));
    // A tower or a lift is brought to the site by those who hire it out.
    if (!ladder) return [];
    const lengthM = ladder.standM + ABOVE_M[ladder.kind];
    return [
      {
        kind: 'ladder',
        label: nameIn(id, names),
        cargo: asCargo(
          `gear ${id}`,
          {
            lengthM,
            widthM: 0.5,
            heightM: 0.14,
            massKg: lengthM * LADDER_KG_PER_M,
            // On its edge along a wall: one gets at it, and little room is lost.
            upright: ['w'],
            bearsKg: 0,
          },
          FIRST_OFF,
        ),
      },
    ];
  });
}
