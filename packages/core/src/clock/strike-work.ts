import type { JobFile, Working } from '@early-lantern/contract';
import { effort } from '../bench/rates.ts';
import { methodOf } from '../fixing/methods.ts';
import { plural } from '../quantity/plural.ts';
import { working } from '../working.ts';
import { driveWork } from './travel-work.ts';
import { shared, simple, type Work, type WorkedPiece } from './work.ts';

/** After the event: everything down, home, counted. */
export function strikeWork({ workshop, site, job }: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const crew = workshop.crew.filter((member) => job.crew.includes(member.id));
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
    after: [],
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
  const back = driveWork('drive-back', 'Drive back to the workshop', site.driveMin, crew, [
    lookOver[0]?.id ?? strike.id,
  ]);
  const gear = simple('return-gear', 'Unload, count the gear, note what failed', 'workshop', workshop, {
    hands: Math.min(2, crew.length),
    after: [back.id],
  });
  return [strike, ...lookOver, back, gear];
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
