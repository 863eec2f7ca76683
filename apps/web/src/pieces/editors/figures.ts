import type { PieceOf } from '@early-lantern/contract';
import { blownField, coloursField, type Editor, type Field, standsAt } from './editor.ts';

export const topiary: Editor<PieceOf<'topiary'>> = {
  fields: (piece) => [
    {
      type: 'length',
      label: 'Middle of the ball at',
      max: 5,
      value: (p) => p.standM,
      set: (p, standM) => ({ ...p, standM }),
    },
    {
      type: 'length',
      label: 'Ball, across',
      short: true,
      max: 3,
      value: (p) => p.ballM,
      set: (p, ballM) => ({ ...p, ballM }),
    },
    {
      type: 'length',
      label: 'Skirt',
      min: 0,
      max: 3,
      value: (p) => p.skirtM,
      set: (p, skirtM) => ({ ...p, skirtM }),
    },
    {
      type: 'pick',
      label: 'Clusters of',
      options: [
        ['auto', 'what suits'],
        ...Array.from({ length: 13 }, (_, i) => [String(i + 2), String(i + 2)] as const),
      ],
      value: (p) => String(p.clusterSize),
      set: (p, n) => ({ ...p, clusterSize: n === 'auto' ? 'auto' : Number(n) }),
    },
    blownField(),
    coloursField('Colours, in turn'),
    {
      type: 'switch',
      label: 'Small ones in the gaps',
      value: (p) => p.fillers !== null,
      set: (p, on) => ({ ...p, fillers: on ? (p.fillers ?? { nominalIn: 5, inflatedIn: 4 }) : null }),
    },
    ...(piece.fillers
      ? [
          {
            type: 'blown' as const,
            label: 'Fillers',
            value: (p: PieceOf<'topiary'>) => p.fillers ?? { nominalIn: 5, inflatedIn: 4 },
            set: (p: PieceOf<'topiary'>, fillers: { nominalIn: number; inflatedIn: number }) => ({
              ...p,
              fillers,
            }),
          },
        ]
      : []),
  ],
  grips: [
    standsAt(),
    {
      id: 'ball',
      label: 'Ball',
      at: (p) => ({ xM: p.at.xM, yM: p.at.yM + p.standM }),
      pull: (p, to) => ({ ...p, standM: Math.min(5, Math.max(0.3, Number((to.yM - p.at.yM).toFixed(4)))) }),
    },
    {
      id: 'across',
      label: 'Ball, across',
      at: (p) => ({ xM: p.at.xM + p.ballM / 2, yM: p.at.yM + p.standM }),
      pull: (p, to) => ({
        ...p,
        ballM: Math.min(3, Math.max(0.3, Number((2 * Math.abs(to.xM - p.at.xM)).toFixed(4)))),
      }),
    },
  ],
};

function footFields(foot: NonNullable<PieceOf<'chain'>['foot']>): Field<PieceOf<'chain'>>[] {
  return [
    {
      type: 'blown',
      label: 'Rings of the foot',
      value: () => foot.balloon,
      set: (p, balloon) => ({ ...p, foot: { ...foot, balloon } }),
    },
    {
      type: 'number',
      label: 'Balloons in a ring',
      min: 3,
      max: 6,
      whole: true,
      value: () => foot.balloons,
      set: (p, balloons) => ({ ...p, foot: { ...foot, balloons } }),
    },
    {
      type: 'colour',
      label: 'Colour of the foot',
      value: () => foot.colour,
      set: (p, colour) => ({ ...p, foot: { ...foot, colour } }),
    },
  ];
}

