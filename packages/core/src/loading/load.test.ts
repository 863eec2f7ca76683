import type { CargoRoom, JobFile, Piece, Plan, VehicleLoad } from '@early-lantern/contract';
import { applyChanges } from '../lamps/fixes.ts';
import { newPiece } from '../piece/new-piece.ts';
import { recipeOf } from '../piece/recipe-of.ts';
import { planJob } from '../plan.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { massOf } from '../structure/mass.ts';
import { demoJob, garland } from '../test/samples.ts';
import type { Cargo } from './cargo.ts';
import { violationsOf } from './check.ts';
import { rideThings } from './kit.ts';
import { blockedIn } from './rooms.ts';
import { vehicleTypes } from './vehicle-types.ts';

const demoNames = ['01-meadow-finish', '02-engine-shed', '03-glasshouse-night'];
const demo = demoNames.map((name) => planJob(demoJob(name)));

/** A load as the checker takes it: each thing the way it lies. */
function asTold({ items, room, blocked, payloadKg }: VehicleLoad) {
  const cargo = items.map(
    ({ id, l, w, h, massKg, bearsKg, isSoft, stop }): Cargo => ({
      id,
      size: { l, w, h },
      upright: ['h'],
      massG: massKg * 1000,
      bearsG: bearsKg * 1000,
      isSoft,
      stop,
    }),
  );
  const space = {
    l: room.l,
    w: room.w,
    h: room.h,
    blocked,
    door: { w: room.l, h: room.l },
    payloadG: payloadKg * 1000,
  };
  return { cargo, space };
}

describe.each(demo.map((plan, i) => [demoNames[i], plan] as const))('%s', (_, plan) => {
  const { fits, packing, totals, lamps } = plan;

  test('every vehicle keeps every rule of loading, as the independent checker has them', () => {
    expect(fits.vehicles.length).toBeGreaterThan(0);
    for (const load of fits.vehicles) {
      const { cargo, space } = asTold(load);
      const found = violationsOf(load.items, cargo, space);
      // Where what is needed first could not be kept at the door, the lamp says so.
      expect(found.filter(({ rule }) => fits.firstAtDoor || rule !== 'order')).toEqual([]);
    }
    expect(lamps.fits.state === 'lit' && !fits.firstAtDoor).toBe(false);
  });

  test('nothing is on the list twice, and whatever is loaded is on it', () => {
    const ids = packing.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    // Bags and stiff goods are lines of their own; crates and cases are told by what is in them.
    const own = [...fits.vehicles.flatMap(({ items }) => items), ...fits.unplaced].filter(
      ({ kind }) => kind !== 'crate' && kind !== 'kit' && kind !== 'cylinder',
    );
    // Alike ones are one line, with their number.
    const listed = packing.filter(({ bag, id }) => bag === null || id.startsWith('bag '));
    const labels = new Set(listed.map(({ label }) => label));
    expect(own.filter(({ label }) => !labels.has(label))).toEqual([]);
    const number = listed.reduce((sum, { qty }) => sum + qty, 0);
    const cylinders = fits.vehicles.flatMap(({ items }) => items).filter(({ kind }) => kind === 'cylinder');
    expect(number).toBe(own.length + cylinders.length);
    const cases = fits.vehicles.flatMap(({ items }) => items).filter(({ kind }) => kind === 'crate');
    for (const { label } of cases) expect(packing.some(({ bag }) => bag === label) || label).toBeTruthy();
  });

  test('every material that the counts name is on the list with its number, in a crate or as the thing itself', () => {
    for (const row of totals.materials) {
      const inCrate = packing.find(({ id }) => id === `material ${row.label}`);
      if (inCrate) expect(inCrate.qty).toBeCloseTo(row.count, 2);
    }
    const weights = totals.materials.filter(({ item }) => item === 'weight');
    const listed = packing.filter(({ id }) => / weight /.test(id));
    expect(listed.reduce((sum, { qty }) => sum + qty, 0)).toBe(
      weights.reduce((sum, { count }) => sum + count, 0),
    );
    const bases = totals.materials.filter(({ item }) => item === 'weighted-base' || item === 'lamp-base');
    const stood = packing.filter(({ id }) => /^\d+ (weighted|lamp)-base/.test(id));
    expect(stood.reduce((sum, { qty }) => sum + qty, 0)).toBe(
      bases.reduce((sum, { count }) => sum + count, 0),
    );
  });

  test('uninflated balloons on the list are the spares of the counts', () => {
    const flat = packing.filter(({ id }) => id.startsWith('balloon '));
    const spares = totals.balloons.reduce((sum, { spare }) => sum + spare, 0);
    expect(flat.reduce((sum, { qty }) => sum + qty, 0)).toBe(spares);
  });

  test('the bags of the lots are bags of the load', () => {
    const bags = packing.flatMap(({ id, bag }) => (id.startsWith('bag ') ? [bag as string] : []));
    const wanted = new Set(plan.pieces.flatMap(({ lots }) => lots.flatMap((lot) => lot.bags)));
    for (const bag of wanted)
      expect([bag, bags.some((one) => one === bag || one.startsWith(`${bag},`))]).toEqual([bag, true]);
  });

  test('who drives and rides is in one vehicle, and each leg says what it carries', () => {
    for (const { driver, riders, legs, vehicle } of fits.runs) {
      expect(driver).not.toBeNull();
      expect(new Set([driver, ...riders]).size).toBe(1 + riders.length);
      expect(Date.parse(legs[0]?.arrive ?? '')).toBeGreaterThan(Date.parse(legs[0]?.leave ?? ''));
      const known = fits.vehicles.filter(({ id }) => id === vehicle).flatMap(({ items }) => items);
      for (const { carries } of legs)
        expect(carries.filter((id) => !known.some((one) => one.id === id))).toEqual([]);
    }
  });
});

