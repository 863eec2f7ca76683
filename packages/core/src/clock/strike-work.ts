import type { CrewMember, JobFile, Working } from '@early-lantern/contract';
import { effort } from '../bench/rates.ts';
import { methodOf } from '../fixing/methods.ts';
import { plural } from '../quantity/plural.ts';
import { working } from '../working.ts';
import { carryOutWork, driveWork, takingWagons } from './travel-work.ts';
import { shared, simple, type Work, type WorkedPiece } from './work.ts';

/** Who takes a job down. */
export const strikeCrewOf = ({ workshop, job }: JobFile): CrewMember[] =>
  workshop.crew.filter((member) => (job.strikeCrew ?? job.crew).includes(member.id));

/** After the event: out again, everything down and out, home, counted. */
export function strikeWork(file: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const { workshop, site } = file;
  const crew = strikeCrewOf(file);
  const two = Math.min(2, crew.length);
  const out = takingWagons(
    driveWork(
      file,
      {
        id: 'drive-strike',
        label: `Drive to ${site.name} for the strike`,
        which: 'strike',
        trip: 'strike',
      },
      crew,
      [],
    ),
    file,
    two,
  );
  const sections = pieces.reduce((sum, { recipe }) => sum + recipe.sections.length, 0);
  const down = shared(effort('strike-section', sections, workshop), crew.length);
  const strike: Work = {
    id: 'strike',
    label: `Take down ${plural(sections, 'section')}, collect every scrap`,
    place: 'site',
    ...down,
    hands: crew.length,
    skills: [],
    gear: [],
    after: [out.id],
    cautions: ['children'],
  };
  const fixed = pieces.filter(({ held }) => held?.points.length);
  const lookOver = fixed.length
    ? [
        simple(
          'look-over',
          "Compare every fixing's place with the photographs; show the house",
          'site',
          workshop,
          {
            after: [strike.id],
            working: removals(fixed),
          },
        ),
      ]
    : [];
  const carryOut = carryOutWork(file, two, lookOver[0]?.id ?? strike.id);
  const back = driveWork(
    file,
    { id: 'drive-back', label: 'Drive back to the workshop', which: 'back', trip: 'strike' },
    crew,
    [carryOut.id],
  );
  const gear = simple('return-gear', 'Unload, count the gear, note what failed', 'workshop', workshop, {
    hands: two,
    after: [back.id],
  });
  return [out, strike, ...lookOver, carryOut, back, gear].map((work) => ({ ...work, trip: 'strike' }));
}

/** How each method that was used comes off without a mark. */
function removals(fixed: readonly WorkedPiece[]): Working[] {
  const points = fixed.flatMap(({ held }) => held?.points ?? []);
  return [...new Set(points.map(({ method }) => method))].map((id) => {
    const { label, removal, source } = methodOf(id);
    const count = points.filter(({ method }) => method === id).length;
    return working(`Taking off: ${label}`, removal, [], { value: count, unit: 'points' }, source);
  });
}
