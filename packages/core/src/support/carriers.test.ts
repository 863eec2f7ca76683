import type { JobFile, MethodId, Piece } from '@early-lantern/contract';
import { bestMethod } from '../fixing/methods.ts';
import { placeOnPart } from '../fixing/on-parts.ts';
import { applyChanges } from '../lamps/fixes.ts';
import type { PartMade } from '../piece/part.ts';
import { draftPlan, planJob } from '../plan.ts';
import { boundsOf, whereThereIsRoom } from '../support/room.ts';
import { curtainStand, hall, jobOf, made, towersWithArch } from '../test/carried.ts';
import { backToFront } from './carried.ts';
import { distanceTo, partOf } from './parts.ts';
import { placesFor, proposalsFor } from './propose.ts';
import { hungOn, movesWith } from './snap.ts';

const G = 9.81;
/** Of a dressed outline, what stops the wind. From memory, as everywhere in the checks of wind. */
const SHARE = 0.85;
const held = (file: JobFile, id: string) => {
  const found = draftPlan(file).holds.pieces.find((piece) => piece.id === id);
  if (!found) throw new Error(`no piece ${id}`);
  return found;
};
const caseOf = (one: ReturnType<typeof held>, label: string) => {
  const found = one.cases.find((each) => each.label === label);
  if (!found) throw new Error(`no case ${label}`);
  return found;
};

const outside = (file: JobFile) => {
  file.site.indoors = false;
  file.site.spots = [{ ...hall, floor: 'paving' }];
  file.job.gustMs = 4;
};
const stand = made('backdrop', 'stand', {
  at: { xM: 4, yM: 0 },
  widthM: 3,
  heightM: 2.4,
  hold: { ballastKg: 10 },
});
const onBar = (yM: number, more: Partial<Piece> = {}) =>
  made('organic-garland', 'garland', {
    line: [
      { xM: 3, yM },
      { xM: 5, yM },
    ],
    widthM: 0.5,
    taper: 1,
    sections: 1,
    on: { pieceId: 'stand', part: 'top-bar' },
    ...(more as object),
  });

// Statics by hand: what is carried weighs on the feet where it sits, and catches the wind at its height.
test('a carrier bears the weight and the wind of what hangs on it, less what is before its cloth already', () => {
  const bare = held(jobOf([stand], outside), 'stand');
  const kg = 3;
  const heavy = { attachments: [{ id: 'swag', name: 'Swag', massKg: kg, at: 0.5 }] };
  const over = held(jobOf([stand, onBar(2.7, heavy)], outside), 'stand');
  const light = held(jobOf([stand, onBar(2.7)], outside), 'stand');
  expect(over.massKg - light.massKg).toBeCloseTo(kg + 0.00085, 5);
  const [a, b] = [caseOf(light, 'tips over to the front'), caseOf(over, 'tips over to the front')];
  // Half of a drape base of 24 in. is the arm.
  expect(b.resists - a.resists).toBeCloseTo((kg + 0.00085) * G * 0.3048, 1);
  // Drag 1.2, solid share 0.85 of 2 m by the garland's own width, at 2.7 m: all of it above the cloth.
  const widthM = draftPlan(jobOf([stand, onBar(2.7)])).pieces[1]?.visibleWidthM as number;
  const wind = a.perPa - caseOf(bare, 'tips over to the front').perPa;
  expect(wind / (1.2 * SHARE * 2 * widthM * 2.7)).toBeGreaterThan(0.93);
  expect(wind / (1.2 * SHARE * 2 * widthM * 2.7)).toBeLessThan(1.07);
  // Before the cloth it adds next to nothing: cloth keeps 95 % of the wind from it.
  const before = caseOf(held(jobOf([stand, onBar(1.6)], outside), 'stand'), 'tips over to the front');
  expect(before.perPa - caseOf(bare, 'tips over to the front').perPa).toBeLessThan(0.12 * wind);
  // Off the middle it pulls to its side.
  const aside = {
    ...onBar(2.7, heavy),
    line: [
      { xM: 5, yM: 2.7 },
      { xM: 7, yM: 2.7 },
    ],
  } as Piece;
  const right = (pieces: Piece[]) =>
    caseOf(held(jobOf(pieces, outside), 'stand'), 'tips over to the right').resists;
  expect(right([stand, aside])).toBeLessThan(right([stand, onBar(2.7, heavy)]) - kg * G * 1.5);
});

test('loads go on down: an accent in a garland on a stand, half an arch on each tower', () => {
  const accentKg = held(jobOf(curtainStand()), 'big-round').massKg;
  const without = jobOf(curtainStand().filter(({ id }) => id !== 'big-round'));
  for (const id of ['overhead-half', 'stand'])
    expect(held(jobOf(curtainStand()), id).massKg - held(without, id).massKg).toBeCloseTo(accentKg, 4);
  const towers = towersWithArch().filter(({ kind }) => kind !== 'chain');
  const alone = towers.filter(({ kind }) => kind === 'tower');
  const archKg = held(jobOf(towers), 'arch').massKg;
  for (const id of ['left-tower', 'right-tower']) {
    expect(held(jobOf(towers), id).massKg - held(jobOf(alone), id).massKg).toBeCloseTo(archKg / 2, 3);
    // It pulls them inward.
    expect(held(jobOf(towers), id).governing).toMatch(id === 'left-tower' ? /right/ : /left/);
  }
});

