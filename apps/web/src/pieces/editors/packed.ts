import type { PieceOf } from '@early-lantern/contract';
import { bentRod, usualTable } from '@early-lantern/core';
import {
  blownField,
  type Editor,
  type Field,
  heightField,
  layerFields,
  ownLayersField,
  spanGrip,
  standsAt,
  topGrip,
} from './editor.ts';

/** Share of its length at which a rod's bases may stand, widest and narrowest, with a little room. */
const [NARROW, WIDE] = [0.151, 0.636];

export const packedArch: Editor<PieceOf<'packed-arch'>> = {
  fields: () => [
    {
      type: 'length',
      label: 'Pipe',
      max: 30,
      value: (piece) => piece.pipeLengthM,
      set: (piece, pipeLengthM) => ({ ...piece, pipeLengthM }),
    },
    {
      type: 'length',
      label: 'Span',
      max: 20,
      value: (piece) => piece.spanM,
      set: (piece, spanM) => ({ ...piece, spanM }),
    },
    {
      type: 'pick',
      label: 'Kind of pipe',
      options: [
        ['pvc-half', '½ in. PVC'],
        ['pvc-three-quarter', '¾ in. PVC'],
        ['pvc-one', '1 in. PVC'],
        ['emt-half', '½ in. EMT'],
        ['emt-three-quarter', '¾ in. EMT'],
      ],
      value: (piece) => piece.pipe,
      set: (piece, pipe) => ({ ...piece, pipe: pipe as typeof piece.pipe }),
    },
    {
      type: 'pick',
      label: 'Bent',
      options: [
        ['on-site', 'on site, between its bases'],
        ['formed', 'to shape beforehand'],
      ],
      value: (piece) => (piece.isFormed ? 'formed' : 'on-site'),
      set: ({ isFormed: _, ...piece }, how) => (how === 'formed' ? { ...piece, isFormed: true } : piece),
    },
    blownField(),
    ...layerFields<PieceOf<'packed-arch'>>(),
  ],
  grips: [
    standsAt(),
    {
      ...spanGrip(),
      pull: (piece, to) => {
        const wanted = (2 * Math.abs(to.xM - piece.at.xM)) / piece.pipeLengthM;
        const spanM = Math.min(WIDE, Math.max(NARROW, wanted)) * piece.pipeLengthM;
        return { ...piece, spanM: Number(spanM.toFixed(4)) };
      },
    },
    {
      id: 'crown',
      label: 'Crown',
      at: (piece) => ({
        xM: piece.at.xM,
        yM: piece.at.yM + bentRod(piece.pipeLengthM, piece.spanM).rise,
      }),
      // Pulled up, the same span takes a longer pipe.
      pull: (piece, to) => {
        const wanted = Math.max(0.3, to.yM - piece.at.yM);
        let [low, high] = [piece.spanM / WIDE, Math.min(30, piece.spanM / NARROW)];
        for (let step = 0; step < 24; step++) {
          const middle = (low + high) / 2;
          if (bentRod(middle, piece.spanM).rise < wanted) low = middle;
          else high = middle;
        }
        return { ...piece, pipeLengthM: Number(((low + high) / 2).toFixed(4)) };
      },
    },
  ],
};

const topperField = <P extends { topper: PieceOf<'packed-column'>['topper'] }>(): Field<P> => ({
  type: 'topper',
  label: 'Topper',
  value: (piece) => piece.topper,
  set: (piece, topper) => ({ ...piece, topper }),
});

export const packedColumn: Editor<PieceOf<'packed-column'>> = {
  fields: () => [
    heightField(),
    blownField(),
    ...layerFields<PieceOf<'packed-column'>>(),
    ownLayersField<PieceOf<'packed-column'>>(),
    topperField(),
  ],
  grips: [standsAt(), topGrip()],
};

export const squareColumn: Editor<PieceOf<'square-column'>> = {
  fields: () => [
    heightField(),
    { type: 'blown', label: 'Large', value: (p) => p.large, set: (p, large) => ({ ...p, large }) },
    { type: 'blown', label: 'Small', value: (p) => p.small, set: (p, small) => ({ ...p, small }) },
    {
      type: 'colours',
      label: 'Colours round the column',
      most: 4,
      value: (p) => p.colours,
      set: (p, colours) => ({ ...p, colours }),
    },
    {
      type: 'colour',
      label: 'Small ones',
      value: (p) => p.smallColour,
      set: (p, smallColour) => ({ ...p, smallColour }),
    },
    topperField(),
  ],
  grips: [standsAt(), topGrip()],
};

export const tableArch: Editor<PieceOf<'table-arch'>> = {
  fields: () => [
    {
      type: 'length',
      label: 'Poles together',
      max: 8,
      value: (p) => p.poleLengthM,
      set: (p, poleLengthM) => ({ ...p, poleLengthM }),
    },
    { type: 'length', label: 'Span', max: 6, value: (p) => p.spanM, set: (p, spanM) => ({ ...p, spanM }) },
    {
      type: 'length',
      label: 'Table top, thickness',
      short: true,
      max: 0.2,
      min: 0.005,
      value: (p) => p.tableThicknessM,
      set: (p, tableThicknessM) => ({ ...p, tableThicknessM }),
    },
    {
      type: 'length',
      label: 'Table, front to back',
      max: 3,
      min: 0.2,
      value: (p) => p.tableDepthM ?? usualTable.depthM,
      set: (p, tableDepthM) => ({ ...p, tableDepthM }),
    },
    {
      type: 'number',
      label: 'Table, kg',
      min: 1,
      max: 500,
      value: (p) => p.tableKg ?? usualTable.massKg,
      set: (p, tableKg) => ({ ...p, tableKg }),
    },
    {
      type: 'length',
      label: 'Table height',
      min: 0,
      max: 3,
      value: (p) => p.at.yM,
      set: (p, yM) => ({ ...p, at: { ...p.at, yM } }),
    },
    blownField(),
    ...layerFields<PieceOf<'table-arch'>>(),
  ],
  grips: [
    standsAt(),
    {
      ...spanGrip(),
      pull: (piece, to) => {
        const wanted = (2 * Math.abs(to.xM - piece.at.xM)) / piece.poleLengthM;
        const spanM = Math.min(WIDE, Math.max(NARROW, wanted)) * piece.poleLengthM;
        return { ...piece, spanM: Number(spanM.toFixed(4)) };
      },
    },
  ],
};

