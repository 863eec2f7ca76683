import type { JobFile, Lamp, LastingLot } from '@early-lantern/contract';
import { isOutdoors } from '../structure/gust-at.ts';
import { unlit } from './unlit.ts';

const RANK = { out: 0, low: 1, lit: 2, unlit: 3 } as const;

/** What is left of the hold time, hours as it ages. */
const leftOf = ({ hoursLimit, hoursAged }: LastingLot): number => hoursLimit - hoursAged;

/** The lot in the worst state, of those the one with least left. */
const weakestOf = (lots: readonly LastingLot[]): LastingLot | undefined =>
  [...lots].sort((a, b) => RANK[a.state] - RANK[b.state] || leftOf(a) - leftOf(b))[0];

/**
 * *Lasts?* As the weakest lot fares from inflation to the end of the event; unlit while pieces stand outdoors and no
 * forecast was looked at.
 */
export function lastsLamp(file: JobFile, lots: readonly LastingLot[]): Lamp {
  const { job, site } = file;
  if (job.pieces.length === 0) return unlit('no piece yet', 'Draw the first piece: nothing is blown.');
  const weakest = weakestOf(lots);
  if (!weakest) return unlit('no balloon', 'Nothing here is blown, so nothing goes soft.');
  const outside = job.pieces.some((piece) => {
    const spot = site.spots.find(({ id }) => id === piece.spotId);
    return spot !== undefined && isOutdoors(spot, file);
  });
  if (outside && !job.weather)
    return {
      ...unlit(
        'needs a forecast',
        'Pieces stand outdoors: import a forecast under Bench, or simulate the weather.',
      ),
      working: weakest.working,
    };
  const left = leftOf(weakest);
  const isGuess = outside && job.weather?.source === 'simulated';
  const says =
    weakest.state === 'lit'
      ? `Every lot looks as it should to the end; ${weakest.label} has least to spare.`
      : `${weakest.label}: ${weakest.reason}`;
  return {
    // What only made-up weather allows is not known yet.
    state: isGuess && weakest.state === 'lit' ? 'low' : weakest.state,
    figure: left >= 0 ? `${left.toFixed(0)} h to spare` : `${(-left).toFixed(0)} h short`,
    reason: isGuess ? `In simulated weather, until a real forecast is imported: ${says}` : says,
    working: weakest.working,
    fixes: [],
  };
}