test('the sections of a garland tied together are the whole of it, in length and in mass', () => {
  for (const plan of demo)
    for (const piece of plan.pieces.filter(({ kind }) => kind === 'organic-garland')) {
      const own = plan.fits.sections.filter(({ pieceId }) => pieceId === piece.id);
      expect(own).toHaveLength(piece.sections);
      expect(own.reduce((sum, { fromM, toM }) => sum + toM - fromM, 0)).toBeCloseTo(piece.lengthM, 6);
      expect(own.slice(1).map(({ fromM }, i) => fromM - (own[i]?.toM ?? 0))).toEqual(
        own.slice(1).map(() => 0),
      );
      // Each has its number in the order of hanging: the one whose points bear most is the first.
      const points = plan.holds.pieces
        .find(({ id }) => id === piece.id)
        ?.points.filter(({ method }) => method !== 'foot-peg');
      const bears = (section: number) =>
        (points ?? []).filter((one) => one.section === section).reduce((sum, { loadN }) => sum + loadN, 0);
      const hung = own.flatMap(({ hungAs }, section) => (hungAs ? [{ hungAs, bears: bears(section) }] : []));
      expect(hung.map(({ hungAs }) => hungAs).sort()).toEqual(hung.map((_, i) => i + 1));
      const first = hung.find(({ hungAs }) => hungAs === 1);
      if (first) expect(first.bears).toBeGreaterThanOrEqual(Math.max(...hung.map((one) => one.bears)) - 0.1);
    }
  const piece = { ...garland(14), sections: 2 };
  const recipe = recipeOf(piece, undefined);
  const halves = planJob(workshopWith([piece], 'panel-van')).fits.sections;
  expect(halves.reduce((sum, { massKg }) => sum + massKg, 0)).toBeCloseTo(massOf(recipe).dressingKg, 6);
});

/** The shed's job with other pieces, and one vehicle of a kind. */
function workshopWith(pieces: Piece[], type: string, edit: (file: JobFile) => void = () => {}): JobFile {
  const file = structuredClone(demoJob('02-engine-shed'));
  const spotId = file.site.spots.find(({ kind }) => kind === 'wall')?.id ?? file.site.spots[0]?.id ?? '';
  const { cargo, seats } = vehicleTypes.find(({ id }) => id === type) ?? {};
  file.workshop.vehicles = [{ id: 'own', name: 'The carrier', seats: seats ?? 2, cargo: cargo as CargoRoom }];
  file.job.pieces = pieces.map((piece) => ({ ...piece, spotId: spotId as Piece['spotId'] }));
  file.job.crew = ['wren', 'ilo'] as JobFile['job']['crew'];
  delete file.site.loadIn.longestM;
  delete file.site.loadIn.doorM;
  edit(file);
  return file;
}

