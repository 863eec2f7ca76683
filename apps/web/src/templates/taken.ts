import type { JobHead, Piece, Site, Spot, Template } from '@early-lantern/contract';
import type { DateTime } from 'luxon';
import { newId } from '../parts/ids.ts';

const minutesAfter = (moment: string, doors: string): number =>
  Math.round((Date.parse(moment) - Date.parse(doors)) / 60_000);

/** A job as a template: its pieces, and its hours as they lie about doors. What belongs to its day and its people stays behind. */
export function templateOfJob(head: JobHead, pieces: Piece[]): Template {
  const { name, doors, access, strike, event, notes } = head;
  return {
    id: newId(name),
    name,
    what: 'job',
    pieces,
    hours: {
      accessFrom: minutesAfter(access.from, doors),
      accessUntil: minutesAfter(access.until, doors),
      strikeFrom: minutesAfter(strike.from, doors),
      strikeUntil: minutesAfter(strike.until, doors),
    },
    event,
    notes,
  };
}

/** A piece as a template, with the pieces that hang on it. @param pieces itself first */
export function templateOfPieces(pieces: readonly [Piece, ...Piece[]]): Template {
  const { name } = pieces[0];
  return { id: newId(name), name, what: 'piece', pieces: freed(pieces) };
}

/** The pieces; what hangs on one that is not among them says nothing of a carrier any more. */
function freed(pieces: readonly Piece[]): Piece[] {
  const here = new Set(pieces.map(({ id }) => id));
  return pieces.map((piece) => {
    const { on, alsoOn, ...rest } = piece;
    return {
      ...rest,
      ...(on && here.has(on.pieceId) ? { on } : {}),
      ...(alsoOn && here.has(alsoOn.pieceId) ? { alsoOn } : {}),
    } as Piece;
  });
}

/**
 * The pieces of a template as new ones.
 * @param spotIdOf where each goes, by the spot that it was made for
 * @param others those that are there: on paper none may be taken for another
 */
export function piecesOf(
  { pieces }: Template,
  spotIdOf: (spotId: string) => string,
  others: readonly Pick<Piece, 'name'>[] = [],
): Piece[] {
  const ids = new Map(pieces.map(({ id, name }) => [id, newId(name)]));
  const names = new Set(others.map(({ name }) => name));
  const renamed = <T extends { pieceId: string }>(on: T): T => ({
    ...on,
    pieceId: ids.get(on.pieceId) as string,
  });
  return freed(pieces).map(
    (piece) =>
      ({
        ...piece,
        id: ids.get(piece.id),
        name: freeName(piece.name, names),
        spotId: spotIdOf(piece.spotId),
        ...(piece.on ? { on: renamed(piece.on) } : {}),
        ...(piece.alsoOn ? { alsoOn: renamed(piece.alsoOn) } : {}),
      }) as Piece,
  );
}

/** The name, with a number where somebody has it. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number++) {
    const one = number === 1 ? name : `${name.slice(0, 115)} ${number}`;
    if (!taken.has(one)) return one;
  }
}

/**
 * Spots of a site for the pieces of a template, those of one spot together: the same spot where it is there; else one after the
 * other, and on the last what is left.
 */
export function spotsFor({ pieces }: Template, { spots }: Pick<Site, 'spots'>): (spotId: string) => string {
  const wanted = [...new Set(pieces.map(({ spotId }) => spotId as string))];
  const free = spots.filter(({ id }) => !wanted.includes(id));
  const found = new Map<string, string>();
  for (const id of wanted) {
    const same = spots.find((spot) => spot.id === id);
    const spot = same ?? free.shift() ?? spots.at(-1);
    if (spot) found.set(id, spot.id);
  }
  return (spotId) => found.get(spotId) ?? (spots[0] as Spot).id;
}

/** Access and strike of a template's job about new doors; none where it says nothing of them. */
export function hoursAbout(
  { hours }: Template,
  doors: DateTime,
): Pick<JobHead, 'access' | 'strike'> | undefined {
  if (!hours) return undefined;
  const at = (minutes: number) => doors.plus({ minutes }).toISO({ suppressMilliseconds: true }) as string;
  return {
    access: { from: at(hours.accessFrom), until: at(hours.accessUntil) },
    strike: { from: at(hours.strikeFrom), until: at(hours.strikeUntil) },
  };
}
