import type { Mix, PieceOf } from '@early-lantern/contract';
import { BAR_PIPE, newPiece, pipes, THIN_POLE_IN } from '@early-lantern/core';
import { cutFields, cutGrips } from './cut-grips.ts';
import { type Editor, type Field, heightField, sideGrip, standsAt, topGrip } from './editor.ts';

/** A first organic mix in the given colours. */
function someMix(colours: readonly string[]): Mix {
  const {
    clusterSize,
    strung,
    sizePolicy,
    sizes,
    colours: shares,
    colourPlan,
    fillers,
    seed,
  } = newPiece('organic-garland', {
    id: 'mix',
    name: 'mix',
    spot: { id: 'spot', widthM: 3, heightM: 3 },
    colours: [...new Set(colours)],
    seed: 1,
  }) as PieceOf<'organic-garland'>;
  return { clusterSize, strung, sizePolicy, sizes, colours: shares, colourPlan, fillers, seed };
}

/** Shape of a garland beyond its line. */
export const organicGarland: Editor<PieceOf<'organic-garland'>> = {
  fields: (piece) => [
    { type: 'heading', label: 'Shape' },
    {
      type: 'pick',
      label: 'Hangs',
      options: [
        ['wall', 'against a wall'],
        ['free', 'free: under a ceiling, on a pole'],
      ],
      value: (p) => p.backing ?? 'wall',
      set: (p, backing) => ({ ...p, backing: backing === 'free' ? 'free' : 'wall' }),
    },
    {
      type: 'switch',
      label: 'Swings from side to side',
      value: (p) => p.snake !== undefined,
      set: (p, on) => {
        const { snake, ...rest } = p;
        return on ? { ...rest, snake: snake ?? { amplitudeM: 0.15, wavelengthM: 1.2 } } : rest;
      },
    },
    ...(piece.snake ? snakeFields(piece.snake) : []),
    {
      type: 'length',
      label: 'Tail on the floor',
      min: 0,
      max: 6,
      value: (p) => p.tailM ?? 0,
      set: (p, tailM) => ({ ...p, tailM }),
    },
    {
      type: 'number',
      label: 'Sections (0 = automatic)',
      min: 0,
      max: 30,
      whole: true,
      value: (p) => (p.cuts ? p.cuts.length + 1 : (p.sections ?? 0)),
      // As many equal lengths; cuts by hand are gone then.
      set: (p, sections) => {
        const { sections: _, cuts: __, ...rest } = p;
        return sections > 0 ? { ...rest, sections } : rest;
      },
    },
    ...cutFields(piece),
    {
      type: 'switch',
      label: 'Raise sharp corners',
      value: (p) => p.raisedCorners ?? false,
      set: (p, raisedCorners) => ({ ...p, raisedCorners }),
    },
  ],
  // Its line has a drawing of its own.
  grips: [],
  moreGrips: cutGrips,
};

function snakeFields(
  snake: NonNullable<PieceOf<'organic-garland'>['snake']>,
): Field<PieceOf<'organic-garland'>>[] {
  return [
    {
      type: 'length',
      label: 'Swing each way',
      short: true,
      min: 0.01,
      max: 1.5,
      value: () => snake.amplitudeM,
      set: (p, amplitudeM) => ({ ...p, snake: { ...snake, amplitudeM } }),
    },
    {
      type: 'length',
      label: 'Once in',
      min: 0.2,
      max: 10,
      value: () => snake.wavelengthM,
      set: (p, wavelengthM) => ({ ...p, snake: { ...snake, wavelengthM } }),
    },
    {
      type: 'number',
      label: 'Snaked from, % along',
      min: 0,
      max: 99,
      value: () => (snake.from ?? 0) * 100,
      set: (p, from) => ({ ...p, snake: { ...snake, from: from / 100 } }),
    },
    {
      type: 'number',
      label: 'to, % along',
      min: 1,
      max: 100,
      value: () => (snake.to ?? 1) * 100,
      set: (p, to) => ({ ...p, snake: { ...snake, to: to / 100 } }),
    },
  ];
}

