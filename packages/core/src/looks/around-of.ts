import type { On, Piece, Workshop } from '@early-lantern/contract';
import { designOf } from '../piece/design.ts';
import { kindOf } from '../piece/kinds.ts';
import type { Area, PartMade } from '../piece/part.ts';
import { schoolsOf } from '../piece/recipe-of.ts';
import { type Around, alone } from './around.ts';
import { hangKey, hung } from './hang.ts';
import { asBalls, type Balls } from './near-pairs.ts';

/** What balloons lie against, and whose edges what runs along them is to cover; a curtain gives way, its hem is to show. */
const BOARDS: readonly PartMade[] = ['panel', 'board', 'mesh'];

/** What is tied into these lies over them; at an end it goes on. */
const OVER: readonly On['part'][] = ['body', 'layer'];

/** The panels and boards of a piece. */
export const ownBoards = (piece: Piece): Area[] =>
  (kindOf(piece).parts?.(piece) ?? []).flatMap(({ made, area }) =>
    area && BOARDS.includes(made) ? area : [],
  );

/** What is about a piece among the others of its job. @param isQuick roughly, for while something is dragged */
export function aroundOf(
  piece: Piece,
  pieces: readonly Piece[],
  workshop: Pick<Workshop, 'schools'>,
  isQuick = false,
): Around {
  const carriers = carriersOf(piece, pieces);
  const boards = carriers.flatMap(({ carrier }) => ownBoards(carrier));
  const balloons = carriers
    .filter(({ carrier, part }) => isOfBalloons(carrier, part))
    .map(({ carrier, part }) => ({ part, ...balloonsOf(carrier, pieces, workshop, isQuick) }));
  return {
    boards,
    balls: balloons.map(({ balls }) => balls),
    under: balloons.filter(({ part }) => OVER.includes(part)).map(({ balls }) => balls),
    key: JSON.stringify([boards, balloons.map(({ part, key }) => [part, key])]),
    accents: pieces.flatMap((one) =>
      one.kind === 'accent' && one.on?.pieceId === piece.id ? { x: one.at.xM, y: one.at.yM } : [],
    ),
  };
}

const carriersOf = (piece: Piece, pieces: readonly Piece[]): { carrier: Piece; part: On['part'] }[] =>
  [piece.on, piece.alsoOn].flatMap((on) => {
    const carrier = pieces.find(({ id }) => id === on?.pieceId);
    return on && carrier ? [{ carrier, part: on.part }] : [];
  });

const isOfBalloons = (carrier: Piece, part: On['part']): boolean =>
  (kindOf(carrier).parts?.(carrier) ?? []).some(({ id, made }) => id === part && made === 'balloons');

/** The balloons of a carrier where they hang by themselves, against the boards that it lies on. */
function balloonsOf(
  carrier: Piece,
  pieces: readonly Piece[],
  { schools }: Pick<Workshop, 'schools'>,
  isQuick: boolean,
): { balls: Balls; key: string } {
  const design = designOf(carrier, schoolsOf(carrier, schools));
  const { lines, shapes, balloons } = design.placement();
  if (!lines || lines.length === 0) return { balls: asBalls(balloons), key: design.key };
  const boards = carriersOf(carrier, pieces).flatMap((one) => ownBoards(one.carrier));
  const around = { ...alone, boards, key: JSON.stringify(boards) };
  return { balls: hung(lines, shapes, isQuick, around).balls, key: hangKey(lines, shapes, around) };
}
