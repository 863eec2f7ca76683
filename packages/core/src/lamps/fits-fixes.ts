import type { CargoRoom, Change, Fix, JobFile, Plan, Section } from '@early-lantern/contract';
import { isGarland } from '../piece/kinds.ts';
import { listed } from '../quantity/listed.ts';
import { plural } from '../quantity/plural.ts';
import { applyChanges } from './fixes.ts';

const MOST_FIXES = 2;

/** A van as hire firms have it, invented: its room, and a day's price in the workshop's money. From memory. */
const hiredVan: { name: string; seats: number; price: number; cargo: CargoRoom } = {
  name: 'Hired van',
  seats: 3,
  price: 90,
  cargo: {
    lengthM: 3.6,
    widthM: 1.75,
    heightM: 1.9,
    doorWidthM: 1.55,
    doorHeightM: 1.8,
    payloadKg: 1100,
    builtIn: [
      { label: 'wheel arch', xM: 2.1, yM: 0, zM: 0, lengthM: 0.8, widthM: 0.2, heightM: 0.3 },
      { label: 'wheel arch', xM: 2.1, yM: 1.55, zM: 0, lengthM: 0.8, widthM: 0.2, heightM: 0.3 },
    ],
  },
};

interface Way {
  label: string;
  changes: Change[];
}

/**
 * Ways out where *Fits* is out, each tried: another of the workshop's vehicles, one more of them, a trailer, a seat less, other sections,
 * fillers blown on site, a second trip, and a van hired; only those are offered with which everything goes and which
 * leave time and holds no worse than they must.
 */
export function fitsFixes(file: JobFile, plan: Plan, draft: (file: JobFile) => Plan): Fix[] {
  const { state } = plan.lamps.fits;
  if (state === 'low') return shorterSections(file, plan, draft);
  if (state !== 'out') return [];
  const found: Fix[] = [];
  for (const { label, changes } of waysFor(file, plan)) {
    if (found.length === MOST_FIXES) break;
    const tried = draft(applyChanges(file, changes));
    const { fits } = tried.lamps;
    const better = fits.state === 'lit' || fits.state === 'low';
    if (better) found.push({ label, gain: `${fits.figure}${timeWords(plan, tried)}`, changes });
  }
  return found;
}

/** What it does to the time to spare, where it does. */
function timeWords(before: Plan, after: Plan): string {
  const [a, b] = [before.onTime.minutesInHand, after.onTime.minutesInHand];
  if (a === b || b === null) return '';
  return b < 0 ? `, but ${-b} min late` : `, ${b} min to spare`;
}

/** The ways in the order of what they cost. */
function waysFor(file: JobFile, plan: Plan): Way[] {
  return [
    ...otherVehicles(file, plan),
    ...trailers(file, plan),
    ...seatLess(file, plan),
    ...moreSections(file, plan),
    ...fillersOnSite(file),
    ...secondTrip(file, plan),
    ...hired(file, plan),
  ];
}

/** The vehicles that carry the load now. */
const vehiclesOut = (plan: Plan): string[] => [...new Set(plan.fits.vehicles.map(({ id }) => id))];

const driversOf = ({ workshop, job }: JobFile): number =>
  workshop.crew.filter(({ id, skills }) => job.crew.includes(id) && skills.includes('driver')).length;

/** Another vehicle in place of one, or besides, while there is somebody to drive each. */
function otherVehicles(file: JobFile, plan: Plan): Way[] {
  const { workshop, job } = file;
  const now = vehiclesOut(plan).filter((id) => workshop.vehicles.some((one) => one.id === id));
  const others = workshop.vehicles.filter(({ id, cargo }) => cargo && !now.includes(id));
  const drivers = driversOf(file);
  const taken = now.length + (job.cars ?? []).length;
  const set = (ids: readonly string[]): Change[] => [{ path: '/job/vehicles', value: [...ids] }];
  return [
    ...(now.length === 1
      ? others.map(({ id, name }) => ({ label: `Take ${name} instead`, changes: set([id]) }))
      : []),
    ...(taken < drivers
      ? others.map(({ id, name }) => ({ label: `Take ${name} as well`, changes: set([...now, id]) }))
      : []),
  ];
}

/** The trailer of a vehicle that goes out anyhow. */
function trailers({ job, workshop }: JobFile, plan: Plan): Way[] {
  const now = job.trailers ?? [];
  const out = vehiclesOut(plan);
  return workshop.vehicles
    .filter(({ id, trailer }) => trailer && out.includes(id) && !now.includes(id))
    .map(({ id, name }) => ({
      label: `Take the trailer of ${name}`,
      changes: [{ path: '/job/trailers', value: [...now, id] }],
    }));
}

