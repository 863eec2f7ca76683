import type { HoldPoint, Working } from '@early-lantern/contract';
import { COMMON_PRACTICE, working } from '../working.ts';

/** Weights told apart in steps of this, N: of sections alike the lower one goes up first. */
const STEP_N = 0.1;

/** The sections of a garland, counted from 0, as they are hung: the heaviest first, of alike ones the lowest. */
export function sectionOrder(points: readonly Pick<HoldPoint, 'section' | 'loadN' | 'spotXYM'>[]): {
  order: number[];
  working: Working;
} {
  const first = [...new Set(points.map(({ section }) => section))]
    .map((section) => {
      const own = points.filter((point) => point.section === section);
      const loadN = own.reduce((sum, point) => sum + point.loadN, 0);
      return {
        section,
        loadN,
        steps: Math.round(loadN / STEP_N),
        lowestM: Math.min(...own.map(({ spotXYM }) => spotXYM.yM)),
      };
    })
    .sort((a, b) => b.steps - a.steps || a.lowestM - b.lowestM || a.section - b.section);
  return {
    order: first.map(({ section }) => section),
    working: working(
      'Heaviest section first',
      'weight on its points',
      first.map(({ section, loadN }) => [`section ${section + 1}`, loadN, 'N']),
      { value: (first[0]?.section ?? 0) + 1, unit: '' },
      COMMON_PRACTICE,
    ),
  };
}
