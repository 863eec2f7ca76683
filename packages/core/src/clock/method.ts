import type { CrewMember, Inflator, JobFile, Skill } from '@early-lantern/contract';
import { dressWork } from './dress-work.ts';
import { blownWork } from './inflator-work.ts';
import { driveWork, loadOutWork, secondLoadWork, takingWagons, unloadWork } from './travel-work.ts';
import { otherWays, ownId, shared, simple, type Work, type WorkedPiece } from './work.ts';

/** Away from it so long, one sees it anew. Common practice, no source. */
const AWAY_MIN = 10;

/**
 * The tasks of one job in the order of the work: floor, bench, bags, load, drive, unload, protect, hang, dress, fill,
 * step back, mend, look again, sign off, load out, home. The order is common practice, no source.
 */
export function setUpWork(file: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const { workshop, site, job } = file;
  const crew = workshop.crew.filter((member) => job.crew.includes(member.id));
  const two = Math.min(2, crew.length);
  const clean = simple('clean-floor', 'Clean the bench floor, set out the lots', 'workshop', workshop);
  const bench = pieces.flatMap((worked) =>
    asBenchWork(worked, 'workshop', [clean.id], workshop.inflators, crew),
  );
  const benchLast = bench.length ? [] : [clean.id];
  const bags = bench.filter((work) => work.id.endsWith('--bag')).map((work) => work.id);
  const load = takingWagons(
    simple('load-vehicle', 'Load the vehicle', 'workshop', workshop, {
      hands: two,
      after: [...bags, ...benchLast],
    }),
    file,
    two,
  );
  const drive = driveWork(
    file,
    { id: 'drive-out', label: `Drive to ${site.name}`, which: 'out', trip: 'set-up' },
    crew,
    [load.id],
  );
  const unload = unloadWork(file, two, drive.id);
  const again = secondLoadWork(file, crew, two, unload.id);
  const protect = simple('protect-floor', 'Protect floor and edges, set out tools', 'site', workshop, {
    after: [drive.id],
  });
  const isFixed = pieces.some(({ held }) => held?.points.length);
  const before = isFixed
    ? [
        simple(
          'photograph-before',
          'Photograph every place to be fixed to, marks and all',
          'site',
          workshop,
          {
            after: [drive.id],
          },
        ),
      ]
    : [];
  const ready = [unload.id, protect.id, ...before.map((work) => work.id)];
  // Hooks need their hour: they ride in somebody's pocket and go up before the van is empty.
  const hooksAfter = before.map((work) => work.id);
  // What comes with the second load waits for it.
  const withLoad = ({ piece }: WorkedPiece, first: string[]) =>
    again.length && job.secondLoad?.includes(piece.id)
      ? [...first, ...again.slice(-1).map(({ id }) => id)]
      : first;
  // Furniture and linen first: they take long, and what is dressed stands on or round them.
  const isFurniture = ({ piece }: WorkedPiece) => piece.kind === 'furnishing';
  const furnish = pieces
    .filter(isFurniture)
    .flatMap((worked) => dressWork(worked, file, crew, withLoad(worked, ready), hooksAfter));
  const after = furnish.length ? furnish.map((work) => work.id) : ready;
  const others = pieces.filter((worked) => !isFurniture(worked));
  const blown = others.flatMap((worked) =>
    asBenchWork(worked, 'site', withLoad(worked, ready), workshop.inflators, crew),
  );
  const dress = [
    ...furnish,
    ...blown,
    ...others.flatMap((worked) => dressWork(worked, file, crew, withLoad(worked, after), hooksAfter)),
  ];
  const stepBack = simple('step-back', 'Step back, look through a camera', 'site', workshop, {
    after: [...(dress.length ? dress : [unload]), ...again.slice(-1)].map((work) => work.id),
  });
  const touchUp = simple('touch-up', 'Close gaps, hide mechanics, clear the floor', 'site', workshop, {
    after: [stepBack.id],
    cautions: ['children'],
  });
  const lookAgain = simple('look-again', 'Look again, ten minutes later, with fresh eyes', 'site', workshop, {
    after: [touchUp.id],
    lags: { [touchUp.id]: { min: AWAY_MIN } },
  });
  const signOff = simple('sign-off', 'Walk round and sign off with the house', 'site', workshop, {
    after: [lookAgain.id],
    skills: crew.some((member) => member.skills.includes('lead')) ? ['lead'] : [],
  });
  const out: Work = { ...loadOutWork(file, two, signOff.id), lags: { [signOff.id]: { max: 0 } } };
  // Whoever put it up goes home with the van: nobody waits on a site without being asked to.
  const home: Work = {
    ...driveWork(
      file,
      { id: 'drive-home', label: 'Drive back to the workshop', which: 'home', trip: 'set-up' },
      crew,
      [out.id],
    ),
    lags: { [out.id]: { max: 0 } },
  };
  const onSite = [unload, ...again, protect, ...before, ...dress, stepBack, touchUp, lookAgain, signOff, out];
  return [
    clean,
    ...bench,
    load,
    ...[drive, ...onSite, home].map((work) => ({ ...work, trip: 'set-up' as const })),
  ];
}

/** What is blown, twisted and bagged in the workshop, or what the school has blown and twisted on the spot. */
function asBenchWork(
  { piece, batches }: WorkedPiece,
  place: 'workshop' | 'site',
  first: string[],
  inflators: readonly Inflator[],
  crew: readonly CrewMember[],
): Work[] {
  const here = batches.filter((batch) => batch.place === place);
  const ids = new Set(here.map((batch) => batch.id));
  return here.map((batch) => ({
    id: ownId(piece.id, batch.id),
    label: `${piece.name}: ${batch.label}`,
    place,
    ...(batch.needsInflator ? blownWork(batch, inflators) : shared(batch.effort, 1)),
    hands: 1,
    skills:
      batch.skill && crew.some(({ skills }) => skills.includes(batch.skill as Skill)) ? [batch.skill] : [],
    ...(batch.needsInflator ? {} : { ways: otherWays(batch.effort, 1, 1, 2) }),
    gear: batch.needsInflator ? ['inflator'] : [],
    pieceId: piece.id,
    ...(batch.blows ? { blows: batch.blows } : {}),
    after: [...first, ...batch.after.filter((id) => ids.has(id)).map((id) => ownId(piece.id, id))],
    cautions: [],
  }));
}
