import type { Backdrop, RateKey } from '@early-lantern/contract';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import type { Kind } from './kind.ts';
import { basePlate, type DrawnShape, upright } from './picture.ts';
import type { Material, Recipe } from './recipe.ts';

const frameRate: Record<Backdrop['what'], RateKey> = {
  curtain: 'backdrop-stand',
  greenery: 'greenery-stand',
  boards: 'backdrop-stand',
  sign: 'column-stand',
};

const label: Record<Backdrop['what'], string> = {
  curtain: 'set the stand, hang and pin the curtain',
  greenery: 'set the stand, tie on the greenery',
  boards: 'set and weight the boards',
  sign: 'set the sign on its pole',
};

const step: Record<Backdrop['what'], string[]> = {
  curtain: ['Pin the drops together against wind; clamp on the crossbar, no weight on the cloth.'],
  greenery: ['Zip-tie the panels up both sides and across the top.'],
  boards: ['Two people; blankets between boards; floor and edges protected.'],
  sign: ['Zip ties through two holes an inch and a half apart; level it.'],
};

/** Cloth, greenery, boards or a sign behind or beside the balloons. */
export const backdrop: Kind<Backdrop> = {
  recipe(piece) {
    const { what, widthM, heightM } = piece;
    return {
      lengthM: widthM,
      visibleWidthM: widthM,
      clusterSize: 0,
      spineClusters: 0,
      sideClusters: 0,
      fillerTrios: 0,
      sections: [1],
      hangPoints: 0,
      topM: piece.at.yM + heightM,
      needs: [],
      assemblies: [],
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: label[what],
          rate: frameRate[what],
          amount: standCount(widthM),
          pair: true,
        },
      ],
      materials: materials[what](piece),
      steps: step[what],
      notes: [],
      working: [unitsWorking(piece)],
    } satisfies Recipe;
  },
  picture(piece) {
    const { at, what, widthM, heightM, colour, text } = piece;
    const left = at.xM - widthM / 2;
    const tones = { curtain: 'cloth', greenery: 'greenery', boards: 'board', sign: 'sign' } as const;
    if (what === 'sign') {
      const signM = Math.min(heightM, piece.unitHeightM);
      const sign: DrawnShape = {
        shape: 'box',
        xM: left,
        yM: at.yM + heightM - signM,
        widthM,
        heightM: signM,
        tone: 'sign',
        colour,
        text,
      };
      return {
        shapes: [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + heightM), sign],
        balloons: [],
      };
    }
    const columns = what === 'curtain' ? 1 : unitsFor(widthM, piece.unitWidthM);
    const rows = what === 'greenery' ? unitsFor(heightM, piece.unitHeightM) : 1;
    const boxes = Array.from(
      { length: columns * rows },
      (_, i): DrawnShape => ({
        shape: 'box',
        xM: left + ((i % columns) * widthM) / columns,
        yM: at.yM + (Math.floor(i / columns) * heightM) / rows,
        widthM: widthM / columns,
        heightM: heightM / rows,
        tone: tones[what],
        colour,
      }),
    );
    return { shapes: boxes, balloons: [] };
  },
};

const standCount = (widthM: number) => unitsFor(widthM, amounts.standSpanM.value);

const stands = (widthM: number): Material =>
  material(
    'backdrop-stand',
    standCount(widthM),
    '⌈width / span of a stand⌉',
    [
      ['width', widthM, 'm'],
      ['span', amounts.standSpanM.value, 'm'],
    ],
    amounts.standSpanM.tag,
  );

/** Drops of the width asked for times the fullness, panels that cover the area, boards side by side. */
function unitCount({ what, widthM, heightM, unitWidthM, unitHeightM, fullness }: Backdrop): number {
  const across = (width: number) => unitsFor(width, unitWidthM);
  switch (what) {
    case 'curtain':
      return across(widthM * fullness);
    case 'greenery':
      return across(widthM) * unitsFor(heightM, unitHeightM);
    case 'boards':
      return across(widthM);
    case 'sign':
      return 1;
  }
}

function unitsWorking(piece: Backdrop) {
  const formulas = {
    curtain: '⌈width · fullness / drop⌉',
    greenery: '⌈width / panel⌉ · ⌈height / panel⌉',
    boards: '⌈width / board⌉',
    sign: 'one',
  };
  return working(
    { curtain: 'Drops', greenery: 'Panels', boards: 'Boards', sign: 'Sign' }[piece.what],
    formulas[piece.what],
    [
      ['width', piece.widthM, 'm'],
      ['height', piece.heightM, 'm'],
      ['unit', piece.unitWidthM, 'm'],
      ['fullness', piece.fullness],
    ],
    { value: unitCount(piece), unit: '' },
    DERIVED,
  );
}

const units = (item: string, piece: Backdrop, detail?: string): Material =>
  material(item, unitCount(piece), 'as worked out for the width', [['width', piece.widthM, 'm']], DERIVED, {
    ...(detail ? { detail } : {}),
  });

const materials: Record<Backdrop['what'], (piece: Backdrop) => Material[]> = {
  curtain: (piece) => {
    const seams = unitCount(piece) - 1;
    return [
      stands(piece.widthM),
      units('curtain-drop', piece, piece.colour),
      material(
        'safety-pin',
        seams * amounts.pinsPerSeam.value,
        'seams · pins per seam',
        [['seams', seams]],
        amounts.pinsPerSeam.tag,
      ),
    ];
  },
  greenery: (piece) => [
    stands(piece.widthM),
    units('greenery-panel', piece),
    material(
      'zip-tie',
      unitCount(piece) * amounts.zipTiesPerPanel.value,
      'panels · ties per panel',
      [['panels', unitCount(piece)]],
      amounts.zipTiesPerPanel.tag,
    ),
  ],
  boards: (piece) => [
    units('board', piece, `${piece.unitWidthM.toFixed(2)} × ${piece.heightM.toFixed(2)} m`),
    stands(piece.widthM),
  ],
  sign: (piece) => [
    units('sign', piece, piece.text.trim() || piece.name),
    material('sign-pole', 1, 'one a sign', []),
    material('zip-tie', 4, 'two holes, two ties each', [], COMMON_PRACTICE),
  ],
};
