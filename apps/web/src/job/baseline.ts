import type { JobHead, JobRow, Piece } from '@early-lantern/contract';

export interface SavedRow<D> {
  revision: number;
  data: D;
}

/** What the server is known to hold of a job. */
export interface Baseline {
  head: SavedRow<JobHead>;
  pieces: Map<string, SavedRow<Piece>>;
}

export const baselineOf = (row: JobRow): Baseline => ({
  head: { revision: row.revision, data: row.data },
  pieces: new Map(row.pieces.map((piece) => [piece.data.id, { revision: piece.revision, data: piece.data }])),
});

/** The revisions of all rows, as one word. */
export const revisionsOf = ({ head, pieces }: Baseline): string =>
  JSON.stringify([head.revision, [...pieces].map(([id, { revision }]) => [id, revision]).sort()]);
