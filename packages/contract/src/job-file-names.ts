import type { Fault } from './faults.ts';
import type { Sort } from './ids.ts';
import { Job } from './job.ts';
import type { JobFile } from './job-file.ts';
import { referencesIn } from './references.ts';

/** What a job says of people without giving them anything to do: hours, and the plan that was on screen before. */
const ASIDE = /^(hours|clock\.shown)\./;

/** Everybody whom a job names: who puts it up, who takes it down, whom pins and plans in use give a task, who drives a lift. */
export const peopleNamed = (job: JobFile['job']): Set<string> =>
  new Set(
    referencesIn(Job, job)
      .filter(({ sort, path }) => sort === 'person' && !ASIDE.test(path.join('.')))
      .map(({ id }) => id),
  );

/** Looked at with every stored job already. */
const ALWAYS_CHECKED = /^(crew|strikeCrew|pieces)\./;

const words: Record<Sort, string> = {
  colour: 'colour',
  person: 'crew member',
  spot: 'spot',
  piece: 'piece',
  ladder: 'ladder',
};

/**
 * What a job names by an id that its file does not have, besides what every stored job is checked for: second load,
 * shade, hired ladders, people of pins and of the plan in use.
 */
export function unknownNames({ job, site, workshop }: JobFile): Fault[] {
  const known: Partial<Record<Sort, ReadonlySet<string>>> = {
    piece: new Set(job.pieces.map(({ id }) => id)),
    spot: new Set(site.spots.map(({ id }) => id)),
    person: new Set(workshop.crew.map(({ id }) => id)),
    ...(workshop.ladders ? { ladder: new Set(workshop.ladders.map(({ id }) => id)) } : {}),
  };
  return referencesIn(Job, job).flatMap(({ sort, id, path }): Fault[] => {
    const at = path.join('.');
    if (ALWAYS_CHECKED.test(at) || ASIDE.test(at) || (known[sort]?.has(id) ?? true)) return [];
    return [{ path: `job.${at}`, reason: `no ${words[sort]} "${id}" in this file` }];
  });
}

/** A job without the people who are not there any more; a crew of whom nobody is left stays as it is, to be refused. */
export function withoutGone<T extends Omit<JobFile['job'], 'pieces'>>(job: T, known: ReadonlySet<string>): T {
  const there = (list: readonly string[]) => list.filter((id) => known.has(id));
  const { strikeCrew = [], clock, dropOffs = [], ...rest } = job;
  const brought = dropOffs.filter(({ driver }) => known.has(driver));
  const crew = there(job.crew);
  const strikers = there(strikeCrew);
  const pins = (clock?.pins ?? []).flatMap(({ crew: theirs, ...pin }) => {
    const left = there(theirs ?? []);
    return left.length > 0 ? [{ ...pin, crew: left }] : pin.start ? [pin] : [];
  });
  const { agreed, rounds = [], pins: _, keptOff = [], ...choices } = clock ?? {};
  // A plan for the day that counts on somebody who has gone is no plan any more.
  const isWhole = agreed?.tasks.every((task) => task.crew.every((id) => known.has(id)));
  const driven = rounds.filter(({ people }) => people.every((id) => known.has(id)));
  const kept = keptOff.filter(({ person }) => known.has(person));
  return {
    ...rest,
    crew: crew.length > 0 ? crew : job.crew,
    ...(strikers.length > 0 ? { strikeCrew: strikers } : {}),
    ...(brought.length > 0 ? { dropOffs: brought } : {}),
    ...(clock
      ? {
          clock: {
            ...choices,
            ...(pins.length > 0 ? { pins } : {}),
            ...(kept.length > 0 ? { keptOff: kept } : {}),
            ...(agreed && isWhole ? { agreed } : {}),
            ...(driven.length > 0 ? { rounds: driven } : {}),
          },
        }
      : {}),
  } as T;
}
