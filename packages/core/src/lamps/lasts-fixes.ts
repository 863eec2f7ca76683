import type { Change, Fix, JobFile, Lamp, LastingLot, Piece, Plan } from '@early-lantern/contract';
import { applyChanges } from './fixes.ts';

const MOST_FIXES = 3;
/** Each try is a plan of its own: no more than so many. */
const MOST_TRIES = 6;
const RANK = { out: 0, low: 1, lit: 2, unlit: 3 } as const;

interface Attempt {
  label: string;
  changes: Change[];
}

/**
 * Ways out of *Lasts* that were tried on the piece with the weakest lot: in the shade, blown on site, fillers only, smaller,
 * without a shine treatment, of a better grade. Each leaves the lamp better than it was.
 * @param draft the plan of a changed file, no fixes tried
 */
export function lastsFixes(file: JobFile, plan: Plan, draft: (file: JobFile) => Plan): Fix[] {
  const { lasts: lamp } = plan.lamps;
  if (lamp.state !== 'out' && lamp.state !== 'low') return [];
  const weak = plan.lasts.lots.filter((lot) => lot.state === lamp.state);
  const fixes: Fix[] = [];
  let tries = 0;
  for (const pieceId of new Set(weak.map((lot) => lot.pieceId))) {
    const index = file.job.pieces.findIndex(({ id }) => id === pieceId);
    const piece = file.job.pieces[index];
    if (!piece) continue;
    for (const attempt of [...(tries === 0 ? shading(file, weak) : []), ...attemptsFor(piece, index)]) {
      if (++tries > MOST_TRIES) return fixes;
      const after = draft(applyChanges(file, attempt.changes));
      if (!isBetter(after.lamps.lasts, lamp) || isLate(after, plan)) continue;
      fixes.push({ ...attempt, gain: after.lamps.lasts.figure });
      if (fixes.length === MOST_FIXES) return fixes;
    }
  }
  return fixes;
}

const isBetter = (after: Lamp, before: Lamp): boolean =>
  RANK[after.state] > RANK[before.state] && after.state !== 'unlit';

/** What saves the balloons must not make the crew late where it was not. */
const isLate = (after: Plan, before: Plan): boolean =>
  RANK[after.lamps.onTime.state] < RANK[before.lamps.onTime.state] && after.lamps.onTime.state === 'out';

function attemptsFor(piece: Piece, index: number): Attempt[] {
  if (!('schools' in piece) && !('grade' in piece)) return [];
  const path = `/job/pieces/${index}`;
  const schools = 'schools' in piece ? (piece.schools ?? {}) : {};
  const school = (more: Record<string, string>) => ({
    path: `${path}/schools`,
    value: { ...schools, ...more } as Change['value'],
  });
  return [
    ...(schools.inflatedAt === 'site'
      ? []
      : [
          {
            label: `${piece.name}: fillers blown on site`,
            changes: [school({ inflatedAt: 'fillers-on-site' })],
          },
          { label: `${piece.name}: all blown on site`, changes: [school({ inflatedAt: 'site' })] },
        ]),
    ...(schools.bloom && schools.bloom !== 'none'
      ? [{ label: `${piece.name}: no shine treatment`, changes: [school({ bloom: 'none' })] }]
      : []),
    ...smaller(piece, path),
    ...('grade' in piece && piece.grade !== 'professional'
      ? [
          {
            label: `${piece.name}: professional balloons`,
            changes: [{ path: `${path}/grade`, value: 'professional' }],
          },
        ]
      : []),
  ];
}

/** Canopies over all spots whose weak lots have sun. */
function shading({ job, site }: JobFile, weak: readonly LastingLot[]): Attempt[] {
  const sunny = new Set(weak.flatMap(({ pieceId, sunHours }) => (sunHours > 0 ? [pieceId] : [])));
  const ids = new Set(job.pieces.filter(({ id }) => sunny.has(id)).map(({ spotId }) => spotId));
  const spots = site.spots.filter(({ id }) => ids.has(id));
  if (spots.length === 0) return [];
  return [
    {
      label: `A canopy for shade at ${spots.map(({ name }) => name).join(', ')}`,
      changes: [{ path: '/job/shaded', value: [...(job.shaded ?? []), ...spots.map(({ id }) => id)] }],
    },
  ];
}

/** Blown a little smaller, so that heat has room. */
function smaller(piece: Piece, path: string): Attempt[] {
  const less = (diameterIn: number) => Number((diameterIn * 0.92).toFixed(1));
  if ('sizes' in piece)
    return [
      {
        label: `${piece.name}: blown 8 % smaller`,
        changes: [
          {
            path: `${path}/sizes`,
            value: piece.sizes.map((size) => ({
              ...size,
              inflatedIn: { min: less(size.inflatedIn.min), max: less(size.inflatedIn.max) },
            })) as Change['value'],
          },
        ],
      },
    ];
  if ('balloon' in piece)
    return [
      {
        label: `${piece.name}: blown to ${less(piece.balloon.inflatedIn)} in.`,
        changes: [{ path: `${path}/balloon/inflatedIn`, value: less(piece.balloon.inflatedIn) }],
      },
    ];
  return [];
}