// Common practice, no source.
test.each<[PartMade, MethodId]>([
  ['bar', 'bar-clamp'],
  ['mesh', 'mesh-tie'],
  ['cloth', 'pin'],
  ['pole', 'pole-twist'],
  ['leg', 'pole-twist'],
  ['gap', 'over-bar'],
  ['panel', 'dash'],
  ['board', 'dash'],
  ['frame-behind', 'tie'],
  ['balloons', 'nozzle-tie'],
  ['table-edge', 'clamp'],
])('a garland on %s: %s', (part, method) => {
  const place = { ...placeOnPart(part, hall, jobOf([])), isGarland: true };
  expect(bestMethod(place, {})?.method).toBe(method);
});

test('a sign has no balloons to twist: on a pole it takes zip ties or a tie, on a face a dash', () => {
  const sign = (part: 'pole' | 'face') =>
    made('backdrop', 'sign', {
      what: 'sign',
      at: { xM: 4, yM: 0 },
      widthM: 0.4,
      heightM: 1.4,
      unitHeightM: 0.3,
      on: { pieceId: part === 'pole' ? 'pole' : 'stand', part },
    });
  const pole = made('standing-garland', 'pole', { at: { xM: 4, yM: 0 } });
  expect(held(jobOf([pole, sign('pole')]), 'sign').points.map(({ method }) => method)).toEqual(['zip-tie']);
  const board = { ...stand, what: 'boards' as const };
  expect(held(jobOf([board, sign('face')]), 'sign').points.map(({ method }) => method)).toEqual(['dash']);
});

test('no weight on the cloth: a garland hung on the face of a curtain goes on the bar, and low on it does not hold', () => {
  const face = (yM: number) => onBar(yM, { on: { pieceId: 'stand', part: 'face' } } as Partial<Piece>);
  expect(held(jobOf([stand, face(2.4)]), 'garland').points.map(({ method }) => method)).not.toContain('pin');
  const heavy = { attachments: [{ id: 'sign', name: 'Sign', massKg: 4, at: 0.5 }] };
  const low = held(jobOf([stand, { ...face(1.2), ...heavy } as Piece]), 'garland');
  expect(low.points.every(({ method }) => method === 'pin')).toBe(true);
  expect(low.troubles.length).toBeGreaterThan(0);
});

test('ends that nothing holds put Holds out, and a fix that was tried moves them to the towers', () => {
  const loose = towersWithArch().map((piece): Piece => {
    if (piece.kind !== 'pair-arch') return piece;
    const { on: _, alsoOn: __, ...rest } = piece;
    return { ...rest, at: { xM: piece.at.xM + 0.7, yM: 1.9 } };
  });
  const file = jobOf(loose.filter(({ kind }) => kind !== 'chain'));
  const { holds } = planJob(file).lamps;
  expect(holds.state).toBe('out');
  expect(holds.reason).toContain('has nothing to hang on');
  const fix = holds.fixes.find(({ label }) => label.includes('move its ends'));
  const mended = draftPlan(applyChanges(file, fix?.changes ?? []));
  expect(mended.lamps.holds.state).toBe('lit');
  const arch = mended.pieces.find(({ kind }) => kind === 'pair-arch');
  expect([arch?.on?.pieceId, arch?.alsoOn?.pieceId]).toEqual(['left-tower', 'right-tower']);
  // A chain between two weighted feet of its own needs no tower.
  expect(draftPlan(jobOf([made('chain', 'chain', { bases: 2 })])).lamps.holds.state).toBe('lit');
  expect(draftPlan(jobOf([made('chain', 'chain', { bases: 1 })])).lamps.holds.state).toBe('out');
});

test('a garland twice as long as its bar is out though the floor is not surveyed; laid along the bar it holds', () => {
  const line = Array.from({ length: 4 }, (_, i) => ({ xM: 0.5 + i * 2, yM: 0.8 + Math.min(i, 2) * 0.8 }));
  const garland = made('organic-garland', 'garland', { line, on: { pieceId: stand.id, part: 'top-bar' } });
  const file = jobOf([stand, garland], ({ site }) => {
    const { fixings: _, floor: __, ...unseen } = hall;
    site.spots = [unseen];
  });
  const { holds } = planJob(file).lamps;
  expect(holds.state).toBe('out');
  const fix = holds.fixes.find(({ label }) => label.includes('lay it along the top bar'));
  const mended = applyChanges(file, fix?.changes ?? []);
  expect(held(mended, 'garland').troubles).toEqual([]);
  // All of the bar and no more, in the garland's own direction.
  const laid = mended.job.pieces.find(({ id }) => id === 'garland') as typeof garland;
  expect(laid.line.map(({ yM }) => yM)).toEqual(Array(4).fill(stand.heightM));
  expect(laid.line[0]?.xM).toBeCloseTo(stand.at.xM - stand.widthM / 2, 6);
  expect(laid.line.at(-1)?.xM).toBeCloseTo(stand.at.xM + stand.widthM / 2, 6);
  // Whether the stand slides is still for the survey to say.
  expect(draftPlan(mended).lamps.holds).toMatchObject({ state: 'unlit', figure: 'needs survey' });
});