/** Somebody comes by their own car, so that a row of seats can be folded. */
function seatLess({ job, workshop }: JobFile, plan: Plan): Way[] {
  const rows = plan.fits.vehicles.filter(({ id, blocked }) => {
    const labels = workshop.vehicles.find((one) => one.id === id)?.cargo?.foldingSeats ?? [];
    return labels.some(({ label }) => blocked.some((box) => box.label === label));
  });
  if (rows.length === 0) return [];
  const cars = job.cars ?? [];
  const rider = workshop.crew.find(({ id }) => job.crew.at(-1) === id);
  if (!rider || cars.some(({ id }) => id === `car-of-${rider.id}`)) return [];
  return [
    {
      label: `${rider.name} comes in their own car, the seats are folded`,
      changes: [
        {
          path: '/job/cars',
          value: [...cars, { id: `car-of-${rider.id}`, name: `${rider.name}’s own car`, seats: 4 }],
        },
      ],
    },
  ];
}

/** Garlands whose sections have no place, each in one section more. */
function moreSections({ job }: JobFile, plan: Plan): Way[] {
  const stuck = new Set(
    plan.fits.unplaced.filter(({ kind }) => kind === 'section').map((one) => one.pieceId),
  );
  const changes = job.pieces.flatMap((piece, i): Change[] => {
    const now = plan.pieces[i]?.sections ?? 1;
    return isGarland(piece) && piece.kind === 'organic-garland' && stuck.has(piece.id)
      ? [{ path: `/job/pieces/${i}/sections`, value: now + 1 }]
      : [];
  });
  return changes.length > 0
    ? [{ label: 'Cut the garlands that are left behind into one more section', changes }]
    : [];
}

/** So many sections more are tried where no bag of the house takes one. */
const MORE_SECTIONS = 3;

/** Garlands of which no bag of the house takes a section, cut into as few more as it takes. */
function shorterSections(file: JobFile, plan: Plan, draft: (file: JobFile) => Plan): Fix[] {
  const isTooLong = ({ bagType, carriers }: Section) => bagType === null || carriers.needed > carriers.there;
  const bare = new Set(plan.fits.sections.filter(isTooLong).map(({ pieceId }) => pieceId));
  const names = file.job.pieces.filter(({ id }) => bare.has(id)).map(({ name }) => name);
  for (let more = 1; more <= MORE_SECTIONS; more++) {
    const changes = file.job.pieces.flatMap((piece, i): Change[] =>
      bare.has(piece.id)
        ? [{ path: `/job/pieces/${i}/sections`, value: (plan.pieces[i]?.sections ?? 1) + more }]
        : [],
    );
    if (changes.length === 0) return [];
    const tried = draft(applyChanges(file, changes));
    if (!tried.fits.sections.some(isTooLong) && tried.lamps.fits.state !== 'out')
      return [
        {
          label: `Cut ${listed(names)} into ${plural(more, 'section')} more`,
          gain: `every section can be held up and has its bag${timeWords(plan, tried)}`,
          changes,
        },
      ];
  }
  return [];
}

/** Fillers of everything that is blown in the workshop are blown on site. */
function fillersOnSite({ job, workshop }: JobFile): Way[] {
  const changes = job.pieces.flatMap((piece, i): Change[] => {
    if (!('schools' in piece)) return [];
    const schools = piece.schools ?? {};
    const now = schools.inflatedAt ?? workshop.schools?.inflatedAt ?? 'workshop';
    return now === 'workshop'
      ? [{ path: `/job/pieces/${i}/schools`, value: { ...schools, inflatedAt: 'fillers-on-site' } }]
      : [];
  });
  return changes.length > 0 ? [{ label: 'Blow the fillers on site', changes }] : [];
}

/** The vehicle comes back for the pieces that are left behind. */
function secondTrip({ job }: JobFile, plan: Plan): Way[] {
  const left = [...new Set(plan.fits.unplaced.flatMap(({ pieceId }) => pieceId ?? []))];
  const before: readonly string[] = job.secondLoad ?? [];
  const more = left.filter((id) => !before.includes(id));
  if (more.length === 0 || more.length + before.length === job.pieces.length) return [];
  const names = job.pieces.filter(({ id }) => more.includes(id)).map(({ name }) => name);
  return [
    {
      label: `Come back for ${names.length === 1 ? names[0] : plural(names.length, 'piece')}`,
      changes: [{ path: '/job/secondLoad', value: [...before, ...more] }],
    },
  ];
}

/** A van for the day, while there is somebody to drive it too. */
function hired(file: JobFile, plan: Plan): Way[] {
  const { job, workshop } = file;
  const cars = job.cars ?? [];
  if (cars.some(({ id }) => id === 'hired-van') || vehiclesOut(plan).length >= driversOf(file)) return [];
  const { price } = hiredVan;
  const cost = workshop.currency
    ? `, about ${new Intl.NumberFormat('en-GB', { style: 'currency', currency: workshop.currency, maximumFractionDigits: 0 }).format(price)}`
    : '';
  return [
    {
      label: `Hire a van for the day${cost}`,
      changes: [{ path: '/job/cars', value: [...cars, { id: 'hired-van', ...hiredVan }] }],
    },
  ];
}
