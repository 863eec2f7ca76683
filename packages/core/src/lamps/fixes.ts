import type {
  BalloonRow,
  Change,
  ColourId,
  Fix,
  JobFile,
  Lamp,
  OnTime,
  Piece,
  Plan,
  StandIn,
  Task,
} from '@early-lantern/contract';
import { dequal } from 'dequal';
import { DateTime } from 'luxon';
import { familyOf, sizeName } from '../balloon/catalogue.ts';
import { inHandWanted } from '../clock/day-problem.ts';
import { methodOf } from '../fixing/methods.ts';
import { mixesOf, recoloured } from '../piece/colours.ts';
import { fluffDropped } from '../piece/fluff.ts';
import { isGarland, traitsOf } from '../piece/kinds.ts';
import { lineOfLength } from '../piece/line-of-length.ts';
import { madeRecipe, recipeOf } from '../piece/recipe-of.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { lacksOf, substitutes, wantedDay } from '../stock/buy.ts';
import { type ProductNeed, productNeeds } from '../stock/needs.ts';
import { purchasesOf } from '../stock/purchases.ts';
import { longestFor } from './how-long.ts';
import { ownStand } from './reach-fixes.ts';

/**
 * The file with changes made: JSON pointers into it, each set to a value. The file itself stays as it is, and what a
 * change does not touch stays the same object, so that its recipe need not be worked out again.
 */
export function applyChanges(file: JobFile, changes: readonly Change[]): JobFile {
  return changes.reduce<JobFile>(
    (changed, { path, value }) => withValue(changed, path.split('/').slice(1), value, path) as JobFile,
    file,
  );
}

function withValue(tree: unknown, [key, ...rest]: string[], value: unknown, path: string): unknown {
  if (key === undefined) return value;
  if (typeof tree !== 'object' || tree === null) throw new RangeError(`no place "${path}" in the job`);
  const copy = (Array.isArray(tree) ? [...tree] : { ...tree }) as Record<string, unknown>;
  copy[key] = withValue(copy[key], rest, value, path);
  return copy;
}

const MOST_FIXES = 3;

/** What a file's counts say of *Enough*. */
export interface EnoughAnswer {
  lamp: Lamp;
  balloons: readonly BalloonRow[];
}

/**
 * Ways out of *Enough* that were tried, what spoils the design least first: ordering, a neighbouring size of the same
 * colour, a close colour, less of the short one, and last a shorter piece, which the client has to be asked about. Each
 * turns the lamp: what is short of several products is mended in all of them.
 */
export function enoughFixes(file: JobFile, plan: Plan, answer: (file: JobFile) => EnoughAnswer): Fix[] {
  const { state } = plan.lamps.enough;
  if (state !== 'out' && state !== 'low') return [];
  const day = wantedDay(file);
  const short = productNeeds(plan.totals.balloons, file.workshop, day).filter(({ over }) => over < 0);
  const [worst] = short;
  const p = worst ? thirstiest(plan, worst) : -1;
  const piece = file.job.pieces[p];
  if (!worst || !piece) return [];
  // Materials that are short stay so: they have no fix but buying.
  const turns = (changed: JobFile, { balloons }: EnoughAnswer) =>
    productNeeds(balloons, changed.workshop, day).every(({ over }) => over >= 0);
  const tried = (changes: readonly Change[]) => {
    const changed = applyChanges(file, changes);
    const found = answer(changed);
    return turns(changed, found) ? found.lamp.figure : undefined;
  };
  const fixes: Fix[] = [];
  const offer = (attempts: readonly Attempt[]) => {
    // The smallest change of a family that helps; one of each family at most.
    for (const attempt of attempts) {
      const gain = tried(attempt.changes);
      if (gain === undefined) continue;
      fixes.push({ ...attempt, gain });
      return;
    }
  };
  const order = ordering(file, short, day);
  const ordered = order && tried(order.changes);
  if (order && ordered !== undefined) fixes.push({ ...order, changes: [], gain: ordered });
  offer(jointly(short, (now, one) => otherSizes(now, one), file));
  offer(jointly(short, (now, one) => inPlaceOf(now, one), file));
  for (const family of recolourings(file, piece, p, worst.colour)) offer(family);
  const longestM = longestFor(file, p, (changed) => answer(changed).balloons);
  if (longestM > 0) offer(shortening(piece, p, longestM, file));
  return fixes.slice(0, MOST_FIXES);
}

