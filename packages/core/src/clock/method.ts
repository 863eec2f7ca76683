import type { CrewMember, Inflator, JobFile, Skill } from '@early-lantern/contract';
import { effort } from '../bench/rates.ts';
import { inPieceOrder } from '../network/pieces.ts';
import { isFurniture } from '../piece/kinds.ts';
import { loadOutWork, loadWork, secondLoadWork, unloadFirstWork, unloadWork } from './carry-work.ts';
import { dressWork } from './dress-work.ts';
import { blownWork } from './inflator-work.ts';
import { endsThere, peopleThere } from './rounds.ts';
import { driveWords, driveWork, dropOffWork, signInWork } from './travel-work.ts';
import { WAITS_MIN } from './trips.ts';
import { otherWays, ownId, shared, simple, type Work, type WorkedPiece } from './work.ts';

/** Away from it so long, one sees it anew. Common practice, no source. */
const AWAY_MIN = 10;

/**
 * The tasks of one job in the order of the work: floor, bench, bags, load, drive; park and sign in, unload what is
 * needed first, protect floors and edges, photograph fixing places, unload the rest, furniture and cloth; the pieces,
 * each on a carrier that stands complete; step back, mend, look again, sign off, load out, home. The order is common
 * practice, no source.
 */
export function setUpWork(file: JobFile, pieces: readonly WorkedPiece[]): Work[] {
  const { workshop, job, site } = file;
  const everybody = workshop.crew.filter((member) => job.crew.includes(member.id));
  const { working: crew, leaving } = peopleThere(file, 'set-up');
  const clean = simple('clean-floor', 'Clean the bench floor, set out the lots', 'workshop', workshop);
  const bench = pieces.flatMap((worked) =>
    asBenchWork(worked, 'workshop', [clean.id], workshop.inflators, everybody),
  );
  // Where the work is done in the workshop itself, nothing is bagged, loaded, driven or carried.
  const visit = site.isWorkshop
    ? atHome(
        bench.filter(({ id }) => !id.endsWith('--bag')),
        clean,
      )
    : arrival(file, pieces, bench, clean);
  const put = putUp(file, pieces, crew, visit);
  const stepBack = simple('step-back', 'Step back, look through a camera', 'site', workshop, {
    after: [
      ...(put.length ? put.map(({ id }) => id) : visit.ready),
      ...visit.again.slice(-1).map(({ id }) => id),
    ],
  });
  // Finishing is shared out as far as there are hands.
  const touchUp: Work = {
    ...simple('touch-up', 'Close gaps, hide mechanics, clear the floor', 'site', workshop, {
      after: [stepBack.id],
      cautions: ['children'],
    }),
    ways: otherWays(effort('touch-up', 1, workshop), 1, 2, crew.length),
  };
  const lookAgain = simple('look-again', 'Look again, ten minutes later, with fresh eyes', 'site', workshop, {
    after: [touchUp.id],
    lags: { [touchUp.id]: { min: AWAY_MIN } },
  });
  const signOff = simple('sign-off', 'Walk round and sign off with the house', 'site', workshop, {
    after: [lookAgain.id],
    skills: crew.some((member) => member.skills.includes('lead')) ? ['lead'] : [],
  });
  const done = [...put, stepBack, touchUp, lookAgain, signOff];
  const { drive, site: arrived } = visit;
  if (!drive) return [clean, ...visit.bench, ...done];
  const dropOff = dropOffWork(file, 'set-up', 'unload');
  const fetched = dropOff.find(({ id }) => id === 'drive-fetch');
  const loadOut = loadOutWork(file, pieces, Math.min(2, leaving.length), signOff.id);
  // Whoever was dropped off waits to be fetched, though not for long.
  const out: Work = fetched
    ? {
        ...loadOut,
        after: [signOff.id, fetched.id],
        lags: { [signOff.id]: { max: WAITS_MIN }, [fetched.id]: { max: WAITS_MIN } },
      }
    : { ...loadOut, lags: { [signOff.id]: { max: 0 } } };
  // Whoever put it up goes home with the van, or on to the next place of a round: nobody waits without being asked to.
  const home: Work = {
    ...driveWork(file, {
      id: 'drive-home',
      label: 'Drive back to the workshop',
      trip: 'set-up',
      after: [out.id],
    }),
    lags: { [out.id]: { max: 0 } },
  };
  return [
    clean,
    ...visit.bench,
    ...visit.load,
    ...[drive, ...arrived, ...done, ...dropOff, out, ...(endsThere(file, 'set-up') ? [home] : [])].map(
      (work) => ({ ...work, trip: 'set-up' as const }),
    ),
  ];
}

