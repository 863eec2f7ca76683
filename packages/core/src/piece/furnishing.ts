import type { Furnishing } from '@early-lantern/contract';
import { material } from '../materials/materials.ts';
import { sumOf } from '../quantity/group.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { type Part, straight } from './part.ts';
import type { DrawnShape } from './picture.ts';
import { standing } from './traits.ts';
import { goesOn } from './upon.ts';

/** A trestle table, 6 ft by 30 in., where nothing else is said. From memory, an editable default. */
export const usualTable = { depthM: 0.76, massKg: 20 } as const;

/** Tables, chairs, linen, props: counted, carried and timed, not inflated. */
export const furnishing: Kind<Furnishing> = {
  traits: ({ items }) => ({ ...standing(), balloons: 'none', furniture: items }),
  upon: goesOn('balloons', 'table-top'),
  outlineM2: ({ items }) => sumOf(items.map(({ count, widthM, heightM }) => count * widthM * heightM)),
  hardware: noHardware,
  depthM: ({ items }) => Math.max(...items.map(({ widthM }) => Math.min(widthM, usualTable.depthM))),
  recipe({ items, at }) {
    const minutes = items.reduce((sum, item) => sum + item.count * item.minutesEach, 0);
    const massKg = items.reduce((sum, item) => sum + item.count * item.massKg, 0);
    return {
      lengthM: 0,
      visibleWidthM: 0,
      clusterSize: 0,
      spineClusters: 0,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: 0,
      topM: at.yM + Math.max(...items.map((item) => item.heightM)),
      needs: [],
      assemblies: [],
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: `place ${items.map(({ name, count }) => `${count} × ${name}`).join(', ')}`,
          rate: 'place-furniture',
          amount: minutes,
          pair: items.some((item) => item.massKg >= 20),
          ...(items.some((item) => item.massKg >= 20) ? { how: ['Heavy ones: two people to lift.'] } : {}),
        },
      ],
      materials: items.map((item) =>
        material('furnishing', item.count, 'as listed', [['count', item.count]], DERIVED, {
          detail: item.name,
        }),
      ),
      making: [],
      notes: [],
      working: [
        working(
          'Time to place',
          'Σ count · minutes each',
          items.map((item) => [item.name, item.count * item.minutesEach, 'min']),
          { value: minutes, unit: 'min' },
          'as set',
        ),
        working(
          'Mass to carry',
          'Σ count · mass',
          items.map((item) => [item.name, item.count * item.massKg, 'kg']),
          { value: massKg, unit: 'kg' },
          'as set',
        ),
      ],
    };
  },
  picture({ items, at }) {
    const shapes: DrawnShape[] = [];
    let xM = at.xM;
    for (const item of items) {
      // A crowd of chairs is drawn as its first four.
      for (let i = 0; i < Math.min(4, item.count); i++) {
        shapes.push({
          shape: 'box',
          xM,
          yM: at.yM,
          widthM: item.widthM,
          heightM: item.heightM,
          tone: 'prop',
          text: item.name,
        });
        xM += item.widthM + APART_M;
      }
    }
    return { shapes, balloons: [] };
  },
  /** Of what is taken for a table: the highest item as wide as it is drawn. */
  parts({ items, at }): Part[] {
    const table = items.reduce((a, b) => (b.heightM * b.widthM > a.heightM * a.widthM ? b : a));
    const leftM = leftOf(items, table);
    const shown = Math.min(4, table.count);
    const [left, right] = [at.xM + leftM, at.xM + leftM + shown * (table.widthM + APART_M) - APART_M];
    const top = at.yM + table.heightM;
    const surface = straight(left, top, right, top);
    return [
      {
        id: 'top',
        label: `top of ${table.name}`,
        made: 'table-top',
        lines: [surface],
        alike: table.count,
        after: 'frame',
      },
      { id: 'edge', label: `edge of ${table.name}`, made: 'table-edge', lines: [surface], after: 'frame' },
      {
        id: 'leg',
        label: `legs of ${table.name}`,
        made: 'leg',
        lines: [straight(left, at.yM, left, top), straight(right, at.yM, right, top)],
        after: 'frame',
      },
    ];
  },
};

/** Between things drawn side by side, m. */
const APART_M = 0.08;

/** How far right of the piece's place an item is drawn, m: after four at most of each one before it. */
function leftOf(items: Furnishing['items'], item: Furnishing['items'][number]): number {
  return items
    .slice(0, items.indexOf(item))
    .reduce((sum, { count, widthM }) => sum + Math.min(4, count) * (widthM + APART_M), 0);
}