/** Nominal size with the diameters at foot and top. */
const gradedFields = <P extends { nominalIn: number; bottomIn: number; topIn: number }>(): Field<P>[] => [
  {
    type: 'number',
    label: 'Balloon, nominal in.',
    min: 4,
    max: 36,
    value: (p) => p.nominalIn,
    set: (p, nominalIn) => ({ ...p, nominalIn }),
  },
  {
    type: 'number',
    label: 'Blown at the foot, in.',
    min: 1,
    max: 36,
    value: (p) => p.bottomIn,
    set: (p, bottomIn) => ({ ...p, bottomIn }),
  },
  {
    type: 'number',
    label: 'Blown at the top, in.',
    min: 1,
    max: 36,
    value: (p) => p.topIn,
    set: (p, topIn) => ({ ...p, topIn }),
  },
];

export const tower: Editor<PieceOf<'tower'>> = {
  fields: (piece) => [
    heightField(),
    ...gradedFields<PieceOf<'tower'>>(),
    ...layerFields<PieceOf<'tower'>>(),
    ownLayersField<PieceOf<'tower'>>(),
    {
      type: 'switch',
      label: 'Roof',
      value: (p) => p.roof !== null,
      set: (p, on) => ({
        ...p,
        roof: on
          ? (p.roof ?? {
              rings: 3,
              flower: { nominalIn: 5, inflatedIn: 4, colour: p.pattern.colours[0] as string },
            })
          : null,
      }),
    },
    ...(piece.roof ? roofFields(piece.roof) : []),
  ],
  grips: [standsAt(), topGrip()],
};

function roofFields(roof: NonNullable<PieceOf<'tower'>['roof']>): Field<PieceOf<'tower'>>[] {
  return [
    {
      type: 'number',
      label: 'Rings of the roof',
      min: 0,
      max: 8,
      whole: true,
      value: () => roof.rings,
      set: (p, rings) => ({ ...p, roof: { ...roof, rings } }),
    },
    {
      type: 'colour',
      label: 'Flower',
      value: () => roof.flower.colour,
      set: (p, colour) => ({ ...p, roof: { ...roof, flower: { ...roof.flower, colour } } }),
    },
    {
      type: 'pick',
      label: 'Petals of the flower',
      options: [
        ['5', 'five'],
        ['6', 'six'],
      ],
      value: () => String(roof.petals ?? 5),
      set: (p, petals) => ({ ...p, roof: { ...roof, petals: Number(petals) } }),
    },
    {
      type: 'blown',
      label: 'Petals',
      value: () => roof.flower,
      set: (p, blown) => ({ ...p, roof: { ...roof, flower: { ...roof.flower, ...blown } } }),
    },
  ];
}

export const pairArch: Editor<PieceOf<'pair-arch'>> = {
  fields: () => [
    { type: 'length', label: 'Span', max: 15, value: (p) => p.spanM, set: (p, spanM) => ({ ...p, spanM }) },
    {
      type: 'length',
      label: 'Ends above the floor',
      min: 0,
      max: 8,
      value: (p) => p.at.yM,
      set: (p, yM) => ({ ...p, at: { ...p.at, yM } }),
    },
    { type: 'blown', label: 'Outside', value: (p) => p.outside, set: (p, outside) => ({ ...p, outside }) },
    { type: 'blown', label: 'Inside', value: (p) => p.inside, set: (p, inside) => ({ ...p, inside }) },
    {
      type: 'colours',
      label: 'Outside, in turn',
      most: 12,
      value: (p) => p.outsideColours,
      set: (p, outsideColours) => ({ ...p, outsideColours }),
    },
    {
      type: 'colours',
      label: 'Inside, in turn',
      most: 12,
      value: (p) => p.insideColours,
      set: (p, insideColours) => ({ ...p, insideColours }),
    },
  ],
  grips: [standsAt(), spanGrip()],
};

export const centrepiece: Editor<PieceOf<'centrepiece'>> = {
  fields: () => [
    {
      type: 'number',
      label: 'How many alike',
      min: 1,
      max: 200,
      whole: true,
      value: (p) => p.count,
      set: (p, count) => ({ ...p, count }),
    },
    { type: 'length', label: 'Post', max: 2, value: (p) => p.postM, set: (p, postM) => ({ ...p, postM }) },
    ...gradedFields<PieceOf<'centrepiece'>>(),
    ...layerFields<PieceOf<'centrepiece'>>(),
  ],
  grips: [
    standsAt(),
    {
      id: 'post',
      label: 'Post',
      at: (p) => ({ xM: p.at.xM, yM: p.at.yM + p.postM }),
      pull: (p, to) => ({ ...p, postM: Math.min(2, Math.max(0.2, Number((to.yM - p.at.yM).toFixed(4)))) }),
    },
  ],
};
