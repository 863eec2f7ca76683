import type { Fits, JobFile, VehicleLoad } from '@early-lantern/contract';
import { draftPlan, planJob } from '../plan.ts';
import { demoJob, garland } from '../test/samples.ts';
import { fitsLamp } from './fits.ts';
import { applyChanges } from './fixes.ts';

const shed = demoJob('02-engine-shed');
const meadow = demoJob('01-meadow-finish');

const van = (more: Partial<VehicleLoad> = {}): VehicleLoad => ({
  id: 'van',
  name: 'The van',
  trip: 1,
  part: 'room',
  usedShare: 0.6,
  loadKg: 200,
  payloadKg: 900,
  room: { l: 3000, w: 1700, h: 1800, doorW: 1500, doorH: 1700, isOpen: false },
  blocked: [],
  balance: null,
  items: [],
  ...more,
});
const fits = (more: Partial<Fits> = {}): Fits => ({
  sections: [],
  joints: [],
  vehicles: [van()],
  unplaced: [],
  runs: [],
  bags: [],
  clearances: [],
  unmeasured: [],
  squeeze: 0,
  firstAtDoor: true,
  isQuick: false,
  ...more,
});
const crate = {
  id: 'c',
  kind: 'crate' as const,
  label: 'Spares crate',
  why: 'There is no room left for it.',
};
const section = {
  id: 'A-2',
  pieceId: 'p' as never,
  fromM: 0,
  toM: 1.8288,
  diameterM: 0.6096,
  massKg: 1,
  bag: 'A-2',
  carriers: { needed: 1, there: 2 },
};
const board = { pieceId: 'p' as never, piece: 'Wall', thing: 'board', through: 'the narrowest door' };

test.each<[string, Fits, string, string]>([
  ['all placed', fits(), 'lit', '60 % of The van'],
  ['a thing left', fits({ unplaced: [crate] }), 'out', '1 thing left behind'],
  ['bags squeezed', fits({ squeeze: 0.12 }), 'low', '60 % of The van'],
  ['first things at the front', fits({ firstAtDoor: false }), 'low', '60 % of The van'],
  ['nearly full', fits({ vehicles: [van({ usedShare: 0.93 })] }), 'low', '93 % of The van'],
  ['nearly too heavy', fits({ vehicles: [van({ loadKg: 850 })] }), 'low', '60 % of The van'],
  [
    'the fuller of two',
    fits({ vehicles: [van(), van({ id: 'b', name: 'B', usedShare: 0.7 })] }),
    'lit',
    '70 % of B',
  ],
  ['not measured', fits({ vehicles: [], unmeasured: ['The van'] }), 'unlit', 'needs its room'],
  [
    'too wide for the door',
    fits({ clearances: [{ ...board, needsM: 1.2, hasM: 0.9 }] }),
    'out',
    'does not go through',
  ],
  [
    'a door nobody measured',
    fits({ clearances: [{ ...board, needsM: 1.2, hasM: null }] }),
    'lit',
    '60 % of The van',
  ],
  [
    'by volume, plenty of room',
    fits({ isQuick: true, vehicles: [van({ usedShare: 0.3 })] }),
    'lit',
    'about 30 % of The van',
  ],
  ['by volume, who knows', fits({ isQuick: true }), 'unlit', 'about 60 % of The van'],
])('%s', (_, found, state, figure) => {
  const lamp = fitsLamp(shed, found);
  expect([lamp.state, lamp.figure]).toEqual([state, figure]);
  expect(lamp.reason).toMatch(/\.$/);
});

test('a section that takes more people than are free beside the ladder: low; more sections are offered, tried', () => {
  const long = { ...section, toM: 3.6576, carriers: { needed: 2, there: 1 } };
  expect(fitsLamp(shed, fits({ sections: [long] }))).toMatchObject({
    state: 'low',
    reason:
      'Section A-2, 12 ft long, takes 2 people to hold it up, and one is free to: cut it into more sections.',
  });
  expect(fitsLamp(shed, fits({ sections: [{ ...long, carriers: { needed: 2, there: 2 } }] })).state).toBe(
    'lit',
  );
  // 18 ft in halves and one person alone; an armful is 7.5 ft.
  const alone = applyChanges(shed, [
    { path: '/job/pieces', value: [{ ...garland(18), spotId: 'north-wall', sections: 2 }] },
    { path: '/job/crew', value: ['wren'] },
  ]);
  const plan = planJob(alone);
  expect(plan.fits.sections.map(({ carriers }) => carriers)).toEqual([
    { needed: 2, there: 1 },
    { needed: 2, there: 1 },
  ]);
  expect(plan.lamps.fits.state).toBe('low');
  const [fix] = plan.lamps.fits.fixes;
  expect(fix?.label).toBe('Cut Garland into 1 section more');
  const mended = draftPlan(applyChanges(alone, fix?.changes ?? []));
  expect(mended.fits.sections.every(({ carriers }) => carriers.needed <= carriers.there)).toBe(true);
});

