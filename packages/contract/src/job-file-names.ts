import type { Fault } from './faults.ts';
import type { JobFile } from './job-file.ts';

/** Everybody whom a job names: who puts it up, who takes it down, whom pins and plans in use give a task, who drives a lift. */
export function peopleNamed({ crew, strikeCrew = [], clock, platforms = [] }: JobFile['job']): Set<string> {
  return new Set([
    ...crew,
    ...strikeCrew,
    ...(clock?.pins ?? []).flatMap((pin) => pin.crew ?? []),
    ...(clock?.keptOff ?? []).map(({ person }) => person),
    ...(clock?.agreed?.tasks ?? []).flatMap((task) => task.crew),
    ...platforms.flatMap(({ driver }) => driver ?? []),
  ]);
}

/**
 * What a job names by an id that its file does not have, besides what every stored job is checked for: second load,
 * shade, hired ladders, people of pins and of the plan in use.
 */
export function unknownNames({ job, site, workshop }: JobFile): Fault[] {
  const pieces = new Set(job.pieces.map(({ id }) => id));
  const spots = new Set(site.spots.map(({ id }) => id));
  const ladders = new Set((workshop.ladders ?? []).map(({ id }) => id));
  const people = new Set(workshop.crew.map(({ id }) => id));
  const missing = (list: readonly string[] = [], known: ReadonlySet<string>, path: string, what: string) =>
    list.flatMap((id, i): Fault[] =>
      known.has(id) ? [] : [{ path: `job.${path}.${i}`, reason: `no ${what} "${id}" in this file` }],
    );
  return [
    ...missing(job.secondLoad, pieces, 'secondLoad', 'piece'),
    ...missing(job.shaded, spots, 'shaded', 'spot'),
    ...(workshop.ladders ? missing(job.hiredLadders, ladders, 'hiredLadders', 'ladder') : []),
    ...(job.clock?.pins ?? []).flatMap((pin, i) =>
      missing(pin.crew, people, `clock.pins.${i}.crew`, 'crew member'),
    ),
    ...(job.clock?.keptOff ?? []).flatMap(({ person }, i) =>
      missing([person], people, `clock.keptOff.${i}.person`, 'crew member'),
    ),
    ...(job.clock?.agreed?.tasks ?? []).flatMap(({ crew }, i) =>
      missing(crew, people, `clock.agreed.tasks.${i}.crew`, 'crew member'),
    ),
  ];
}

/** A job without the people who are not there any more; a crew of whom nobody is left stays as it is, to be refused. */
export function withoutGone<T extends Omit<JobFile['job'], 'pieces'>>(job: T, known: ReadonlySet<string>): T {
  const there = (list: readonly string[]) => list.filter((id) => known.has(id));
  const { strikeCrew = [], clock, ...rest } = job;
  const crew = there(job.crew);
  const strikers = there(strikeCrew);
  const pins = (clock?.pins ?? []).flatMap(({ crew: theirs, ...pin }) => {
    const left = there(theirs ?? []);
    return left.length > 0 ? [{ ...pin, crew: left }] : pin.start ? [pin] : [];
  });
  const { agreed, pins: _, keptOff = [], ...choices } = clock ?? {};
  // A plan for the day that counts on somebody who has gone is no plan any more.
  const isWhole = agreed?.tasks.every((task) => task.crew.every((id) => known.has(id)));
  const kept = keptOff.filter(({ person }) => known.has(person));
  return {
    ...rest,
    crew: crew.length > 0 ? crew : job.crew,
    ...(strikers.length > 0 ? { strikeCrew: strikers } : {}),
    ...(clock
      ? {
          clock: {
            ...choices,
            ...(pins.length > 0 ? { pins } : {}),
            ...(kept.length > 0 ? { keptOff: kept } : {}),
            ...(agreed && isWhole ? { agreed } : {}),
          },
        }
      : {}),
  } as T;
}
