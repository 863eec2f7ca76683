import type { Inflator } from '@early-lantern/contract';
import type { Batch } from '../bench/batch.ts';
import { inTheirUnits } from '../quantity/customary.ts';
import { working } from '../working.ts';
import { shared } from './work.ts';

/** Air through one nozzle, litres a second, and nozzles that the rates are of. From memory, editable defaults. */
const FLOW_LPS = 10;
const RATE_NOZZLES = 2;
/** Nobody ties on more than two at once. */
const MOST_NOZZLES = 2;

type Took = ReturnType<typeof shared>;

/**
 * What a batch takes at the inflator: the rates are those of a usual one with two nozzles, another blows as long as its
 * air takes; and after so many minutes it rests, but not at the end. Any inflator may be taken, so the slowest is reckoned with.
 */
export function blownWork({ effort, litres = 0 }: Batch, inflators: readonly Inflator[]): Took {
  const work = shared(effort, 1);
  const each = inflators.map((one) => {
    const airS = moreAirS(one, litres);
    const minutes = Math.max(1, Math.ceil((effort.seconds + airS) / 60));
    const { onMin, offMin } = one;
    const restMin = onMin && offMin ? Math.floor((minutes - 1) / onMin) * offMin : 0;
    return { one, airS, restMin, all: minutes + restMin };
  });
  const slowest = each.reduce(
    (worst, at) => (at.all > worst.all ? at : worst),
    each[0] as (typeof each)[number],
  );
  const { airS, restMin, all, one } = slowest;
  const more = airS + restMin * 60;
  if (more === 0) return work;
  const { quickS, usualS, slowS } = work.spread;
  const longer = (seconds: number) => Math.max(1, seconds + more);
  return {
    minutes: all,
    spread: { quickS: longer(quickS), usualS: longer(usualS), slowS: longer(slowS) },
    working: [
      ...work.working,
      ...(airS === 0
        ? []
        : [
            working(
              `Air of ${one.name}`,
              {
                metric: `air / (flow · nozzles) − air / (${FLOW_LPS} l/s · ${RATE_NOZZLES})`,
                imperial: `air / (flow · nozzles) − air / (${inTheirUnits(FLOW_LPS, 'l/s', 'imperial').value.toFixed(1)} cu ft/min · ${RATE_NOZZLES})`,
              },
              [
                ['air', litres, 'l'],
                ['flow of a nozzle', one.flowLps ?? FLOW_LPS, 'l/s'],
                ['nozzles at once', Math.min(one.nozzles, MOST_NOZZLES)],
              ],
              { value: airS / 60, unit: 'min' },
              'the usual flow is from memory, an editable default',
            ),
          ]),
      ...(restMin === 0
        ? []
        : [
            working(
              'The inflator cools',
              'rests between its runs, the one that takes longest',
              [['blowing', all - restMin, 'min']],
              { value: restMin, unit: 'min' },
              "the workshop's own figures",
            ),
          ]),
    ],
  };
}

/** Seconds that the air takes longer than through a usual inflator; below zero where it is quicker. */
function moreAirS({ nozzles, flowLps = FLOW_LPS }: Inflator, litres: number): number {
  return litres / (flowLps * Math.min(nozzles, MOST_NOZZLES)) - litres / (FLOW_LPS * RATE_NOZZLES);
}