/** Two garlands of 12 and 15 ft, each in halves. */
const twoGarlands = (): Piece[] =>
  [12, 15].map((feet, i) => ({
    ...garland(feet),
    id: `garland-${i}` as Piece['id'],
    name: `Garland, ${feet} ft`,
    sections: 2,
  }));

const spot = { id: 'wall', name: 'Wall', kind: 'wall', widthM: 8, heightM: 3 } as never;
const made = (kind: Piece['kind'], id: string, more: object): Piece =>
  ({
    ...newPiece(kind, { id, name: id, spot, colours: ['lagoon', 'chalk', 'oat'], seed: 1 }),
    ...more,
  }) as Piece;

const board = () =>
  made('backdrop', 'board', {
    what: 'boards',
    unitWidthM: 4 * METRES_PER_FOOT,
    widthM: 4 * METRES_PER_FOOT,
    heightM: 8 * METRES_PER_FOOT,
  });
const props = () =>
  made('furnishing', 'props', {
    items: [{ name: 'Prop', count: 3, widthM: 0.9, heightM: 1.1, massKg: 8, minutesEach: 3 }],
  });

// Common practice, no source: what people say goes into a carrier, and what does not.
describe('a mid-size people carrier with its seats down', () => {
  const lampOf = (pieces: Piece[], edit?: (file: JobFile) => void): Plan =>
    planJob(workshopWith(pieces, 'people-carrier', edit));

  test('takes two garlands of 12 and 15 ft in halves with the kit', () => {
    const { fits, lamps } = lampOf(twoGarlands());
    expect(fits.unplaced).toEqual([]);
    expect(['lit', 'low']).toContain(lamps.fits.state);
  });

  test('does not take a 4 by 8 ft board and three props besides: a second vehicle is proposed, and then all goes', () => {
    const { lamps } = lampOf([...twoGarlands(), board(), props()], (file) => {
      const van = vehicleTypes.find(({ id }) => id === 'panel-van');
      file.workshop.vehicles.push({ id: 'van', name: 'The van', seats: 3, cargo: van?.cargo as CargoRoom });
    });
    expect(lamps.fits.state).toBe('out');
    expect(lamps.fits.fixes.map(({ changes }) => changes[0])).toContainEqual({
      path: '/job/vehicles',
      value: ['own', 'van'],
    });
  });

  test('takes all of that with a trailer behind it, which is offered; the drive says what to look to', () => {
    // An 8 ft board lies in one a little longer than the usual.
    const usual = vehicleTypes.find(({ id }) => id === 'trailer')?.cargo as CargoRoom;
    const trailer = { ...usual, lengthM: 2.6 };
    const withTrailer = (file: JobFile) => {
      const [first] = file.workshop.vehicles;
      if (first) file.workshop.vehicles = [{ ...first, trailer }];
    };
    const before = lampOf([...twoGarlands(), board(), props()], withTrailer);
    expect(before.lamps.fits.state).toBe('out');
    const way = before.lamps.fits.fixes.find(({ label }) => label === 'Take the trailer of The carrier');
    expect(way?.changes).toEqual([{ path: '/job/trailers', value: ['own'] }]);
    const { fits, lamps, cautions } = lampOf([...twoGarlands(), board(), props()], (file) => {
      withTrailer(file);
      file.job.trailers = ['own'];
    });
    expect(fits.unplaced).toEqual([]);
    expect(['lit', 'low']).toContain(lamps.fits.state);
    const towed = fits.vehicles.find(({ part }) => part === 'trailer');
    expect(towed).toMatchObject({
      id: 'own',
      name: 'The carrier, in its trailer',
      payloadKg: trailer.payloadKg,
    });
    expect(towed?.items.length).toBeGreaterThan(0);
    const { cargo, space } = asTold(towed as VehicleLoad);
    expect(violationsOf(towed?.items ?? [], cargo, space)).toEqual([]);
    expect(cautions.find(({ code }) => code === 'trailer')?.where).toContain('drive-out');
  });

  test('30 ft of arch pipe travels as 10 ft lengths, or not at all in 8 ft of room', () => {
    const arch = made('packed-arch', 'arch', { pipeLengthM: 30 * METRES_PER_FOOT });
    const { fits, lamps } = lampOf([arch]);
    expect(lamps.fits.state).toBe('out');
    expect(fits.unplaced.map(({ kind, why }) => [kind, why])).toContainEqual([
      'pole',
      'It is longer than the room of any of the vehicles.',
    ]);
    const van = planJob(workshopWith([arch], 'panel-van')).fits;
    const pipes = van.vehicles.flatMap(({ items }) => items).find(({ kind }) => kind === 'pole');
    expect(pipes?.l).toBe(3048);
    const couplings = ({ joints }: Plan['fits']) =>
      joints
        .filter(({ label }) => label.includes('coupling'))
        .map(({ count, staysMade }) => [count, staysMade]);
    expect(couplings(van)).toEqual([[2, false]]);
    // 12 ft of it goes into a truck 4 m long joined: one coupling stays made, and it rides as one.
    const short = workshopWith(
      [made('packed-arch', 'arch', { pipeLengthM: 12 * METRES_PER_FOOT, spanM: 2 })],
      'box-truck',
    );
    const long = {
      ...short,
      workshop: {
        ...short.workshop,
        vehicles: short.workshop.vehicles.map((one) => ({ ...one, cargo: { ...one.cargo, lengthM: 4 } })),
      },
    } as JobFile;
    const joined = planJob(long).fits;
    expect(couplings(joined)).toEqual([[1, true]]);
    const whole = joined.vehicles.flatMap(({ items }) => items).find(({ kind }) => kind === 'pole');
    expect(whole?.l).toBe(Math.round(12 * METRES_PER_FOOT * 1000));
    // Nobody gets 12 ft round a corner that takes 10.
    const tight = { ...long, site: { ...long.site, loadIn: { ...long.site.loadIn, longestM: 3.1 } } };
    expect(couplings(planJob(tight).fits)).toEqual([[1, false]]);
  });

  test('the tightest corner: a section bends, and gives as much as its bag', () => {
    const at = (longestM: number) => {
      const file = workshopWith([garland(12)], 'panel-van');
      const tight = { ...file, site: { ...file.site, loadIn: { ...file.site.loadIn, longestM } } };
      return planJob(tight).lamps.fits;
    };
    // 12 ft in halves, pressed by 12 %: 5.3 ft, 1.61 m.
    expect(at(1.65).state).toBe('lit');
    expect(at(1.5)).toMatchObject({ state: 'out', reason: expect.stringContaining('longest section') });
  });
});

