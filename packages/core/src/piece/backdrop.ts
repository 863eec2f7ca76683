import type { Backdrop, RateKey } from '@early-lantern/contract';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, type Input, working } from '../working.ts';
import { boardOf, noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { type Part, straight } from './part.ts';
import { basePlate, type DrawnShape, upright } from './picture.ts';
import type { Material, Recipe, SiteWork } from './recipe.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

const frameRate: Record<Backdrop['what'], RateKey> = {
  curtain: 'backdrop-stand',
  greenery: 'greenery-stand',
  boards: 'backdrop-stand',
  sign: 'column-stand',
};

/** One part of putting it up: its share of the whole, after the one before it. */
type Step = Pick<SiteWork, 'id' | 'label' | 'weighted' | 'how' | 'pair'> & { share: number };

/** Putting it up, step after step: the stand complete and weighted before anything is on it. Shares from memory. */
function stepsOf(piece: Backdrop): Step[] {
  const count = unitCount(piece);
  const stand = {
    id: 'frame',
    label: 'set the stand',
    weighted: 'set the stand, put its weights on',
    pair: true,
  };
  switch (piece.what) {
    case 'curtain':
      return [
        { ...stand, share: 0.6 },
        {
          id: 'cloth',
          label: `hang ${plural(count, 'drop')}`,
          pair: true,
          share: 0.3,
          how: ['Clamps go on the crossbar; no weight on the cloth.'],
        },
        ...(count > 1 ? [{ id: 'pins', label: 'pin the drops together against wind', share: 0.1 }] : []),
      ];
    case 'greenery':
      return [
        { ...stand, share: 0.4 },
        {
          id: 'panels',
          label: `zip-tie ${plural(count, 'panel')} up both sides and across the top`,
          pair: true,
          share: 0.5,
        },
        ...(count > 1 ? [{ id: 'gaps', label: 'close the gaps between the panels', share: 0.1 }] : []),
      ];
    case 'boards':
      return [
        { ...stand, share: 0.5 },
        {
          id: 'boards',
          label: `set ${plural(count, 'board')} and tie them to the stand`,
          pair: true,
          share: 0.5,
          how: ['Two people; blankets between boards; floor and edges protected.'],
        },
      ];
    case 'sign': {
      const sign: Step = {
        id: 'sign',
        label: 'fix the sign',
        share: 0.4,
        how: [
          'Zip ties through pairs of holes an inch and a half apart; level it.',
          'Painted side to the pole; cover the cut ends.',
        ],
      };
      // On somebody else's pole it needs none of its own.
      return piece.on
        ? [sign]
        : [
            {
              id: 'frame',
              label: 'set the pole',
              weighted: 'set the pole, put the weights on its base',
              share: 0.6,
            },
            sign,
          ];
    }
  }
}

/** Cloth, greenery or a board is about so thick, m. From memory. */
const THICK_M = 0.05;

/** Sections of a stand's crossbar push together to this, m. From memory, an editable default. */
const CROSSBAR_M = 1.2;

/** What a sign is fixed to. Common practice, no source. */
const SIGN_ON = ['pole', 'board', 'balloons', 'mesh'] as const;

/** Height of the board itself; below it is the pole, m. */
const signHeightM = ({ heightM, unitHeightM }: Backdrop): number => Math.min(heightM, unitHeightM);

/** Cloth, greenery, boards or a sign behind or beside the balloons. */
export const backdrop: Kind<Backdrop> = {
  traits: ({ what }) => ({ ...standing(), balloons: 'none', isLifted: what === 'boards' }),
  sizeM: ({ widthM, heightM }) => ({ widthM, heightM }),
  upon(piece) {
    const { at, what, heightM } = piece;
    // A sign is held by its middle.
    const heldM = heightM - signHeightM(piece) / 2;
    return what === 'sign'
      ? { goesOn: SIGN_ON, samples: [{ x: at.xM, y: at.yM + heldM }], things: 1 }
      : standsAt(piece);
  },
  outlineM2: (piece) => piece.widthM * (piece.what === 'sign' ? signHeightM(piece) : piece.heightM),
  hardware({ what, widthM, heightM, unitWidthM }) {
    if (what === 'boards') return boardOf('board', unitWidthM, heightM);
    if (what === 'sign') return boardOf('sign', widthM, heightM);
    return { ...noHardware(), rigid: [{ thing: 'crossbar', lengthM: Math.min(widthM, CROSSBAR_M) }] };
  },
  depthM: () => THICK_M,
  recipe(piece) {
    const { what, widthM, heightM } = piece;
    return {
      lengthM: widthM,
      visibleWidthM: widthM,
      clusterSize: 0,
      spineClusters: 0,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: 0,
      topM: piece.at.yM + heightM,
      handsUpToM: piece.at.yM + heightM,
      needs: [],
      assemblies: [],
      siteWork: stepsOf(piece).map(({ share, ...step }, i, all): SiteWork => {
        const before = all[i - 1];
        return {
          ...step,
          stage: 'frame',
          rate: frameRate[what],
          amount: share * (what === 'sign' ? 1 : standCount(widthM)),
          ...(before ? { after: [before.id] } : {}),
        };
      }),
      materials: materials[what](piece),
      making: [],
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
      const pole = piece.on ? [] : [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + heightM)];
      return { shapes: [...pole, sign], balloons: [] };
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
  parts: partsOf,
};

/** How much of the wind a backdrop keeps from what hangs before it. From memory, editable defaults. */
const SHIELDS = { curtain: 0.95, greenery: 0.8, boards: 1, sign: 1 } as const;

function partsOf(piece: Backdrop): Part[] {
  const { at, what, widthM, heightM } = piece;
  const [left, right, top] = [at.xM - widthM / 2, at.xM + widthM / 2, at.yM + heightM];
  if (what === 'sign') {
    const signM = Math.min(heightM, piece.unitHeightM);
    const area = { xM: left, yM: top - signM, widthM, heightM: signM };
    const face: Part = {
      id: 'face',
      label: 'face',
      made: 'board',
      lines: [],
      area,
      shields: 1,
      after: 'frame',
    };
    const pole = straight(at.xM, at.yM, at.xM, top);
    return piece.on
      ? [face]
      : [face, { id: 'pole', label: 'pole', made: 'pole', lines: [pole], after: 'frame' }];
  }
  const area = { xM: left, yM: at.yM, widthM, heightM };
  const sides = [straight(left, at.yM, left, top), straight(right, at.yM, right, top)];
  const bar = straight(left, top, right, top);
  const made = { curtain: 'cloth', greenery: 'mesh', boards: 'board' } as const;
  const edge = { curtain: 'cloth', greenery: 'mesh', boards: 'frame-behind' } as const;
  return [
    { id: 'top-bar', label: 'top bar', made: 'bar', lines: [bar], after: 'frame' },
    { id: 'upright', label: 'uprights', made: 'pole', lines: sides, after: 'frame' },
    {
      id: 'face',
      label: faceWords[what],
      made: made[what],
      lines: [],
      area,
      shields: SHIELDS[what],
      after: 'frame',
    },
    { id: 'edge', label: 'edges', made: edge[what], lines: [...sides, bar], after: 'frame' },
  ];
}

const faceWords = { curtain: 'cloth', greenery: 'greenery', boards: 'boards' } as const;

const standCount = (widthM: number) => unitsFor(widthM, amounts.standSpanM.value);

const stands = (widthM: number): Material =>
  material(
    'backdrop-stand',
    standCount(widthM),
    '⌈width / span of a stand⌉',
    [
      ['width', widthM, 'm'],
      ['span of a stand', amounts.standSpanM.value, 'm'],
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
    greenery: '⌈width / panel width⌉ · ⌈height / panel height⌉',
    boards: '⌈width / board⌉',
    sign: 'one',
  };
  const unit = { curtain: 'drop', greenery: 'panel width', boards: 'board', sign: 'sign' }[piece.what];
  return working(
    { curtain: 'Drops', greenery: 'Panels', boards: 'Boards', sign: 'Sign' }[piece.what],
    formulas[piece.what],
    [
      ['width', piece.widthM, 'm'],
      [unit, piece.unitWidthM, 'm'],
      ...(piece.what === 'greenery'
        ? ([
            ['height', piece.heightM, 'm'],
            ['panel height', piece.unitHeightM, 'm'],
          ] satisfies Input[])
        : []),
      ...(piece.what === 'curtain' ? [['fullness', piece.fullness] satisfies Input] : []),
    ],
    { value: unitCount(piece), unit: '' },
    DERIVED,
  );
}

const units = (
  item: string,
  piece: Backdrop,
  which: { detail?: string; sizeM?: readonly [number, number] } = {},
): Material =>
  material(
    item,
    unitCount(piece),
    'as worked out for the width',
    [['width', piece.widthM, 'm']],
    DERIVED,
    which,
  );

const materials: Record<Backdrop['what'], (piece: Backdrop) => Material[]> = {
  curtain: (piece) => {
    const seams = unitCount(piece) - 1;
    return [
      stands(piece.widthM),
      units('curtain-drop', piece, piece.colour ? { detail: piece.colour } : {}),
      material(
        'safety-pin',
        seams * amounts.pinsPerSeam.value,
        'seams · pins per seam',
        [
          ['seams', seams],
          ['pins per seam', amounts.pinsPerSeam.value],
        ],
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
      [
        ['panels', unitCount(piece)],
        ['ties per panel', amounts.zipTiesPerPanel.value],
      ],
      amounts.zipTiesPerPanel.tag,
    ),
  ],
  boards: (piece) => [
    units('board', piece, { sizeM: [piece.unitWidthM, piece.heightM] }),
    stands(piece.widthM),
  ],
  sign: (piece) => [
    units('sign', piece, { detail: piece.text.trim() || piece.name }),
    ...(piece.on ? [] : [material('sign-pole', 1, 'one a sign', [])]),
    material('zip-tie', 4, 'two holes, two ties each', [], COMMON_PRACTICE),
  ],
};
