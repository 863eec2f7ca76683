import type { Fits, JobFile, Lamp, VehicleLoad, Working } from '@early-lantern/contract';
import { stuckOf } from '../loading/clearances.ts';
import { formatMass } from '../quantity/customary.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import { unlit } from './unlit.ts';

/** A room fuller than this, or a load that near to the payload, leaves little for what was forgotten. From memory. */
const LITTLE_LEFT = 0.9;
/** What takes no more than this of its room by volume goes in somehow. From memory. */
const PLENTY = 0.4;

/**
 * *Fits?* Lit when every section, bag, board and pole has its place in the vehicles that go out and gets through the
 * doors on the way; low with little room left, bags that had to be squeezed, or what is needed first behind other
 * things; out when something has no place; unlit while the room of a vehicle has not been measured.
 */
export function fitsLamp(file: JobFile, fits: Fits): Lamp {
  if (file.job.pieces.length === 0)
    return unlit('no piece yet', 'Draw the first piece: nothing is to be loaded.');
  const stuck = stuckOf(fits.clearances, file);
  const shown = { working: fits.isQuick ? [] : fits.vehicles.flatMap(workingOf), fixes: [] };
  const [first] = stuck;
  if (first) return { state: 'out', figure: 'does not go through', reason: first, ...shown };
  if (file.site.isWorkshop)
    return {
      state: 'lit',
      figure: 'nothing to load',
      reason: 'It is put up in the workshop itself.',
      ...shown,
    };
  const [unmeasured] = fits.unmeasured;
  if (unmeasured !== undefined)
    return {
      ...unlit('needs its room', `Measure the room of ${unmeasured} for the load: under Workshop, Gear.`),
      working: shown.working,
    };
  const out = fits.unplaced[0];
  if (out) {
    const more = fits.unplaced.length - 1;
    return {
      state: 'out',
      figure: `${plural(fits.unplaced.length, 'thing')} left behind`,
      reason: `${out.label}${more > 0 ? ` and ${plural(more, 'more thing')}` : ''}: ${out.why}`,
      ...shown,
    };
  }
  const fullest = fits.vehicles.reduce((a, b) => (fullness(b) > fullness(a) ? b : a));
  const figure = `${fits.isQuick ? 'about ' : ''}${percent(fullest.usedShare)} of ${fullest.name}`;
  // By its volume alone nobody knows whether a load goes in, unless there is plenty of room.
  if (fits.isQuick && fullness(fullest) > PLENTY)
    return unlit(figure, 'Being loaded: whether each thing has its place is known in a moment.');
  const low = lowReason(fits, fullest, file);
  return low
    ? { state: 'low', figure, reason: low, ...shown }
    : {
        state: 'lit',
        figure,
        reason: `Everything has its place, ${percent(fullest.usedShare)} of the room of ${fullest.name} is used.`,
        ...shown,
      };
}

/** How full a vehicle is, by room or by weight, whichever is more. */
const fullness = ({ usedShare, loadKg, payloadKg }: VehicleLoad): number =>
  Math.max(usedShare, loadKg / payloadKg);

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Why it goes with little to spare; undefined where it goes well. */
function lowReason(fits: Fits, fullest: VehicleLoad, { workshop: { units } }: JobFile): string | undefined {
  const bare = fits.sections.find(({ bagType }) => bagType === null);
  if (bare)
    return `None of your bags takes section ${bare.id}, ${formatLength(bare.toM - bare.fromM, units)} long and ${formatLength(bare.diameterM, units)} wide: make the sections shorter, or wrap it.`;
  const heavy = fits.sections.find(({ carriers }) => carriers.needed > carriers.there);
  if (heavy)
    return `Section ${heavy.id}, ${formatLength(heavy.toM - heavy.fromM, units)} long, takes ${heavy.carriers.needed} people to hold it up, and ${heavy.carriers.there === 1 ? 'one is' : `${heavy.carriers.there} are`} free to: cut it into more sections.`;
  const short = fits.bags.find(({ wanted, owned }) => wanted > owned);
  if (short)
    return `${short.wanted} of “${short.name}” are wanted, ${short.owned === 0 ? 'none is' : `${short.owned} are`} owned.`;
  if (!fits.firstAtDoor)
    return 'Everything goes in, but what is needed first lies behind other things: unload those first.';
  if (fits.squeeze > 0)
    return `Everything goes in with the bags squeezed by ${percent(fits.squeeze)} of their volume.`;
  if (fullest.loadKg > LITTLE_LEFT * fullest.payloadKg)
    return `${fullest.name} carries ${formatMass(fullest.loadKg, units)} of ${formatMass(fullest.payloadKg, units)}.`;
  if (fullest.usedShare > LITTLE_LEFT)
    return `${percent(fullest.usedShare)} of the room of ${fullest.name} is used: no room for what was forgotten.`;
  return undefined;
}

/** Its room and its load. */
function workingOf({
  name,
  trip,
  usedShare,
  loadKg,
  payloadKg,
  room,
  blocked,
  items,
}: VehicleLoad): Working[] {
  const m3 = (boxes: readonly { l: number; w: number; h: number }[]) =>
    boxes.reduce((sum, { l, w, h }) => sum + (l * w * h) / 1e9, 0);
  const which = trip > 1 ? `${name}, trip ${trip}` : name;
  return [
    working(
      `Room used, ${which}`,
      '100 · load / (room − blocked)',
      [
        ['load', m3(items), 'm³'],
        ['room', m3([room]), 'm³'],
        ['blocked', m3(blocked), 'm³'],
      ],
      { value: 100 * usedShare, unit: '%' },
      `${DERIVED}; bags by the volume of their outline, loose balloons at 60 % of a bag`,
    ),
    working(
      `Payload, ${which}`,
      '100 · load / payload',
      [
        ['load', loadKg, 'kg'],
        ['payload', payloadKg, 'kg'],
      ],
      { value: (100 * loadKg) / payloadKg, unit: '%' },
      'masses from memory, editable defaults',
    ),
  ];
}