type Frame = PieceOf<'photo-frame'>;

export const photoFrame: Editor<Frame> = {
  fields: (piece) => [
    {
      type: 'length',
      label: 'Width',
      max: 6,
      value: (p) => p.widthM,
      set: (p, widthM) => ({ ...p, widthM }),
    },
    heightField(5),
    {
      type: 'length',
      label: 'Lower bar at',
      min: 0,
      max: 2,
      value: (p) => p.legM,
      set: (p, legM) => ({ ...p, legM }),
    },
    {
      type: 'pick',
      label: 'Bars of',
      options: pipes.map(({ id, label }) => [id, label] as const),
      value: (p) => p.barPipe ?? BAR_PIPE,
      set: (p, barPipe) => ({ ...p, barPipe: barPipe as Frame['barPipe'] }),
    },
    {
      type: 'number',
      label: 'Uprights, inches thick',
      min: 0.3,
      max: 3,
      value: (p) => p.poleIn ?? THIN_POLE_IN,
      set: (p, poleIn) => ({ ...p, poleIn }),
    },
    {
      type: 'pick',
      label: 'Legs',
      options: [
        ['bare', 'bare'],
        ['dressed', 'dressed'],
      ],
      value: (p) => p.legs,
      set: (p, legs) => ({ ...p, legs: legs as Frame['legs'] }),
    },
    {
      type: 'pick',
      label: 'Dressed in',
      options: [
        ['quads', 'quads in a pattern'],
        ['organic', 'an organic garland'],
      ],
      value: (p) => p.dress.style,
      set: (p, style) => (style === p.dress.style ? p : { ...p, dress: otherDress(p.dress) }),
    },
    ...(piece.dress.style === 'quads' ? quadFields(piece.dress) : organicFields(piece.dress)),
  ],
  grips: [standsAt(), topGrip(), sideGrip((piece) => piece.heightM / 2)],
};

function otherDress(dress: Frame['dress']): Frame['dress'] {
  if (dress.style === 'quads') return { style: 'organic', widthM: 0.4, mix: someMix(dress.repeat) };
  const colours = dress.mix.colours.map((share) => share.colour);
  const [dark, light] = [colours[0] as string, colours[1] ?? (colours[0] as string)];
  return { style: 'quads', balloon: { nominalIn: 5, inflatedIn: 4 }, repeat: [dark, light, light, light] };
}

const quadFields = (dress: Extract<Frame['dress'], { style: 'quads' }>): Field<Frame>[] => [
  {
    type: 'blown',
    label: 'Balloon',
    value: () => dress.balloon,
    set: (p, balloon) => ({ ...p, dress: { ...dress, balloon } }),
  },
  {
    type: 'colours',
    label: 'Quad by quad, repeated',
    most: 24,
    value: () => dress.repeat,
    set: (p, repeat) => ({ ...p, dress: { ...dress, repeat } }),
  },
];

const organicFields = (dress: Extract<Frame['dress'], { style: 'organic' }>): Field<Frame>[] => [
  {
    type: 'length',
    label: 'Visible width',
    short: true,
    min: 0.1,
    max: 2,
    value: () => dress.widthM,
    set: (p, widthM) => ({ ...p, dress: { ...dress, widthM } }),
  },
  {
    type: 'mix',
    label: 'Dressing',
    value: () => dress.mix,
    set: (p, mix) => ({ ...p, dress: { ...dress, mix } }),
  },
];

type Standing = PieceOf<'standing-garland'>;