/** What has been done before the first piece is put up. */
interface Visit {
  bench: Work[];
  load: Work[];
  drive: Work | undefined;
  /** On site, before the pieces. */
  site: Work[];
  /** The van's second load, if there is one. */
  again: Work[];
  /** What every piece waits for, and hooks that need their hour. */
  ready: string[];
  hooksAfter: string[];
}

function atHome(bench: Work[], clean: Work): Visit {
  return {
    bench,
    load: [],
    drive: undefined,
    site: [],
    again: [],
    ready: [clean.id],
    hooksAfter: [clean.id],
  };
}

/** Loaded, driven, parked and signed in, unloaded over protected floors. */
function arrival(file: JobFile, pieces: readonly WorkedPiece[], bench: Work[], clean: Work): Visit {
  const { workshop } = file;
  const { arriving: crew, working: stay } = peopleThere(file, 'set-up');
  const two = Math.min(2, crew.length);
  const bags = bench.filter((work) => work.id.endsWith('--bag')).map((work) => work.id);
  const load = loadWork(file, pieces, Math.min(2, file.job.crew.length), [
    ...bags,
    ...(bench.length ? [] : [clean.id]),
  ]);
  const drive = driveWork(file, {
    id: 'drive-out',
    label: driveWords(file, 'set-up'),
    trip: 'set-up',
    isOut: true,
    after: [load.id],
  });
  const signIn = signInWork(file, crew.length, drive.id);
  const first = unloadFirstWork(file, pieces, two, signIn[0]?.id ?? drive.id);
  const protect = simple('protect-floor', 'Protect floor and edges, set out tools', 'site', workshop, {
    after: [first.id],
  });
  const isFixed = pieces.some(({ held }) => held?.points.some(({ on }) => !on));
  const before = isFixed
    ? [
        simple(
          'photograph-before',
          'Photograph every place to be fixed to, marks and all',
          'site',
          workshop,
          {
            after: [first.id],
          },
        ),
      ]
    : [];
  // Nothing is carried in over bare floors.
  const unload = unloadWork(file, pieces, two, protect.id);
  const again = secondLoadWork(file, pieces, stay, Math.min(2, stay.length), unload.id);
  const looked = before.map(({ id }) => id);
  return {
    bench,
    load: [load],
    drive,
    site: [...signIn, first, protect, ...before, unload, ...again],
    again,
    ready: [unload.id, protect.id, ...looked],
    hooksAfter: [first.id, protect.id, ...looked],
  };
}

/** The pieces: furniture first, then each piece step after step, in the order that carriers ask for. */
function putUp(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  crew: readonly CrewMember[],
  { ready, hooksAfter, again, drive, bench }: Visit,
): Work[] {
  const { job, workshop } = file;
  // What comes with the second load waits for it; at home a piece waits for its own balloons.
  const readyFor = ({ piece }: WorkedPiece, first: string[]) => {
    const own = drive ? [] : lastOf(bench.filter(({ pieceId }) => pieceId === piece.id)).map(({ id }) => id);
    const late = job.secondLoad?.includes(piece.id) ? again.slice(-1).map(({ id }) => id) : [];
    return [...first, ...own, ...late];
  };
  // Furniture and linen first: they take long, and what is dressed stands on or round them.
  const isFirst = ({ piece }: WorkedPiece) => isFurniture(piece) && !piece.on;
  const dressed = (worked: WorkedPiece, first: string[]) =>
    dressWork(worked, file, crew, {
      after: readyFor(worked, first),
      hooksAfter: readyFor(worked, hooksAfter),
    });
  const furnish = pieces.filter(isFirst).flatMap((worked) => dressed(worked, ready));
  const after = furnish.length ? furnish.map((work) => work.id) : ready;
  const others = pieces.filter((worked) => !isFirst(worked));
  const blown = others.flatMap((worked) =>
    asBenchWork(worked, 'site', readyFor(worked, ready), workshop.inflators, crew),
  );
  const up = others.flatMap((worked) => dressed(worked, after));
  return inPieceOrder([...furnish, ...blown, ...up], job.pieces);
}

/** Tasks of a list that no other of it waits for. */
function lastOf(works: readonly Work[]): Work[] {
  const waited = new Set(works.flatMap(({ after }) => after));
  return works.filter(({ id }) => !waited.has(id));
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