test('a row of seats in use takes its room, and only as many rows as there are people for', () => {
  const { cargo, seats = 0 } = vehicleTypes.find(({ id }) => id === 'people-carrier') ?? {};
  const rows = (people: number) =>
    blockedIn(cargo as CargoRoom, seats, people)
      .map(({ label }) => label)
      .filter((label) => label.includes('seats'));
  expect([2, 3, 5, 6].map(rows)).toEqual([
    [],
    ['middle seats'],
    ['middle seats'],
    ['middle seats', 'rear seats'],
  ]);
});

test('fillers blown on site ride uninflated, and nothing of them is bagged', () => {
  const plan = (more: object) => planJob(workshopWith([{ ...garland(10), ...more } as Piece], 'panel-van'));
  const bags = ({ packing }: Plan) => packing.filter(({ id }) => /^bag A-F/.test(id)).length;
  const onSite = plan({ schools: { inflatedAt: 'fillers-on-site' } });
  expect([bags(plan({})), bags(onSite)]).toEqual([1, 0]);
  const flat = onSite.packing.filter(({ id }) => id.startsWith('balloon 5 '));
  const needed = onSite.totals.balloons
    .filter(({ nominalIn }) => nominalIn === 5)
    .reduce((sum, { need, spare }) => sum + need + spare, 0);
  expect(flat.reduce((sum, { qty }) => sum + qty, 0)).toBe(needed);
});

