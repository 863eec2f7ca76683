import type { CargoKind, HoldPiece, JobFile, PackingRow, Piece } from '@early-lantern/contract';
import type { Batch } from '../bench/batch.ts';
import type { Recipe } from '../piece/recipe.ts';
import type { Cargo } from './cargo.ts';

/** Something that rides as one: a bag, a bundle, a crate, a stand. */
export interface Good {
  kind: CargoKind;
  label: string;
  pieceId?: Piece['id'];
  /** Where it comes off, where it rides with the things of other places. */
  place?: string;
  /** As what and how many it is counted in the workshop. */
  gear?: NonNullable<PackingRow['gear']>;
  cargo: Cargo;
}

/** A piece with what has been worked out for it, as far as loading asks. */
export interface MadePiece {
  piece: Piece;
  recipe: Recipe;
  batches: readonly Batch[];
  held?: HoldPiece;
}

/** What is taken off the vehicle first on site, and all the rest. */
export const FIRST_OFF = 1;
export const REST_OFF = 2;

/** Whether a vehicle comes back for a piece. */
export const comesLater = ({ job }: Pick<JobFile, 'job'>, pieceId: string | undefined): boolean =>
  pieceId !== undefined && (job.secondLoad?.includes(pieceId as Piece['id']) ?? false);
