import type { CrewMember, JobFile, Working } from '@early-lantern/contract';
import { type Effort, effort, scaled, together } from '../bench/rates.ts';
import { methodOf } from '../fixing/methods.ts';
import { type PieceWait, pieceWaits, waitsFor } from '../network/pieces.ts';
import { isFurniture } from '../piece/kinds.ts';
import { plural } from '../quantity/plural.ts';
import { working } from '../working.ts';
import { carryOutWork, returnGearWork, takingWagons } from './carry-work.ts';
import { isLadderHigh, laddersOf } from './dress-work.ts';
import { endsThere, peopleThere } from './rounds.ts';
import { driveWords, driveWork, dropOffWork, signInWork } from './travel-work.ts';
import { WAITS_MIN } from './trips.ts';
import { otherWays, ownId, shared, simple, type Work, type WorkedPiece } from './work.ts';

/** Of taking a section down and collecting its scraps, what is the scraps. From memory, an editable default. */
const SCRAPS = 0.25;
/** Taking a frame apart takes so much of setting it, clearing furniture away so much of placing it. From memory. */
const APART = 0.25;
const CLEARED = 0.5;

/**
 * After the event: out again, everything down in the reverse of how it went up, carried things first; scraps, out,
 * home, counted. Nothing where the client keeps it.
 * @param up the tasks of putting it up, in the order that carriers ask for
 */
export function strikeWork(file: JobFile, pieces: readonly WorkedPiece[], up: readonly Work[]): Work[] {
  const { workshop, site, job } = file;
  if (job.isKept) return [];
  const { arriving, working: crew, leaving } = peopleThere(file, 'strike');
  const two = Math.min(2, leaving.length);
  const drive = site.isWorkshop ? undefined : driveToStrike(file, Math.min(2, arriving.length));
  const there = drive ? [drive, ...signInWork(file, arriving.length, drive.id, 'strike-sign-in')] : [];
  const arrived = there.slice(-1).map(({ id }) => id);
  const dropOff = dropOffWork(file, 'strike', arrived[0] ?? '');
  const down = inReverse(
    pieces.flatMap((worked) => takeDown(worked, file, crew, arrived)),
    pieceWaits(up, job.pieces),
    up,
  );
  const sections = pieces.reduce((sum, { recipe }) => sum + recipe.sections.length, 0);
  const strike: Work = {
    id: 'strike',
    label: 'Collect every scrap, cut ties and tape',
    place: 'site',
    ...shared(part(effort('strike-section', sections, workshop), SCRAPS, 'Of it, the scraps'), crew.length),
    hands: crew.length,
    skills: [],
    gear: [],
    after: down.length > 0 ? down.map(({ id }) => id) : arrived,
    cautions: ['children'],
  };
  const fixed = pieces.filter(({ held }) => held?.points.some(({ on }) => !on));
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
  const last = lookOver[0]?.id ?? strike.id;
  const fetched = dropOff.find(({ id }) => id === 'strike-drive-fetch');
  const home = wayHome(file, pieces, two, last).map((work) =>
    fetched && work.id === 'carry-out'
      ? { ...work, after: [...work.after, fetched.id], lags: { [fetched.id]: { max: WAITS_MIN } } }
      : work,
  );
  const tasks = [...there, ...down, strike, ...lookOver, ...dropOff, ...home];
  return tasks.map((work) => ({ ...work, trip: 'strike' }));
}

function driveToStrike(file: JobFile, two: number): Work {
  const label = `${driveWords(file, 'strike')} for the strike`;
  return takingWagons(
    driveWork(file, { id: 'drive-strike', label, trip: 'strike', isOut: true, after: [] }),
    file,
    two,
  );
}

/** Out to the vehicle and home, then the gear counted; in the workshop itself only that. */
function wayHome(file: JobFile, pieces: readonly WorkedPiece[], two: number, after: string): Work[] {
  const gear = (before: string, label: string) => returnGearWork(file, pieces, label, two, before);
  if (file.site.isWorkshop) return [gear(after, 'Count the gear, note what failed')];
  const carryOut = carryOutWork(file, pieces, two, after);
  const unload = 'Unload, count the gear, note what failed';
  if (!endsThere(file, 'strike')) return [carryOut, gear(carryOut.id, unload)];
  const back = driveWork(file, {
    id: 'drive-back',
    label: 'Drive back to the workshop',
    trip: 'strike',
    after: [carryOut.id],
  });
  return [carryOut, back, gear(back.id, unload)];
}