test('what the house has measured of its gear rides as measured, and weighs so on every paper', () => {
  const file = workshopWith([garland(14)], 'panel-van');
  const measured = { lengthM: 0.9, widthM: 0.45, heightM: 0.5, massKg: 21 };
  const own = {
    ...file,
    workshop: { ...file.workshop, rideSizes: [{ item: 'kit tools', ...measured }] },
  };
  const found = (plan: Plan) =>
    plan.fits.vehicles.flatMap(({ items }) => items).find(({ id }) => id === 'kit tools');
  const [usual, mine] = [planJob(file), planJob(own)];
  expect(found(usual)).toMatchObject({ massKg: 9 });
  expect(found(mine)).toMatchObject({ massKg: 21, h: 500 });
  expect([found(mine)?.l, found(mine)?.w].sort()).toEqual([450, 900]);
  const loaded = ({ fits }: Plan) => fits.vehicles.reduce((sum, { loadKg }) => sum + loadKg, 0);
  expect(loaded(mine) - loaded(usual)).toBeCloseTo(12, 6);
  // Every thing that can be measured has a name of its own.
  expect(new Set(rideThings.map(({ item }) => item)).size).toBe(rideThings.length);
});

test('each section goes into the smallest bag of the house that takes it, loose balloons into the largest; all counted', () => {
  const bag = (name: string, lengthM: number, diameterM: number, count: number) => ({
    id: name,
    name,
    lengthM,
    diameterM,
    count,
  });
  const types = [bag('short', 1, 0.5, 9), bag('long', 2.2, 1.1, 1), bag('huge', 4, 1.3, 3)];
  const withBags = (bagTypes: typeof types, pieces: Piece[] = twoGarlands()) => {
    const file = workshopWith(pieces, 'panel-van');
    return planJob({ ...file, workshop: { ...file.workshop, bagTypes } });
  };
  const { fits, lamps } = withBags(types);
  for (const { fromM, toM, diameterM, bagType } of fits.sections) {
    const takes = (one: (typeof types)[number]) =>
      one.lengthM >= toM - fromM && one.diameterM >= diameterM * Math.sqrt(0.88);
    // In the order of their size the first that is long and wide enough.
    expect(bagType).toBe(types.find(takes)?.name);
  }
  const counted = new Map(fits.bags.map(({ name, wanted }) => [name, wanted]));
  expect(counted.get('long')).toBe(fits.sections.filter(({ bagType }) => bagType === 'long').length);
  const loose = fits.vehicles
    .flatMap(({ items }) => items)
    .filter(({ kind, label }) => kind === 'bag' && !label.includes('one of'));
  expect(counted.get('huge')).toBe(
    loose.length + fits.sections.filter(({ bagType }) => bagType === 'huge').length,
  );
  expect(fits.sections.length).toBeGreaterThan(1);
  expect(lamps.fits).toMatchObject({ state: 'low', reason: expect.stringContaining('are wanted') });
  const tiny = withBags([bag('tiny', 0.5, 0.3, 99)]);
  expect(tiny.lamps.fits.reason).toMatch(/^None of your bags takes section A-1/);
  expect(withBags([bag('huge', 4, 1.3, 99)]).lamps.fits.state).not.toBe('out');
  // Bags that are wide enough but short: cut into more sections each has its bag; what is too wide no cut helps.
  const file = workshopWith(twoGarlands(), 'panel-van');
  file.workshop.bagTypes = [bag('stubby', 1.5, 1.3, 99)];
  const before = planJob(file);
  expect(before.lamps.fits.reason).toMatch(/^None of your bags takes/);
  const [cut] = before.lamps.fits.fixes;
  const after = planJob(applyChanges(file, cut?.changes ?? []));
  expect(after.fits.sections.map(({ bagType }) => bagType)).toEqual(after.fits.sections.map(() => 'stubby'));
  expect(after.fits.sections.length).toBeGreaterThan(before.fits.sections.length);
  expect(tiny.lamps.fits.fixes).toEqual([]);
});