export const standingGarland: Editor<Standing> = {
  fields: () => [
    { type: 'length', label: 'Pole', max: 5, value: (p) => p.poleM, set: (p, poleM) => ({ ...p, poleM }) },
    {
      type: 'length',
      label: 'Free at the foot',
      short: true,
      min: 0,
      max: 1,
      value: (p) => p.gapM,
      set: (p, gapM) => ({ ...p, gapM }),
    },
    {
      type: 'length',
      label: 'Curve beyond the top',
      min: 0,
      max: 3,
      value: (p) => p.curve.lengthM,
      set: (p, lengthM) => ({ ...p, curve: { ...p.curve, lengthM } }),
    },
    {
      type: 'pick',
      label: 'Curves to the',
      options: [
        ['left', 'left'],
        ['right', 'right'],
      ],
      value: (p) => p.curve.side,
      set: (p, side) => ({ ...p, curve: { ...p.curve, side: side as 'left' | 'right' } }),
    },
    {
      type: 'length',
      label: 'Width',
      short: true,
      min: 0.1,
      max: 2,
      value: (p) => p.widthM,
      set: (p, widthM) => ({ ...p, widthM }),
    },
    {
      type: 'length',
      label: 'Tip',
      short: true,
      min: 0.05,
      max: 2,
      value: (p) => p.widthM * p.taper,
      set: (p, tipM) => ({ ...p, taper: Number(Math.min(1, Math.max(0.2, tipM / p.widthM)).toFixed(4)) }),
    },
    { type: 'mix', label: 'Dressing', value: (p) => p.mix, set: (p, mix) => ({ ...p, mix }) },
  ],
  grips: [
    standsAt(),
    {
      id: 'pole',
      label: 'Pole',
      at: (p) => ({ xM: p.at.xM, yM: p.at.yM + p.poleM }),
      pull: (p, to) => ({ ...p, poleM: Math.min(5, Math.max(0.4, Number((to.yM - p.at.yM).toFixed(4)))) }),
    },
  ],
};

type Panels = PieceOf<'panel-wall'>;

export const panelWall: Editor<Panels> = {
  fields: (piece) => [
    { type: 'text', label: 'Panel', value: (p) => p.panel, set: (p, panel) => ({ ...p, panel }) },
    {
      type: 'number',
      label: 'Panel, inches',
      min: 4,
      max: 60,
      value: (p) => p.panelIn,
      set: (p, panelIn) => ({ ...p, panelIn }),
    },
    {
      type: 'number',
      label: 'Columns',
      min: 1,
      max: 20,
      whole: true,
      value: (p) => p.columns,
      set: (p, columns) => ({ ...p, columns }),
    },
    {
      type: 'number',
      label: 'Panels in a column',
      min: 1,
      max: 12,
      whole: true,
      value: (p) => p.rows,
      set: (p, rows) => ({ ...p, rows }),
    },
    {
      type: 'blown',
      label: 'Singles at the edges',
      value: (p) => p.edge.balloon,
      set: (p, balloon) => ({ ...p, edge: { ...p.edge, balloon } }),
    },
    {
      type: 'colours',
      label: 'Singles, in turn',
      most: 12,
      value: (p) => p.edge.colours,
      set: (p, colours) => ({ ...p, edge: { ...p.edge, colours } }),
    },
    {
      type: 'switch',
      label: 'Garlands up the legs',
      value: (p) => p.sides !== null,
      set: (p, on) => ({
        ...p,
        sides: on ? (p.sides ?? { widthM: 0.5, mix: someMix(p.edge.colours) }) : null,
      }),
    },
    ...(piece.sides ? sideFields(piece.sides) : []),
  ],
  grips: [standsAt()],
};

const sideFields = (sides: NonNullable<Panels['sides']>): Field<Panels>[] => [
  {
    type: 'length',
    label: 'Their width',
    short: true,
    min: 0.1,
    max: 2,
    value: () => sides.widthM,
    set: (p, widthM) => ({ ...p, sides: { ...sides, widthM } }),
  },
  {
    type: 'mix',
    label: 'Dressing',
    value: () => sides.mix,
    set: (p, mix) => ({ ...p, sides: { ...sides, mix } }),
  },
];
