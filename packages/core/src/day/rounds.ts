import type { JobFile, Round } from '@early-lantern/contract';
import type { WorkedJob } from '../clock/day-job.ts';
import { placesLoaded } from '../clock/legs.ts';
import { agreedRound } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';

/** The drives of a trip as they are: rounds in their order, all others alone. */
export function drivesOf(files: readonly JobFile[], trip: Trip): JobFile[][] {
  const rounds = roundsOf(files).filter((round) => round.trip === trip);
  const inRound = new Set(rounds.flatMap(({ stops }) => stops.map(({ job }) => job)));
  const byId = new Map(files.map((file) => [file.job.id, file]));
  return [
    ...rounds.map((round) => placesLoaded(round).flatMap(({ job }) => byId.get(job) ?? [])),
    ...files.filter(({ job }) => !inRound.has(job.id)).map((file) => [file]),
  ];
}

/** The rounds of some jobs, each once. */
export function roundsOf(files: readonly Pick<JobFile, 'job'>[]): Round[] {
  const all = files.flatMap((file) =>
    (['set-up', 'strike'] as const).flatMap((trip) => agreedRound(file, trip) ?? []),
  );
  const keyOf = ({ trip, stops }: Round) => `${trip} ${stops.map(({ job }) => job).join(' ')}`;
  // Every job of a round has the same.
  return [...new Map(all.map((round) => [keyOf(round), round])).values()];
}

/** A job that is driven to alone on a trip. */
export function withoutRound(file: JobFile, trip: Trip): JobFile {
  const { rounds = [], ...clock } = file.job.clock ?? {};
  const left = rounds.filter((one) => one.trip !== trip);
  return { ...file, job: { ...file.job, clock: left.length > 0 ? { ...clock, rounds: left } : clock } };
}

/** The jobs with a round of theirs driven one by one again. */
export const parted = (worked: readonly WorkedJob[], { trip, stops }: Round): WorkedJob[] =>
  worked.map((one) =>
    stops.some(({ job }) => job === one.file.job.id) ? { ...one, file: withoutRound(one.file, trip) } : one,
  );
