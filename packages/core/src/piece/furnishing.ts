import type { Furnishing } from '@early-lantern/contract';
import { material } from '../materials/materials.ts';
import { DERIVED, working } from '../working.ts';
import type { Kind } from './kind.ts';
import type { DrawnShape } from './picture.ts';

/** Tables, chairs, linen, props: counted, carried and timed, not inflated. */
export const furnishing: Kind<Furnishing> = {
  recipe({ items, at }) {
    const minutes = items.reduce((sum, item) => sum + item.count * item.minutesEach, 0);
    const massKg = items.reduce((sum, item) => sum + item.count * item.massKg, 0);
    return {
      lengthM: 0,
      visibleWidthM: 0,
      clusterSize: 0,
      spineClusters: 0,
      sideClusters: 0,
      fillerTrios: 0,
      sections: [1],
      hangPoints: 0,
      topM: at.yM + Math.max(...items.map((item) => item.heightM)),
      needs: [],
      assemblies: [],
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: 'place and dress the furniture',
          rate: 'place-furniture',
          amount: minutes,
          pair: items.some((item) => item.massKg >= 20),
        },
      ],
      materials: items.map((item) =>
        material('furnishing', item.count, 'as listed', [['count', item.count]], DERIVED, {
          detail: item.name,
        }),
      ),
      steps: ['Furniture and linen first: they take long, and everything else stands on or round them.'],
      notes: items.some((item) => item.massKg >= 20) ? ['Heavy pieces: two people to lift.'] : [],
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
        xM += item.widthM + 0.08;
      }
    }
    return { shapes, balloons: [] };
  },
};
