import type { JobFile, RoundGood } from '@early-lantern/contract';
import { placesLoaded } from '../clock/legs.ts';
import { partOfRound } from '../clock/rounds.ts';
import type { Good } from './goods.ts';

/** At each place of a round what is needed first comes off, then all the rest. */
const STOPS_AT_PLACE = 2;

/** Tools, ladders and wagons serve at every place where all wait: of each kind there is one in the vehicle. */
export const IS_SHARED: ReadonlySet<Good['kind']> = new Set(['kit', 'ladder', 'wagon']);

/** The things of one place of a round. */
interface PlaceGoods {
  jobId: string;
  place: string;
  /** People are dropped off there: what they work with is theirs until they are fetched. */
  isDropped: boolean;
  goods: readonly Good[];
}

/**
 * The things of several places as one load, those of the first place at the door.
 * @param own the job whose things keep their names
 */
export function together(places: readonly PlaceGoods[], own?: string): Good[] {
  const seen = new Set<string>();
  return places.flatMap(({ jobId, place, isDropped, goods }, at) =>
    goods.flatMap((good): Good[] => {
      const { id, stop } = good.cargo;
      const isShared = IS_SHARED.has(good.kind) && !isDropped;
      if (isShared && seen.has(id)) return [];
      if (isShared) seen.add(id);
      return [
        {
          ...good,
          ...(isShared ? {} : { place }),
          cargo: {
            ...good.cargo,
            id: isShared || jobId === own ? id : `${jobId} ${id}`,
            stop: STOPS_AT_PLACE * at + stop,
          },
        },
      ];
    }),
  );
}

/** A thing as it is kept with a round, for the other jobs of it. */
export const asRoundGood = ({ kind, label, cargo }: Good, squeezed: Good | undefined): RoundGood => {
  const { id, size, upright, shapes, massG, bearsG, isSoft, stop } = cargo;
  return {
    kind,
    label,
    id,
    size,
    upright: [...upright],
    massG,
    bearsG,
    stop,
    ...(shapes ? { shapes: [...shapes] } : {}),
    ...(isSoft ? { isSoft } : {}),
    ...(squeezed && squeezed.cargo.size !== size && isSoft
      ? {
          squeezed: {
            size: squeezed.cargo.size,
            ...(squeezed.cargo.shapes ? { shapes: [...squeezed.cargo.shapes] } : {}),
          },
        }
      : {}),
  };
};

/** The thing as it rides, its bag pressed together where that is asked for. */
export const asGood = ({ kind, label, squeezed, ...cargo }: RoundGood, isSqueezed: boolean): Good => ({
  kind,
  label,
  cargo: { ...cargo, ...(isSqueezed && squeezed ? squeezed : {}) },
});

/** All that rides with a job: its own things as they are now, those of the other places of its round as they were agreed. */
export function ofRound(file: JobFile, own: readonly Good[], squeeze: number): Good[] {
  const round = partOfRound(file, 'set-up')?.round;
  if (!round) return [...own];
  return together(
    placesLoaded(round).map(({ job, place, does, goods = [] }) => ({
      jobId: job,
      place,
      isDropped: does === 'drop',
      goods: job === file.job.id ? own : goods.map((one) => asGood(one, squeeze > 0)),
    })),
    file.job.id,
  );
}