/** All that is missing, ordered in the packs it comes in; where it is marked as ordered. */
function ordering(file: JobFile, short: readonly ProductNeed[], wanted: string): Attempt | undefined {
  const { workshop, job } = file;
  // The order days do not depend on today; whether they have passed is for the screen to say.
  const bought = purchasesOf(lacksOf(job.name, short, wanted), workshop, wanted);
  const orderBy = bought.map((one) => one.orderBy).sort()[0];
  if (!orderBy || bought.some(({ arrives }) => arrives === undefined)) return undefined;
  const onOrder = bought.map(({ nominalIn, colour, cover }, i) => ({
    id: `tried-${i}`,
    nominalIn,
    colour,
    count: cover.balloons,
    arrives: wanted,
  }));
  return {
    label: `Order ${inWords(file, short)} by ${DateTime.fromISO(orderBy).toFormat('ccc d LLL', { locale: 'en' })}`,
    changes: [{ path: '/workshop/onOrder', value: [...(workshop.onOrder ?? []), ...onOrder] }],
    opens: 'buy',
    byDay: orderBy,
  };
}

/** "36 of 11 in. Brick", "the 3 missing products". */
function inWords(file: JobFile, short: readonly ProductNeed[]): string {
  const [one, more] = short;
  return one && !more
    ? `${-one.over} of ${sizeName(one.nominalIn)} ${colourName(file, one.colour)}`
    : `the ${plural(short.length, 'missing product')}`;
}

/** One attempt that mends every short product by the first way there is for it; none where one has no way. */
function jointly(
  short: readonly ProductNeed[],
  waysOf: (file: JobFile, product: ProductNeed) => Attempt[],
  file: JobFile,
): Attempt[] {
  const [first, ...others] = short;
  if (!first) return [];
  return waysOf(file, first).flatMap((start) => {
    let all: Attempt = start;
    for (const product of others) {
      const next = waysOf(applyChanges(file, all.changes), product)[0];
      if (!next) return [];
      all = { label: `${all.label}; ${next.label}`, changes: [...all.changes, ...next.changes] };
    }
    return [all];
  });
}

/** Index of the piece that takes most of a product. */
function thirstiest(plan: Plan, product: { nominalIn: number; colour: ColourId }): number {
  const taken = plan.pieces.map(({ balloons }) =>
    balloons
      .filter((row) => row.nominalIn === product.nominalIn && row.colour === product.colour)
      .reduce((sum, row) => sum + row.need, 0),
  );
  return taken.indexOf(Math.max(...taken));
}

type Attempt = Omit<Fix, 'gain'>;

/** The short product in a neighbouring size, blown to the same diameters, in every piece that takes it. */
function otherSizes(
  file: JobFile,
  { nominalIn, colour }: { nominalIn: number; colour: ColourId },
): Attempt[] {
  return familyOf(nominalIn)
    .filter((useIn) => useIn !== nominalIn)
    .map((useIn) => ({
      label: `${useIn} in. ${colourName(file, colour)} in place of ${nominalIn} in.`,
      changes: file.job.pieces.flatMap((piece, p): Change[] => {
        const row = madeRecipe(piece, file.workshop).needs.find(
          (one) => one.nominalIn === nominalIn && one.colour === colour,
        );
        if (!row || !('grade' in piece) || row.inflatedIn.max > useIn) return [];
        const standIn: StandIn = { way: 'other-size', nominalIn, colour, useIn, inflatedIn: row.inflatedIn };
        return [{ path: `/job/pieces/${p}/standIns`, value: [...(piece.standIns ?? []), standIn] }];
      }),
    }))
    .filter(({ changes }) => changes.length > 0);
}

/** A colour of no more than this share is an accent, and lost where it clumps. From memory, an editable default. */
const SCARCE_PCT = 10;

