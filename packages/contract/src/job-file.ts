import { z } from 'zod';
import { Job } from './job.ts';
import { Piece } from './piece/index.ts';
import { referencesIn } from './references.ts';
import { type Breach, withRule } from './rules.ts';
import { Id } from './scalars.ts';
import { Site } from './site.ts';
import { Workshop } from './workshop.ts';

const JobFileFields = z.strictObject({
  format: z.literal('early-lantern/job', 'must be "early-lantern/job"'),
  version: z.literal(2, 'only versions 1 and 2 are known'),
  workshop: Workshop,
  site: Site,
  job: Job,
});

/** The parts of a job file that name each other, read leniently so that naming faults show beside others. */
const crewNames = z.object({
  workshop: z.object({ crew: z.array(z.object({ id: Id })) }),
  job: z.object({ crew: z.array(Id), strikeCrew: z.array(Id).optional() }),
});
const siteNames = z.object({ site: z.object({ id: Id }), job: z.object({ siteId: Id }) });
const spotNames = z.object({
  site: z.object({ spots: z.array(z.object({ id: Id })) }),
  job: z.object({ pieces: z.array(z.object({ spotId: Id })) }),
});
const colourNames = z.object({
  workshop: z.object({ colours: z.array(z.object({ id: Id })) }),
  job: z.object({ pieces: z.array(z.unknown()) }),
});

/** Every colour that pieces name, with its place in their list. */
export const coloursNamed = (pieces: unknown): { colour: string; path: Breach['path'] }[] =>
  referencesIn(anyPieces, pieces).flatMap(({ sort, id, path }) =>
    sort === 'colour' ? [{ colour: id, path }] : [],
  );

const anyPieces = z.array(Piece);

function unknownName(names: Iterable<string>, wanted: string, path: Breach['path'], what: string): Breach[] {
  return new Set(names).has(wanted) ? [] : [{ path, reason: `no ${what} "${wanted}" in this file` }];
}

/** Adds the rules that parts of a file name only what is in it. */
function withNames<S extends z.ZodType>(fields: S): S {
  const withCrewNames = withRule(fields, crewNames, ({ workshop, job }) =>
    (['crew', 'strikeCrew'] as const).flatMap((list) =>
      (job[list] ?? []).flatMap((id, index) =>
        unknownName(
          workshop.crew.map((member) => member.id),
          id,
          ['job', list, index],
          'crew member',
        ),
      ),
    ),
  );
  const withSiteName = withRule(withCrewNames, siteNames, ({ site, job }) =>
    unknownName([site.id], job.siteId, ['job', 'siteId'], 'site'),
  );
  const withSpotNames = withRule(withSiteName, spotNames, ({ site, job }) =>
    job.pieces.flatMap((piece, index) =>
      unknownName(
        site.spots.map((spot) => spot.id),
        piece.spotId,
        ['job', 'pieces', index, 'spotId'],
        'spot',
      ),
    ),
  );
  return withRule(withSpotNames, colourNames, ({ workshop, job }) =>
    coloursNamed(job.pieces).flatMap(({ colour, path }) =>
      unknownName(
        workshop.colours.map((known) => known.id),
        colour,
        ['job', 'pieces', ...path],
        'colour',
      ),
    ),
  );
}

/** One job in one document, with all that planning it needs. */
export const JobFile = withNames(JobFileFields);
export type JobFile = z.infer<typeof JobFile>;

/** The same of a file whose workshop and place are known to be sound already: the job, and that it names only what is there. */
export const JobOfFile = withNames(
  z.strictObject({ ...JobFileFields.shape, workshop: z.unknown(), site: z.unknown() }),
);

/** JSON Schema (2020-12) of a job file. Rules that span several fields are checked on import only. */
export function jobFileJsonSchema(): object {
  return {
    $id: 'https://early-lantern.invalid/schema/job.json',
    title: 'Early Lantern job file, version 2',
    ...z.toJSONSchema(JobFile, { target: 'draft-2020-12', io: 'input' }),
  };
}
