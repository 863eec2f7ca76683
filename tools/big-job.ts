import { readFileSync } from 'node:fs';
import {
  type JobFile,
  JobFile as JobFileSchema,
  type Piece,
  type PieceKind,
  type PieceOf,
} from '@early-lantern/contract';
import { newPiece } from '@early-lantern/core';

/** A job file of the demo. */
export const demo = (name: string): JobFile =>
  JobFileSchema.parse(JSON.parse(readFileSync(`demo/jobs/${name}.json`, 'utf8')));

/** Twelve pieces of many kinds with about three thousand balloons, all on the engine shed's floor. */
export function bigJob(): JobFile {
  const file = demo('02-engine-shed');
  const spot = file.site.spots.find((one) => one.id === 'engine-floor');
  if (!spot) throw new Error('the demo shed has no engine floor');
  const colours = file.workshop.colours.map((colour) => colour.id);
  const make = <K extends PieceKind>(
    kind: K,
    id: string,
    xM: number,
    more: Partial<PieceOf<K>> = {},
  ): Piece => {
    const fresh = newPiece(kind, { id, name: `Big ${id}`, spot, colours, seed: 7 }) as PieceOf<K>;
    const at = 'at' in fresh ? { at: { ...fresh.at, xM } } : {};
    return { ...fresh, ...at, ...more } as Piece;
  };
  const line = (yM: number) => [0.6, 2.5, 4.5, 6.6, 8.4].map((xM, i) => ({ xM, yM: yM + (i % 2) * 0.3 }));
  return {
    ...file,
    job: {
      ...file.job,
      id: 'big-day',
      name: 'Big day',
      pieces: [
        make('organic-garland', 'top', 0, { line: line(3.2), widthM: 0.85 }),
        make('organic-garland', 'middle', 0, { line: line(2.3), widthM: 0.75 }),
        make('organic-garland', 'low', 0, { line: line(1.2), widthM: 0.75 }),
        make('packed-arch', 'gate', 4.5, { pipeLengthM: 9.144, spanM: 4 }),
        make('packed-arch', 'inner-gate', 4.5, { pipeLengthM: 7.62, spanM: 3.2 }),
        make('packed-column', 'left', 0.5, { heightM: 2.2 }),
        make('packed-column', 'right', 8.6, { heightM: 2.2 }),
        make('photo-frame', 'frame', 2, {}),
        make('panel-wall', 'panels', 6.5, {}),
        make('tower', 'tower', 7.6, {}),
        make('centrepiece', 'tables', 3.3, { count: 10 }),
        make('standing-garland', 'standing', 1.2, {}),
      ],
    },
  };
}