test('what lies on another piece and says nothing of it is asked about; said either way the lamp is quiet', () => {
  const wall = (file: JobFile) => {
    file.site.spots = [
      { ...hall, kind: 'wall', fixings: [{ id: 'rail', kind: 'rod', xM: 0, yM: 2.5, lengthM: 12 }] },
    ];
  };
  const { on: _, ...unsaid } = onBar(2.4);
  const lamp = (garland: Piece) => planJob(jobOf([stand, garland], wall)).lamps.holds;
  const asked = lamp(unsaid);
  expect([asked.state, asked.reason]).toEqual(['low', expect.stringContaining('lies on stand')]);
  expect(asked.fixes.some(({ label }) => label.includes('top bar'))).toBe(true);
  expect(lamp({ ...unsaid, on: null }).state).toBe('lit');
  expect(lamp(onBar(2.4)).state).toBe('lit');
  // Said to be well before the stand it only looks as if it lay on it.
  expect(proposalsFor({ ...unsaid, frontM: 1 }, [stand])).toEqual([]);
  expect(proposalsFor({ ...unsaid, frontM: 1 }, [{ ...stand, frontM: 1.2 }]).length).toBeGreaterThan(0);
  // In the air over a bare floor an accent hangs on nothing.
  const air = made('accent', 'moon', { at: { xM: 8, yM: 1.8 } });
  expect(draftPlan(jobOf([air])).lamps.holds.state).toBe('out');
});

test('from the front what stands farther from the wall hides what is behind it, with all that hangs on it', () => {
  const table = made('furnishing', 'table', { frontM: 1.5 });
  const far = { ...stand, frontM: 0.5 };
  // As somebody thinks of them: the nearest first, the garland before its stand.
  const seen = backToFront([table, onBar(2.4), made('tower', 'tower'), far]).map(({ id }) => id);
  expect(seen).toEqual(['tower', far.id, onBar(2.4).id, 'table']);
});

test('chosen from the list a piece moves onto its part; nothing can be hung on what hangs on it', () => {
  const away = made('organic-garland', 'garland', {
    line: [
      { xM: 7, yM: 1 },
      { xM: 9, yM: 1.2 },
    ],
  });
  const hung = hungOn(away, 'on', { pieceId: 'stand', part: 'top-bar' }, [stand, away]);
  const bar = partOf(stand, 'top-bar');
  const line = hung.kind === 'organic-garland' ? hung.line : [];
  expect(Math.min(...line.map(({ xM, yM }) => (bar ? distanceTo(bar, { x: xM, y: yM }) : 9)))).toBeLessThan(
    1e-3,
  );
  expect(proposalsFor(hung, [stand, hung])[0]?.on).toEqual({ pieceId: 'stand', part: 'top-bar' });
  const accent = made('accent', 'moon', { on: { pieceId: 'garland', part: 'body' } });
  expect(placesFor(hung, [stand, hung, accent]).map(({ carrier }) => carrier.id)).not.toContain('moon');
  // What moves with the stand: all that hangs on it, near and far.
  expect(movesWith(stand, [stand, hung, accent]).map(({ id }) => id)).toEqual(['stand', 'garland', 'moon']);
  const [left, right] = [2, 6].map((xM, i) => made('tower', `t${i}`, { at: { xM, yM: 0 } })) as [
    Piece,
    Piece,
  ];
  const all = [left, right];
  const first = hungOn(made('pair-arch', 'arch'), 'on', { pieceId: 't0', part: 'layer' }, all);
  const both = hungOn(first, 'alsoOn', { pieceId: 't1', part: 'layer' }, all);
  expect(both).toMatchObject({ spanM: 4, at: { xM: 4 } });
});

test('a new piece lands where there is room, as near to where it was as may be', () => {
  const placed: Piece[] = [];
  for (let i = 0; i < 4; i++)
    placed.push(whereThereIsRoom(made('packed-column', `c${i}`, { at: { xM: 6, yM: 0 } }), hall, placed));
  const boxes = placed.map((piece) => boundsOf(piece) as NonNullable<ReturnType<typeof boundsOf>>);
  for (const [i, a] of boxes.entries())
    for (const b of boxes.slice(i + 1))
      expect(a.xM + a.widthM <= b.xM + 1e-6 || b.xM + b.widthM <= a.xM + 1e-6).toBe(true);
  expect(Math.max(...boxes.map(({ xM }) => Math.abs(xM - 6)))).toBeLessThan(3);
});
