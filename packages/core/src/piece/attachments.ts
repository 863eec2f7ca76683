import type { Attachment, AttachmentFixing, Piece, Stage } from '@early-lantern/contract';
import { material } from '../materials/materials.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import data from './attachments.json';
import type { Material, Recipe, SiteWork } from './recipe.ts';

interface Usual {
  stage: Stage;
  fixing: AttachmentFixing;
  minutesEach: number;
}

/** When a thing goes on, how it is fixed and how long one takes, where nobody has said: by what it is. */
export function usualFor(what: Attachment['what']): Usual {
  const found = data.find((one) => one.what === (what ?? 'other')) as (typeof data)[number];
  return found as Usual;
}

/** How many of it there are. */
export const countOf = ({ count = 1 }: Attachment): number => count;

/** Mass of all attachments of a piece, kg. */
export const attachedKg = ({ attachments = [] }: Piece): number =>
  attachments.reduce((sum, one) => sum + countOf(one) * one.massKg, 0);

/** How each fixing is done, in the words of the card. */
const ways: Record<AttachmentFixing, string> = {
  stem: 'Push its wire stem in between the balloons.',
  'half-260': 'Half a 260 round it, then several times round a balloon.',
  dots: 'Find the touching point first, then stick with dots.',
  tape: 'Tape rolled double behind it.',
  line: 'Hang it on line from a knot of the base.',
  pin: 'Pin it, the point away from every balloon.',
  'zip-tie': 'Zip ties through two holes an inch and a half apart; cover the cut ends.',
  'pressed-in': 'Press it in and tape it below; soft balloons over cut ends first.',
};

/** What one of each fixing takes. Amounts from memory, editable defaults. */
const takes: Record<AttachmentFixing, { item: string; each: number } | undefined> = {
  stem: undefined,
  'half-260': { item: 'modelling-260', each: 0.5 },
  dots: { item: 'adhesive-dot', each: 2 },
  tape: { item: 'tape', each: 0.1 },
  line: { item: 'fishing-line', each: 0.5 },
  pin: { item: 'safety-pin', each: 1 },
  'zip-tie': { item: 'zip-tie', each: 4 },
  'pressed-in': { item: 'tape', each: 0.2 },
};

/** A recipe with the work and the materials of what is attached to its piece. */
export function withAttachments(piece: Piece, recipe: Recipe): Recipe {
  const { attachments = [] } = piece;
  if (attachments.length === 0) return recipe;
  return {
    ...recipe,
    siteWork: [...recipe.siteWork, ...attachments.map((one) => attachWork(piece, one))],
    materials: [...recipe.materials, ...attachments.flatMap(attachMaterials)],
    working: [
      ...recipe.working,
      working(
        'What is attached',
        'Σ count · mass',
        attachments.map((one) => [one.name, countOf(one) * one.massKg, 'kg']),
        { value: attachedKg(piece), unit: 'kg' },
        'as typed',
      ),
    ],
  };
}

function attachWork(piece: Piece, one: Attachment): SiteWork {
  const usual = usualFor(one.what);
  const count = countOf(one);
  // A sign on a pole that gets clothed must be there before.
  const isUnder = one.what === 'sign' && piece.kind === 'standing-garland';
  return {
    id: `attach-${one.id}`,
    stage: isUnder ? 'on-pole' : usual.stage,
    label: `put on ${count > 1 ? `${count} × ` : ''}${one.name}`,
    rate: 'put-on',
    amount: count * (one.minutesEach ?? usual.minutesEach),
    how: [ways[one.fixing ?? usual.fixing]],
  };
}

function attachMaterials(one: Attachment): Material[] {
  const count = countOf(one);
  const taken = takes[one.fixing ?? usualFor(one.what).fixing];
  const size = one.sizeIn === undefined ? '' : `, ${one.sizeIn} in.`;
  return [
    material('attachment', count, 'as listed', [['count', count]], 'as typed', { detail: one.name + size }),
    ...(taken
      ? [
          material(
            taken.item,
            Math.ceil(count * taken.each * 10 - 1e-9) / 10,
            'count · for each',
            [
              ['count', count],
              ['for each', taken.each],
            ],
            `from memory, an editable default; ways of fixing: ${COMMON_PRACTICE}`,
            { what: `For ${one.name}` },
          ),
        ]
      : []),
  ];
}
