import type { Holds } from '@early-lantern/contract';

/** What is to be done with a piece in a wind, from the least to the most urgent. */
export type WindStep = 'watch' | 'lower' | 'take down';

interface WindAlarm {
  pieceId: string;
  name: string;
  step: WindStep;
}

/**
 * What a gust asks for, piece by piece, the most urgent first: those outdoors whose gust to watch, to lower or to take down at is reached.
 * Reached is as good as passed: nobody measures to the last mile an hour.
 *
 * @param gustMs m/s, as felt or measured where it stands
 */
export function windAlarms({ pieces }: Pick<Holds, 'pieces'>, gustMs: number): WindAlarm[] {
  const reached = (limitMs: number | null) => limitMs !== null && gustMs >= limitMs;
  const order: WindStep[] = ['take down', 'lower', 'watch'];
  return pieces
    .filter(({ isOutdoors }) => isOutdoors)
    .flatMap(({ id, name, takeDownGustMs, lowerGustMs, watchGustMs }): WindAlarm[] => {
      if (reached(takeDownGustMs)) return [{ pieceId: id, name, step: 'take down' }];
      if (reached(lowerGustMs)) return [{ pieceId: id, name, step: 'lower' }];
      return reached(watchGustMs) ? [{ pieceId: id, name, step: 'watch' }] : [];
    })
    .sort((one, other) => order.indexOf(one.step) - order.indexOf(other.step));
}
