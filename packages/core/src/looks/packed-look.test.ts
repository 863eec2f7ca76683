import type { PanelWall, PieceKind } from '@early-lantern/contract';
import { ringRadius } from '../geometry/rings.ts';
import { fullLamp } from '../lamps/full.ts';
import { kindNames } from '../piece/kind-names.ts';
import { newPiece } from '../piece/new-piece.ts';
import { pictureOf } from '../piece/picture-of.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { demoJob } from '../test/samples.ts';
import { fullOf } from './full.ts';
import { usualLimits } from './limits.ts';
import { packedLook } from './packed-look.ts';
import { settledPictureOf } from './settled-picture.ts';

const R = inchesToMetres(5.5);

/** Rings of four at these heights on an upright pipe, a balloon of each straight to the front. */
const rings = (heights: readonly number[]) => ({
  shapes: [
    {
      shape: 'line' as const,
      tone: 'pipe' as const,
      widthM: 0.027,
      points: [
        { x: 1, y: 0 },
        { x: 1, y: 4 },
      ],
    },
  ],
  balloons: heights.flatMap((yM) =>
    Array.from({ length: 4 }, (_, i) => {
      const angle = (i * Math.PI) / 2 + Math.PI / 2;
      const ring = ringRadius(4, 2 * R);
      return { xM: 1 + Math.cos(angle) * ring, yM, zM: Math.sin(angle) * ring, rM: R, role: 'base' as const };
    }),
  ),
});

test('rings that stand apart show the pipe between them, as far as they are apart', () => {
  // Between two discs of radius R that lie D apart the axis is bare over D − 2R; pressed latex takes ⅜ in. of it at either end.
  const D = 2 * R + inchesToMetres(6);
  const spacing = rings([1, 1 + D]);
  const front = packedLook(spacing, usualLimits, true)?.after.spine.longestM ?? 0;
  expect(Math.abs(front - (D - 2 * R - 2 * inchesToMetres(0.375)))).toBeLessThan(inchesToMetres(1));
  // From the sides one looks between two of its balloons: more of it is bare, but no more than they are apart.
  const worst = packedLook(spacing, usualLimits, false)?.after.spine.longestM ?? 0;
  expect(worst).toBeGreaterThan(front);
  expect(worst).toBeLessThan(D);
  expect(packedLook({ ...spacing, balloons: [] }, usualLimits, false)).toBeUndefined();
});

const shed = demoJob('02-engine-shed');
const only = (kind: Parameters<typeof newPiece>[0], more: object = {}) => {
  const colours = shed.workshop.colours.map(({ id }) => id);
  const piece = {
    ...newPiece(kind, { id: 'one', name: 'One', spot: shed.site.spots[0], colours, seed: 2 } as never),
    ...more,
  };
  return { ...shed, job: { ...shed.job, pieces: [piece] } };
};

test('columns, arches and towers as they are made close by their rings: the lamp is lit for them alone', () => {
  // Common practice, no source: packed quads hide their pole.
  for (const kind of ['packed-column', 'packed-arch', 'tower', 'photo-frame'] as const) {
    const file = only(kind);
    const full = fullOf(file, false);
    expect(full.pieces).toHaveLength(1);
    expect(fullLamp(file, full).state).toBe('lit');
  }
  for (const layerSize of [3, 4, 5, 6]) {
    const file = only('packed-column', { layerSize });
    expect(fullOf(file, false).pieces[0]?.spineSeenM).toBeLessThan(inchesToMetres(1));
  }
});

test('every kind that is made of balloons is looked at; what is made open has nothing to close and says what to look at', () => {
  const open = new Set<string>();
  for (const kind of Object.keys(kindNames) as PieceKind[]) {
    const file = only(kind);
    const { pieces } = fullOf(file, false);
    const [look] = pieces;
    if (look?.isOpen) {
      open.add(kind);
      expect(look.lookOver.length).toBeGreaterThan(1);
      expect(fullLamp(file, fullOf(file, false))).toMatchObject({ state: 'lit', figure: 'nothing to close' });
    }
    const hasBalloons = kind !== 'backdrop' && kind !== 'furnishing';
    expect([kind, pieces.length]).toEqual([kind, hasBalloons ? 1 : 0]);
    if (!hasBalloons) expect(fullLamp(file, fullOf(file, false)).state).toBe('unlit');
  }
  // Common practice, no source: links, letters, flowers and crossed pairs hang with air between them.
  expect([...open].sort()).toEqual(['accent', 'banner', 'bunch', 'chain', 'pair-arch']);
});

test('sides of a panel wall settle beside their panels and are closed like any garland; without sides it is made open', () => {
  const file = only('panel-wall');
  const [wall] = file.job.pieces as [PanelWall];
  expect(fullOf(file, false).pieces[0]).toMatchObject({ isOpen: false });
  const picture = settledPictureOf(wall, shed.workshop);
  const half = (wall.columns * inchesToMetres(wall.panelIn)) / 2;
  const sides = picture?.balloons.filter(({ role }) => role !== 'accent') ?? [];
  expect(sides.length).toBeGreaterThan(20);
  // None has its middle within the plane of the panels.
  expect(
    sides.filter(({ xM, zM = 0 }) => Math.abs(xM - wall.at.xM) < half - 0.03 && Math.abs(zM) < 0.02),
  ).toEqual([]);
  // The single balloons on its seams are still there.
  const singles = (balloons: readonly { role: string }[]) =>
    balloons.filter(({ role }) => role === 'accent').length;
  expect(singles(picture?.balloons ?? [])).toBe(singles(pictureOf(wall).balloons));
  expect(singles(picture?.balloons ?? [])).toBeGreaterThan(5);
  expect(fullOf(only('panel-wall', { sides: null }), false).pieces[0]).toMatchObject({ isOpen: true });
});
