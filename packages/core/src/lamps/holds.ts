import type { HoldPiece, Holds, JobFile, Lamp } from '@early-lantern/contract';
import { formatWind } from '../air/wind.ts';
import { unlit } from './unlit.ts';

/** Less than this over what is required is low. */
export const LOW_MARGIN = 1.149;

/** The margin of a piece: factor over required factor; infinite where nothing needs holding. */
export const marginOf = ({ safetyFactor, required }: HoldPiece): number =>
  safetyFactor === null || required === null ? Infinity : safetyFactor / required;

/**
 * *Holds?* Lit when every base, tie and point keeps its factor and nothing is refused; low with less than 15 % over, or where one
 * thing that goes wrong brings it down;
 * out when one does not or stands in the way; unlit while what there is to fix to has not been surveyed. What fails
 * whatever a survey will say puts it out all the same.
 */
export function holdsLamp(file: JobFile, all: Holds): Lamp {
  if (all.pieces.length === 0) return unlit('no piece yet', 'Draw the first piece: nothing hangs or stands.');
  const holds = { ...all, pieces: surveyed(all) };
  const shown = {
    working: [...holds.pieces]
      .sort((a, b) => marginOf(a) - marginOf(b))
      .flatMap(({ name, working }) => working.map((one) => ({ ...one, label: `${name}: ${one.label}` })))
      .slice(0, 16),
    fixes: [],
  };
  const troubled = holds.pieces.find((one) => one.troubles.length > 0);
  const unseen = all.pieces.find((one) => !holds.pieces.includes(one));
  const [first, ...others] = holds.pieces;
  const worst = first && others.reduce((a, b) => (marginOf(b) < marginOf(a) ? b : a), first);
  const margin = worst ? marginOf(worst) : Infinity;
  if (!worst || (unseen && !troubled && margin >= 1 - 1e-9)) {
    return {
      ...unlit('needs survey', unseen ? askFirst(unseen, file) : ''),
      working: shown.working,
    };
  }
  const figure = `${text(worst.safetyFactor)}, needs ${text(worst.required)}${gustText(holds, file)}`;
  if (margin < 1 - 1e-9) {
    const short = `${belowText(worst)}, needs ${text(worst.required)}`;
    const gust = worst.isOutdoors ? `, at ${formatWind(holds.gustMs, file.workshop.units)}` : '';
    return {
      state: 'out',
      figure: short,
      reason: `${worst.name} ${says(worst)}: safety factor ${short}${gust}.`,
      ...shown,
    };
  }
  if (troubled)
    return { state: 'out', figure: 'needs a change', reason: troubled.troubles[0] as string, ...shown };
  if (margin < LOW_MARGIN)
    return {
      state: 'low',
      figure,
      reason: `${worst.name} holds with little to spare: safety factor ${text(worst.safetyFactor)}, needs ${text(worst.required)}.`,
      ...shown,
    };
  const risk = holds.pieces.flatMap(({ risks }) => risks)[0];
  if (risk) return { state: 'low', figure, reason: risk, ...shown };
  const guess = guessed(holds, file);
  if (guess) return { state: 'low', figure, reason: guess, ...shown };
  return {
    state: 'lit',
    figure: margin === Infinity ? 'nothing to hold' : figure,
    reason: `${checkedWords(holds)} No engineer’s certificate; local code prevails.`,
    ...shown,
  };
}

const text = (factor: number | null) =>
  factor === null ? '–' : factor >= 99 ? '99+' : Number(factor.toFixed(1)).toString();

/** A factor that is too small, with as many digits as tell it from the one required. */
function belowText({ safetyFactor, required }: HoldPiece): string {
  const rounded = text(safetyFactor);
  return rounded === text(required) && safetyFactor !== null ? safetyFactor.toFixed(2) : rounded;
}

const says = ({ governing, points }: HoldPiece) => (points.length ? 'loads a point too much' : governing);

/** That all keep their factors; and which are only set down, of which nothing is checked. */
function checkedWords({ pieces }: Holds): string {
  const unchecked = pieces.filter(({ cases, points }) => cases.length + points.length === 0);
  const names = new Intl.ListFormat('en-GB').format(unchecked.map(({ name }) => name));
  if (unchecked.length === 0) return 'Every base, tie and point keeps its factor.';
  const left = `Not checked, only set down: ${names}.`;
  return unchecked.length === pieces.length
    ? left
    : `Every other base, tie and point keeps its factor. ${left}`;
}

const unaskedWords: Record<HoldPiece['unasked'][number], (spot: string, site: string) => string> = {
  fixings: (spot) => `what there is to fix to at ${spot}`,
  floor: (spot) => `what the floor of ${spot} is`,
  forbids: (_, site) => `whether ${site} allows adhesive and stakes`,
};

/** What has to be asked at the place before anything can be said. */
function askFirst({ name, id, unasked }: HoldPiece, file: JobFile): string {
  const spot = spotOf(file, id)?.name ?? '';
  const what = unasked.map((one) => unaskedWords[one](spot, file.site.name));
  return `Not known yet for ${name}: ${new Intl.ListFormat('en-GB').format(what)}.`;
}

/** What the wind was taken from, where nobody has looked at a real forecast and the wind matters. */
function guessed({ gustBasis, gustMs, pieces }: Holds, { workshop }: JobFile): string | undefined {
  const matters = pieces.some((one) => one.isOutdoors && one.takeDownGustMs !== null);
  if (!matters) return undefined;
  const gust = formatWind(gustMs, workshop.units);
  if (gustBasis === 'assumed')
    return `No forecast looked at yet: checked at an assumed gust of ${gust}. Import a forecast under Bench, or type the strongest gust expected in the brief.`;
  if (gustBasis === 'simulated')
    return `Checked at ${gust} out of simulated weather: import a real forecast under Bench before you rely on it.`;
  return undefined;
}

/** The lowest gust at which something comes down, where wind matters. */
function gustText({ pieces }: Holds, { workshop }: JobFile): string {
  const gusts = pieces.flatMap(({ takeDownGustMs, isOutdoors }) =>
    takeDownGustMs === null || !isOutdoors ? [] : [takeDownGustMs],
  );
  return gusts.length ? `, take down at ${formatWind(Math.min(...gusts), workshop.units)}` : '';
}

const spotOf = ({ site, job }: JobFile, id: string | undefined) => {
  const piece = job.pieces.find((one) => one.id === id);
  return site.spots.find((one) => one.id === piece?.spotId);
};

/** The pieces whose place is known as far as what carries them asks. */
export const surveyed = ({ pieces }: Holds): HoldPiece[] =>
  pieces.filter(({ unasked }) => unasked.length === 0);
