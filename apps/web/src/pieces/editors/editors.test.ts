import { Piece, type PieceKind, read } from '@early-lantern/contract';
import { kindNames, moved, movesWith, newPiece } from '@early-lantern/core';
import { editorOf } from './index.ts';

const context = {
  id: 'piece',
  name: 'Piece',
  spot: { id: 'wall', widthM: 6, heightM: 3.4 },
  colours: ['a', 'b', 'c', 'd'],
  seed: 4,
};
const kinds = Object.keys(kindNames) as PieceKind[];
const make = (kind: PieceKind) => newPiece(kind, context);
const isSound = (piece: Piece) => read(Piece, piece).ok;

describe.each(kinds)('%s', (kind) => {
  const piece = make(kind);
  const { fields, grips } = editorOf(piece);

  test('every field puts back what it shows, and has a name of its own', () => {
    const shown = fields(piece);
    expect(new Set(shown.map((field) => `${field.type} ${field.label}`)).size).toBe(shown.length);
    for (const field of shown) {
      if (!('set' in field)) continue;
      const set = field.set as (of: Piece, value: unknown) => Piece;
      const same = set(piece, field.value(piece));
      // What was left open may now be said; nothing else changes.
      expect(same).toMatchObject(piece);
      expect(isSound(same)).toBe(true);
    }
  });

  test('every choice of every list leads to a sound piece that can be edited on', () => {
    for (const field of fields(piece)) {
      if (field.type !== 'pick' && field.type !== 'switch') continue;
      const values = field.type === 'pick' ? field.options.map(([value]) => value) : [true, false];
      for (const value of values) {
        const set = field.set as (of: Piece, value: unknown) => Piece;
        const next = set(piece, value);
        expect([field.label, value, isSound(next)]).toEqual([field.label, value, true]);
        expect(editorOf(next).fields(next).length).toBeGreaterThan(0);
      }
    }
  });

  test('a grip pulled nowhere changes nothing; pulled somewhere, it goes along', () => {
    for (const grip of grips) {
      const at = grip.at(piece);
      const same = grip.at(grip.pull(piece, at));
      expect(Math.hypot(same.xM - at.xM, same.yM - at.yM)).toBeLessThan(0.02);
      const next = grip.pull(piece, { xM: at.xM + 0.12, yM: at.yM + 0.12 });
      expect([grip.label, isSound(next)]).toEqual([grip.label, true]);
      const there = grip.at(next);
      expect(Math.hypot(there.xM - at.xM, there.yM - at.yM)).toBeGreaterThan(0.08);
    }
  });

  test('moved as a whole it keeps its shape and never sinks', () => {
    const up = moved(piece, 0.5, 0.25);
    expect(isSound(up)).toBe(true);
    for (const grip of grips) {
      const [before, after] = [grip.at(piece), grip.at(up)];
      expect([after.xM - before.xM, after.yM - before.yM].map((value) => Number(value.toFixed(6)))).toEqual([
        0.5, 0.25,
      ]);
    }
    const sunk = moved(piece, 0, -90);
    expect(isSound(sunk)).toBe(true);
  });
});

test('an arch pulled flatter or higher stays one that a pipe can be bent to', () => {
  const arch = make('packed-arch');
  const grips = editorOf(arch).grips;
  for (const grip of grips) {
    for (const [xM, yM] of [
      [-5, 0],
      [20, 12],
      [3, 0.1],
      [3, 9],
    ] as const) {
      expect(isSound(grip.pull(arch, { xM, yM }))).toBe(true);
    }
  }
});

test('a group moves together on its spot, and only there', () => {
  const one = { ...make('tower'), id: 'one', group: 'gate' };
  const two = { ...make('tower'), id: 'two', group: 'gate' };
  const away = { ...make('tower'), id: 'away', group: 'gate', spotId: 'other' };
  const alone = { ...make('tower'), id: 'alone' };
  const all = [one, two, away, alone];
  expect(movesWith(one, all).map((piece) => piece.id)).toEqual(['one', 'two']);
  expect(movesWith(alone, all)).toEqual([alone]);
});