export const chain: Editor<PieceOf<'chain'>> = {
  fields: (piece) => [
    {
      type: 'length',
      label: 'Sag',
      min: 0,
      max: 5,
      value: (p) => p.sagM,
      set: (p, sagM) => ({ ...p, sagM }),
    },
    {
      type: 'number',
      label: 'Link, inches',
      min: 2,
      max: 20,
      value: (p) => p.linkIn,
      set: (p, linkIn) => ({ ...p, linkIn }),
    },
    {
      type: 'number',
      label: 'Modelling balloons a link',
      min: 1,
      max: 4,
      whole: true,
      value: (p) => p.balloonsPerLink,
      set: (p, balloonsPerLink) => ({ ...p, balloonsPerLink }),
    },
    {
      type: 'number',
      label: 'Blown length, inches',
      min: 2,
      max: 60,
      value: (p) => p.blownIn ?? 15,
      set: (p, blownIn) => ({ ...p, blownIn }),
    },
    coloursField('Colours, pair by pair'),
    {
      type: 'number',
      label: 'Small weighted bases',
      min: 0,
      max: 2,
      whole: true,
      value: (p) => p.bases,
      set: (p, bases) => ({ ...p, bases }),
    },
    {
      type: 'switch',
      label: 'Two rings over each base',
      value: (p) => p.foot !== undefined,
      set: (p, on) => ({
        ...p,
        foot: on
          ? { balloon: { nominalIn: 5, inflatedIn: 4.5 }, balloons: 5, colour: p.colours[0] as string }
          : undefined,
      }),
    },
    ...(piece.foot ? footFields(piece.foot) : []),
  ],
  grips: [
    { id: 'from', label: 'First end', at: (p) => p.from, pull: (p, from) => ({ ...p, from }) },
    { id: 'to', label: 'Second end', at: (p) => p.to, pull: (p, to) => ({ ...p, to }) },
    {
      id: 'sag',
      label: 'Sag',
      at: (p) => ({ xM: (p.from.xM + p.to.xM) / 2, yM: Math.max(0, (p.from.yM + p.to.yM) / 2 - p.sagM) }),
      pull: (p, to) => ({
        ...p,
        sagM: Math.min(5, Math.max(0, Number(((p.from.yM + p.to.yM) / 2 - to.yM).toFixed(4)))),
      }),
    },
  ],
};

export const bunch: Editor<PieceOf<'bunch'>> = {
  fields: () => [
    {
      type: 'number',
      label: 'Bunches',
      min: 1,
      max: 200,
      whole: true,
      value: (p) => p.count,
      set: (p, count) => ({ ...p, count }),
    },
    {
      type: 'number',
      label: 'Balloons in each',
      min: 2,
      max: 12,
      whole: true,
      value: (p) => p.balloonsEach,
      set: (p, balloonsEach) => ({ ...p, balloonsEach }),
    },
    {
      type: 'length',
      label: 'Drop',
      max: 10,
      value: (p) => p.threadM,
      set: (p, threadM) => ({ ...p, threadM }),
    },
    {
      type: 'pick',
      label: 'Hung on',
      options: [
        ['thread', 'thread'],
        ['tape', 'tape'],
        ['ribbon', 'ribbon'],
      ],
      value: (p) => p.hungOn ?? 'thread',
      set: (p, hungOn) => ({ ...p, hungOn: hungOn as PieceOf<'bunch'>['hungOn'] }),
    },
    blownField(),
    coloursField(),
  ],
  grips: [standsAt()],
};

export const banner: Editor<PieceOf<'banner'>> = {
  fields: () => [
    { type: 'text', label: 'Words', value: (p) => p.text, set: (p, text) => ({ ...p, text }) },
    {
      type: 'number',
      label: 'Letters, inches',
      min: 1,
      max: 36,
      value: (p) => p.letterIn,
      set: (p, letterIn) => ({ ...p, letterIn }),
    },
    {
      type: 'length',
      label: 'Letter to letter',
      short: true,
      max: 2,
      value: (p) => p.pitchM,
      set: (p, pitchM) => ({ ...p, pitchM }),
    },
    {
      type: 'number',
      label: 'Balloons a motif',
      min: 0,
      max: 12,
      whole: true,
      value: (p) => p.balloonsEach,
      set: (p, balloonsEach) => ({ ...p, balloonsEach }),
    },
    blownField(),
    coloursField(),
  ],
  grips: [standsAt()],
};