/** Less of the short colour step by step, more of one other colour: a family for each other colour. */
function recolourings(file: JobFile, piece: Piece, p: number, short: string): Attempt[][] {
  return mixesOf(piece).flatMap(({ path, mix: { colours } }) => {
    const from = colours.findIndex(({ colour }) => colour === short);
    const share = colours[from]?.sharePct ?? 0;
    const others = colours.map((other, to) => ({ other, to })).filter(({ to }) => to !== from);
    return others.map(({ other, to }) =>
      [2, 4, 6, 8, 10, 15, 20, 30]
        .filter((move) => move <= share)
        .map((move) => ({
          label: `${piece.name}: ${colourName(file, short)} ${round(share - move)} %${share - move > 0 && share - move <= SCARCE_PCT ? ', one by one to the front' : ''}, ${colourName(file, other.colour)} ${round(other.sharePct + move)} %`,
          changes: [
            { path: `/job/pieces/${p}${path}/colours/${from}/sharePct`, value: round(share - move) },
            { path: `/job/pieces/${p}${path}/colours/${to}/sharePct`, value: round(other.sharePct + move) },
            // What little is left of it goes where it shows.
            ...(share - move > 0 && share - move <= SCARCE_PCT
              ? [{ path: `/job/pieces/${p}${path}/colours/${from}/singly`, value: true }]
              : []),
          ],
        })),
    );
  });
}

const colourName = (file: JobFile, id: string) =>
  file.workshop.colours.find((colour) => colour.id === id)?.name ?? id;

/** Colours further off than this are no substitute. CIEDE2000; from memory, an editable default. */
const CLOSE_ENOUGH = 25;

/** The closest colours there is enough of, in place of the short one, in every piece that has it. */
function inPlaceOf(file: JobFile, short: { nominalIn: number; colour: ColourId }): Attempt[] {
  return substitutes(short.nominalIn, short.colour, file.workshop, wantedDay(file))
    .filter((one) => one.isMade && one.difference < CLOSE_ENOUGH)
    .slice(0, 3)
    .map(({ colour }) => ({
      label: `${colourName(file, colour)} in place of ${colourName(file, short.colour)}`,
      changes: file.job.pieces.flatMap((piece, p) => {
        // A curtain's cloth is no balloon.
        if (traitsOf(piece).balloons === 'none') return [];
        const changed = recoloured(piece, short.colour, colour);
        return dequal(changed, piece)
          ? []
          : [{ path: `/job/pieces/${p}`, value: changed as unknown as Change['value'] }];
      }),
    }));
}

const round = (value: number) => Number(value.toFixed(2));

/** The line shortened to what there are balloons for. */
function shortening(piece: Piece, p: number, lengthM: number, { workshop }: JobFile): Attempt[] {
  if (!isGarland(piece)) return [];
  return [
    {
      label: `Ask the client: ${piece.name} ${formatLength(lengthM, workshop.units)} long, as far as the balloons go`,
      changes: [{ path: `/job/pieces/${p}/line`, value: lineOfLength(piece, lengthM) }],
    },
  ];
}

/**
 * Ways out of *On time* that were tried: one more person, access earlier, longer hours, fewer fillers, no fluffing on a piece, a step
 * left out that nothing stands or falls by. Best gain first.
 */