test('a section that no bag of the house takes, or fewer bags than it takes: low, and told which', () => {
  expect(fitsLamp(shed, fits({ sections: [{ ...section, bagType: null }] }))).toMatchObject({
    state: 'low',
    reason:
      'None of your bags takes section A-2, 6 ft long and 2 ft wide: make the sections shorter, or wrap it.',
  });
  expect(fitsLamp(shed, fits({ bags: [{ name: 'Long bag', wanted: 5, owned: 3 }] }))).toMatchObject({
    state: 'low',
    reason: '5 of “Long bag” are wanted, 3 are owned.',
  });
  expect(fitsLamp(shed, fits({ bags: [{ name: 'Long bag', wanted: 3, owned: 3 }] })).state).toBe('lit');
});

test('the demo’s shed does not go into the long van; each way out offered has been tried and turns the lamp', () => {
  const { lamps } = planJob(shed);
  expect(lamps.fits.state).toBe('out');
  expect(lamps.fits.fixes.map(({ label }) => label)).toContain('Take The estate car as well');
  for (const { changes, gain } of lamps.fits.fixes) {
    const mended = planJob(applyChanges(shed, changes));
    expect(['lit', 'low']).toContain(mended.lamps.fits.state);
    expect(gain.length).toBeGreaterThan(3);
  }
});

test('what is being edited is told by volume at once, and never as placed', () => {
  const { fits, packing } = draftPlan(shed);
  const rooms = fits.vehicles.filter(({ part }) => part === 'room');
  expect([fits.isQuick, rooms.flatMap(({ items }) => items), packing]).toEqual([true, [], []]);
});

test('a pipe longer than the vehicle, and a board wider than the door, put Fits out, not Holds; unmeasured is told', () => {
  const edited = (file: JobFile, edit: (copy: JobFile) => void) => {
    const copy = structuredClone(file);
    edit(copy);
    return draftPlan(copy);
  };
  const short = edited(meadow, (file) => {
    for (const vehicle of file.workshop.vehicles) vehicle.loadM = 2.5;
  });
  expect(short.lamps.fits).toMatchObject({ state: 'out', figure: 'does not go through' });
  expect(short.lamps.fits.reason).toContain('the longest vehicle');
  expect(short.holds.pieces.flatMap(({ troubles }) => troubles).join()).not.toContain('vehicle');
  const unmeasured = edited(meadow, (file) => {
    for (const vehicle of file.workshop.vehicles) {
      delete vehicle.loadM;
      delete vehicle.cargo;
    }
  });
  expect(
    unmeasured.fits.clearances.some(
      ({ through, hasM }) => through === 'the longest vehicle' && hasM === null,
    ),
  ).toBe(true);
  expect(unmeasured.lamps.fits).toMatchObject({ state: 'unlit', figure: 'needs its room' });
  const narrow = edited(shed, (file) => {
    file.site.loadIn.doorM = 0.4;
  });
  expect(narrow.lamps.fits.state).toBe('out');
});

test('the vehicles chosen for a job are the ones that go out, and those who choose none take another', () => {
  const drivers = (file: JobFile) => draftPlan(file).tasks.find(({ id }) => id === 'drive-out')?.gear;
  const estate = { ...meadow, job: { ...meadow.job, vehicles: ['estate'] } };
  expect(drivers(estate)).toEqual(['estate']);
  const both = { ...meadow, job: { ...meadow.job, vehicles: ['estate', 'van'] } };
  expect([...(drivers(both) ?? [])].sort()).toEqual(['estate', 'van']);
  const gone = { ...meadow, job: { ...meadow.job, vehicles: ['sold'] } };
  expect(drivers(gone)).toEqual(['van']);
});
