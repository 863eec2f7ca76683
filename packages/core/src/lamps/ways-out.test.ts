import type { JobFile, Piece, Spot } from '@early-lantern/contract';
import { holdsOfFile } from '../plan.ts';
import { hall, jobOf, made } from '../test/carried.ts';
import { blowInWorkshop } from './blow-in-workshop.ts';
import { applyChanges } from './fixes.ts';
import { holdsLamp, marginOf } from './holds.ts';
import { holdsFixes } from './holds-fixes.ts';

const lawn: Spot = { ...hall, floor: 'grass' };
const outdoors = (pieces: readonly Piece[], gustMs: number, edit: (file: JobFile) => void = () => {}) =>
  jobOf(pieces, (file) => {
    file.site.indoors = false;
    file.site.spots = [lawn];
    file.site.forbids = [];
    file.job.gustMs = gustMs;
    delete file.workshop.weights;
    edit(file);
  });
const fixesOf = (file: JobFile) => holdsFixes(file, holdsOfFile(file), holdsOfFile);
const labelsOf = (file: JobFile) => fixesOf(file).map(({ label }) => label);
const column = (more: object = {}) => made('packed-column', 'column', { topper: null, heightM: 2, ...more });

test('a column that tips: a heavier plate, or as much ballast as it takes; each holds it when applied', () => {
  const light = outdoors([column({ hold: { base: 'lamp-base', ballastKg: 2 } })], 9);
  const fixes = fixesOf(light);
  expect(fixes.length).toBeGreaterThan(0);
  expect(fixes.map(({ label }) => label).join('; ')).toMatch(/on a (steel|heavy) plate|heavy plate/);
  for (const { changes } of fixes) {
    const [after] = holdsOfFile(applyChanges(light, changes)).pieces;
    expect(after?.troubles).toEqual([]);
    expect(marginOf(after as NonNullable<typeof after>)).toBeGreaterThanOrEqual(1);
  }
  // On its plate what it lacks is ballast alone.
  const bare = outdoors([column({ hold: { base: 'plate-2ft', ballastKg: 0 } })], 9);
  const enough = fixesOf(bare).find(({ label }) => label === 'column: as much ballast as it takes');
  expect(enough?.changes).toEqual([{ path: '/job/pieces/0/hold', value: { base: 'plate-2ft' } }]);
});

test('a kit on a table is offered lines and a lower arch, no base of ours: it stands on the table', () => {
  const kit = made('table-arch', 'kit', { poleLengthM: 2.4, spanM: 1.2, at: { xM: 3, yM: 0.76 } });
  const labels = labelsOf(outdoors([kit], 7));
  expect(labels.length).toBeGreaterThan(0);
  expect(labels.join()).not.toMatch(/plate|base/);
  // Indoors it stands as it is.
  expect(labelsOf(jobOf([kit]))).toEqual([]);
});

test('an arch too tall for the wind is offered lower, on less pipe; a column never', () => {
  const arch = made('packed-arch', 'arch', {
    pipe: 'emt-three-quarter',
    isFormed: true,
    pipeLengthM: 7,
    spanM: 3.4,
    hold: { tieLines: 4, tiedAt: 'shoulders' },
  });
  const labels = labelsOf(outdoors([arch], 12));
  // Nine tenths, eight tenths … of 7 m: 18 ft 4½ in. is 0.8 of it.
  expect(labels).toContain('arch: lower, on 18 ft 4½ in of pipe');
  expect(labelsOf(outdoors([arch], 8))).toEqual([]);
  expect(labelsOf(outdoors([column({ hold: { ballastKg: 0 } })], 9)).join()).not.toContain('lower');
});

test('the lamp tells the lowest gust at which something comes down, and nothing of wind indoors', () => {
  const small = column({ id: 'small', name: 'Small', heightM: 1, at: { xM: 9, yM: 0 } });
  const file = outdoors([column(), { ...small, id: 'small' }], 6);
  const holds = holdsOfFile(file);
  const gusts = holds.pieces.map(({ takeDownGustMs }) => takeDownGustMs as number);
  expect(new Set(gusts).size).toBe(2);
  // 1 mph = 0.44704 m/s, NIST SP 811.
  const mph = Math.round(Math.min(...gusts) / 0.44704);
  expect(holdsLamp(file, holds).figure).toContain(`take down at ${mph} mph`);
  const inside = jobOf([column()]);
  expect(holdsLamp(inside, holdsOfFile(inside)).figure).not.toContain('mph');
});

test('what is blown on site is blown in the workshop: pieces of balloons that do not already, house rule or own', () => {
  const garland = made('organic-garland', 'g', { schools: { inflatedAt: 'site', tie: 'long' } });
  const done = made('packed-column', 'c', { schools: { inflatedAt: 'workshop' } });
  const byHouse = made('organic-garland', 'h');
  const curtain = made('backdrop', 'b');
  const file = jobOf([garland, done, byHouse, curtain]);
  const change = (p: number, more: object = {}) => ({
    path: `/job/pieces/${p}/schools`,
    value: { ...more, inflatedAt: 'workshop' },
  });
  const asHouse = (inflatedAt: 'workshop' | 'site') => ({
    ...file,
    workshop: { ...file.workshop, schools: { ...file.workshop.schools, inflatedAt } as never },
  });
  expect(blowInWorkshop(asHouse('workshop'))).toEqual([change(0, { tie: 'long' })]);
  expect(blowInWorkshop(asHouse('site'))).toEqual([change(0, { tie: 'long' }), change(2)]);
});