export function onTimeFixes(file: JobFile, plan: Plan, retime: (file: JobFile) => OnTime): Fix[] {
  if (plan.lamps.onTime.state !== 'out' && plan.lamps.onTime.state !== 'low') return [];
  const { workshop, job } = file;
  const zone = workshop.timeZone;
  const people: Attempt[] = workshop.crew
    .filter((member) => !job.crew.includes(member.id))
    .map((member) => ({
      label: `Add ${member.name} to the crew`,
      changes: [{ path: '/job/crew', value: [...job.crew, member.id] }],
    }));
  // Where there is no plan at all, access may have to be hours earlier.
  const isPlanned = plan.onTime.minutesInHand !== null;
  const access: Attempt[] = (isPlanned ? [30, 60] : [60, 120, 180, 240]).map((minutes) => {
    const from = DateTime.fromISO(job.access.from, { zone }).minus({ minutes });
    return {
      label: `Ask the house for access from ${from.toFormat('HH:mm')}`,
      changes: [{ path: '/job/access/from', value: from.toISO({ suppressMilliseconds: true }) as string }],
    };
  });
  const filled = job.pieces.flatMap((piece, p) =>
    mixesOf(piece)
      .filter(({ mix }) => mix.fillers.triosPerM > 0)
      .map(({ path, mix }) => ({
        path: `/job/pieces/${p}${path}/fillers/triosPerM`,
        value: round(mix.fillers.triosPerM / 2),
      })),
  );
  const fillers: Attempt[] = filled.length
    ? [{ label: 'Halve the fillers on every piece', changes: filled }]
    : [];
  const fluff: Attempt[] = job.pieces.flatMap((piece, p) => {
    const narrower = fluffDropped(piece, recipeOf(piece, workshop.schools));
    return narrower === undefined
      ? []
      : [
          {
            label: `Drop the fluffing on ${piece.name}: ${formatLength(narrower, workshop.units)} wide`,
            changes: [{ path: `/job/pieces/${p}/widthM`, value: narrower }],
          },
        ];
  });
  // Hours for this job alone, round its work on site.
  const at = (iso: string, minutes: number) => DateTime.fromISO(iso, { zone }).plus({ minutes });
  const hours: Attempt[] = [
    { from: 0, until: 60 },
    { from: -120, until: 90 },
  ].map((more) => {
    const from = at(job.access.from, more.from);
    const until = at(job.doors, more.until);
    const iso = (moment: DateTime) => moment.toISO({ suppressMilliseconds: true }) as string;
    const own = job.crew.map((person) => ({ person, from: iso(from), until: iso(until) }));
    return {
      label: `Longer hours for the crew on this job: ${from.toFormat('HH:mm')} to ${until.toFormat('HH:mm')}`,
      changes: [{ path: '/job/hours', value: [...(job.hours ?? []), ...own] }],
    };
  });
  const before = plan.onTime.minutesInHand ?? -Infinity;
  const tried = (attempt: Attempt) => ({
    attempt,
    inHand: retime(applyChanges(file, attempt.changes)).minutesInHand ?? -Infinity,
  });
  const wanted = inHandWanted(file);
  // Of each kind of way out, the first that gains all that is wanted, else the one that gains most.
  return [people, access, hours, unhooked(file, plan), fillers, fluff, leavingOut(file, plan)]
    .flatMap((family) => {
      const all = family.map(tried);
      const enough = isPlanned ? undefined : all.find(({ inHand }) => inHand >= wanted);
      return enough ? [enough] : all.sort((a, b) => b.inHand - a.inHand).slice(0, 1);
    })
    .filter(({ inHand }) => inHand > before)
    .sort((a, b) => b.inHand - a.inHand)
    .map(({ attempt, inHand }) => ({ ...attempt, gain: inHandText(inHand) }));
}

/** Hung on a stand of its own, where it else waits for hooks that have to take hold. */
const unhooked = (file: JobFile, { holds }: Plan): Attempt[] =>
  file.job.pieces.flatMap((piece, p) => {
    const points = holds.pieces.find(({ id }) => id === piece.id)?.points ?? [];
    return points.some(({ method }) => methodOf(method).cureMin > 0) ? ownStand(file, piece, p) : [];
  });

/** So many of the longest steps are tried. */
const STEPS_TRIED = 4;

/** One step less, the longest first, of those that nothing stands or falls by. */
function leavingOut({ job }: JobFile, { tasks }: Plan): Attempt[] {
  const hours = ({ start, end, crew }: Task) => (Date.parse(end) - Date.parse(start)) * crew.length;
  return (
    tasks
      .filter(({ mayBeLeftOut, trip }) => mayBeLeftOut && trip !== 'strike')
      // The second look gives its ten minutes away as well.
      .sort((a, b) => Number(b.id === 'look-again') - Number(a.id === 'look-again') || hours(b) - hours(a))
      .slice(0, STEPS_TRIED)
      .map(({ id, label }) => {
        // A part of a step that is done in several goes stands for the whole.
        const step = id.split('~')[0] as string;
        const clock = { ...job.clock, leftOut: [...(job.clock?.leftOut ?? []), step] };
        return {
          label: `Leave out: ${label.replace(/ \(\d+ of \d+\)$/, '')}`,
          changes: [{ path: '/job/clock', value: clock as unknown as Change['value'] }],
        };
      })
  );
}

const inHandText = (minutes: number) =>
  minutes < 0 ? `still ${-minutes} min late` : `${minutes} min to spare`;