/** A piece's dressing taken down, then its frame taken apart, as far as it has either. */
function takeDown(worked: WorkedPiece, file: JobFile, crew: readonly CrewMember[], after: string[]): Work[] {
  const { piece, recipe, held } = worked;
  const frames = recipe.siteWork.filter(({ stage }) => stage === 'frame');
  const isDressed = recipe.siteWork.some(({ stage }) => stage !== 'frame');
  const sections = recipe.sections.length;
  const ladders = laddersOf(worked, file);
  const isHigh = isLadderHigh(worked) || ladders.length > 0;
  const task = (id: string, label: string, needed: Effort, before: string[], isLadderWork: boolean): Work => {
    const hands = Math.min(isLadderWork || id === 'apart' ? 2 : 1, crew.length);
    return {
      id: ownId(piece.id, id),
      label: `${piece.name}: ${label}`,
      place: 'site',
      ...shared(needed, hands),
      hands,
      ways: otherWays(needed, hands, 1, Math.min(3, crew.length)),
      ...(isLadderWork ? { ladders } : {}),
      skills: isLadderWork && ladders.length > 0 ? ['ladder'] : [],
      gear: [],
      pieceId: piece.id,
      after: before,
      cautions: isLadderWork ? ['ladder'] : [],
    };
  };
  const down = isDressed
    ? [
        task(
          'down',
          sections === 1 ? 'take it down' : `take down ${plural(sections, 'section')}`,
          part(effort('strike-section', sections, file.workshop), 1 - SCRAPS, 'Of it, taking down'),
          after,
          isHigh,
        ),
      ]
    : [];
  if (frames.length === 0) return down;
  const set = together(frames.map(({ rate, amount }) => effort(rate, amount, file.workshop)));
  const isCleared = isFurniture(piece);
  const isWeighted = held?.ballastKg.some((kg) => kg > 0) ?? false;
  const label = isCleared ? 'clear it away' : `take the frame apart${isWeighted ? ', weights last' : ''}`;
  return [
    ...down,
    task(
      'apart',
      label,
      part(set, isCleared ? CLEARED : APART, 'Of setting it up'),
      [...after, ...down.map(({ id }) => id)],
      false,
    ),
  ];
}

/** The tasks of taking down so that what had to wait going up is waited for coming down. */
function inReverse(downs: Work[], waits: readonly PieceWait[], up: readonly Work[]): Work[] {
  const byId = new Map(up.map((one) => [one.id, one]));
  const has = new Set(downs.map(({ id }) => id));
  // A frame comes apart, all else of a piece comes down; a piece that has only one of them does both in it.
  const downOf = (id: string): string | undefined => {
    const one = byId.get(id);
    if (!one?.pieceId) return undefined;
    const names = one.stage === 'frame' || one.stage === 'tie' ? ['apart', 'down'] : ['down', 'apart'];
    return names.map((name) => ownId(one.pieceId as string, name)).find((name) => has.has(name));
  };
  return waits.reduce<Work[]>((all, { first, next }) => {
    const [later, sooner] = [downOf(first), downOf(next)];
    if (!later || !sooner || later === sooner || waitsFor(all, sooner, later)) return all;
    return all.map((one) =>
      one.id === later && !one.after.includes(sooner) ? { ...one, after: [...one.after, sooner] } : one,
    );
  }, downs);
}

/** A share of an effort, which its working says. */
const part = (work: Effort, share: number, label: string): Effort =>
  scaled(work, share, [
    working(label, 'a share', [], { value: share, unit: '×' }, 'from memory, an editable default'),
  ]);

/** How each method that was used comes off without a mark. */
function removals(fixed: readonly WorkedPiece[]): Working[] {
  const points = fixed.flatMap(({ held }) => held?.points ?? []);
  return [...new Set(points.map(({ method }) => method))].map((id) => {
    const { label, removal, source } = methodOf(id);
    const count = points.filter(({ method }) => method === id).length;
    return working(`Taking off: ${label}`, removal, [], { value: count, unit: 'points' }, source);
  });
}
