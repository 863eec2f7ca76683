import type { Section, WorkshopSettings } from '@early-lantern/contract';
import { latexMassG } from '../balloon/mass.ts';
import { bagFor, looseBag, looseBagM3 } from '../bench/bag-types.ts';
import { litresOf, PACKING } from '../bench/batch.ts';
import { sectionOrder } from '../fixing/section-order.ts';
import { isFillerName } from '../piece/cluster-names.ts';
import { pieceLetter } from '../piece/counts.ts';
import { isGarland, traitsOf } from '../piece/kinds.ts';
import type { Need } from '../piece/recipe.ts';
import { sumOf } from '../quantity/group.ts';
import { massOf } from '../structure/mass.ts';
import { type Good, type MadePiece, REST_OFF } from './goods.ts';
import { asCargo, SQUEEZE } from './sizes.ts';

/** Balloons this large ride in a bag of their own, in. Common practice, no source. */
const OWN_BAG_FROM_IN = 24;
/** What may lie on a bag of balloons: other bags, kg. From memory, an editable default. */
const SOFT_BEARS_KG = 6;
/** Bag, label and string, kg. From memory. */
const BAG_KG = 0.15;

/** Boxes that bags can be pressed into, length, width and height times so much; their volume stays. From memory. */
const SHAPES: Record<'section' | 'loose' | 'round', readonly (readonly [number, number, number])[]> = {
  section: [
    [1, 1.25, 0.8],
    [1, 1.5, 2 / 3],
  ],
  loose: [
    [1.25, 1.25, 0.64],
    [0.85, 0.85, 1.384],
    [1.25, 1, 0.8],
  ],
  round: [],
};

const mm = (metres: number) => metres * 1000;

/** The bags of a piece and, where it is strung at the bench, its sections. */
interface Bagged {
  sections: Omit<Section, 'carriers'>[];
  goods: Good[];
}

/**
 * What of a piece is blown in the workshop, bagged: each section that is strung there in a bag of about its outline's
 * volume; balloons of 24 in. and over one by one; the rest loose in bags of which balloons fill 60 %.
 * @param index of the piece in its job, from 0
 * @param squeeze of their volume that the bags are pressed together by, 0 to 0.12
 */
export function bagsOf(made: MadePiece, index: number, settings: WorkshopSettings, squeeze = 0): Bagged {
  const { piece, recipe, batches } = made;
  if (!batches.some(({ id }) => id === 'bag')) return { sections: [], goods: [] };
  const letter = pieceLetter(index);
  const isHere = (isFiller: boolean) =>
    batches.some(
      ({ place, blows, needsInflator }) =>
        place === 'workshop' && needsInflator && (blows?.isFiller ?? false) === isFiller,
    ) ||
    (!isFiller && recipe.needs.some(({ isKept }) => isKept));
  const loose = new BagMaker(letter, made, squeeze);
  const bagM3 = looseBagM3(settings);

  const base = isHere(false) ? recipe.needs.filter(({ cluster }) => !isFillerName(cluster)) : [];
  const isStrung = isStrungAtBench(made);
  const sections = isStrung && base.length > 0 ? sectionsOf(made, letter, settings) : [];
  if (sections.length > 0) {
    for (const [s, section] of sections.entries()) loose.section(section, s, sections.length);
  } else {
    const isHelium = traitsOf(piece).balloons === 'helium';
    const [big, small] = parted(base, ({ nominalIn }) => !isHelium && nominalIn >= OWN_BAG_FROM_IN);
    for (const need of big) loose.big(need);
    const volumeM3 = sumOf(small.map(volumeOf)) / PACKING;
    if (isHelium && volumeM3 > 0) loose.bouquets(volumeM3, bagM3);
    else loose.bags(`${letter}-1`, 'loose', volumeM3, Math.ceil(volumeM3 / bagM3), massKgOf(small));
  }
  // Fixed on the finished sections, they ride with them.
  const isFixed = recipe.assemblies.some(({ part, join }) => part === 'fillers' && join);
  const filled = batches.filter(({ place, blows }) => place === 'workshop' && blows?.isFiller);
  if (!isFixed && filled.length > 0) {
    const volumeM3 = sumOf(filled.map(({ litres = 0 }) => litres)) / 1000 / PACKING;
    const fillers = recipe.needs.filter(({ cluster }) => isFillerName(cluster));
    loose.bags(
      `${letter}-F`,
      'fillers',
      volumeM3,
      sumOf(filled.map(({ bags = 1 }) => bags)),
      massKgOf(fillers),
    );
  }
  return { sections, goods: loose.made };
}

/** Whether a piece is put together at the bench, in sections. */
const isStrungAtBench = ({ piece, recipe, batches }: MadePiece): boolean =>
  isGarland(piece) &&
  batches.some(({ id, place }) => id.startsWith('cluster') && place === 'workshop') &&
  recipe.assemblies.some(({ part, join, joinAt }) => part !== 'fillers' && join && joinAt === 'bench');

/** Its sections along it, the wider the more balloons each has for its length. */
function sectionsOf(
  { piece, recipe, held }: MadePiece,
  letter: string,
  { bagTypes }: WorkshopSettings,
): Bagged['sections'] {
  const { order } = sectionOrder((held?.points ?? []).filter(({ method }) => method !== 'foot-peg'));
  const { sections, cuts = [], lengthM, visibleWidthM, needs } = recipe;
  const { dressingKg } = massOf(recipe);
  const ends = [0, ...cuts, 1];
  // What is strung without being fluffed out is no wider than its balloons lying loose.
  const base = sumOf(needs.filter(({ cluster }) => !isFillerName(cluster)).map(volumeOf));
  const widthM = Math.min(visibleWidthM, Math.sqrt((4 * base) / (PACKING * Math.PI * lengthM)));
  return sections.map((share, s) => {
    const [from = 0, to = 1] = [ends[s], ends[s + 1]];
    const diameterM = widthM * Math.sqrt(share / (to - from));
    const pressedM = diameterM * Math.sqrt(1 - SQUEEZE);
    return {
      id: `${letter}-${s + 1}`,
      pieceId: piece.id,
      fromM: from * lengthM,
      toM: to * lengthM,
      diameterM,
      massKg: dressingKg * share,
      bag: `${letter}-${s + 1}`,
      ...(order.includes(s) ? { hungAs: order.indexOf(s) + 1 } : {}),
      ...(bagTypes?.length
        ? { bagType: bagFor((to - from) * lengthM, pressedM, bagTypes)?.name ?? null }
        : {}),
    };
  });
}

/** Bags wanted of each kind that the house owns. */
export function bagsWanted(
  goods: readonly Good[],
  sections: readonly Section[],
  settings: WorkshopSettings,
): { name: string; wanted: number; owned: number }[] {
  const loose = looseBag(settings);
  const looseCount = goods.filter(
    ({ kind, cargo }) => kind === 'bouquet' || (kind === 'bag' && !isBigRound(cargo.id)),
  ).length;
  return (settings.bagTypes ?? []).map(({ id, name, count }) => ({
    name,
    wanted: sections.filter(({ bagType }) => bagType === name).length + (id === loose?.id ? looseCount : 0),
    owned: count,
  }));
}

/** Balloons of 24 in. and over ride one by one in bags of their own, which are no bags of the house. */
const isBigRound = (id: string): boolean => id.includes(', big ');

/** Balls of so many inches, m³. */
const volumeOf = ({ inflatedIn, count }: Need): number => (count * litresOf(inflatedIn.max)) / 1000;

const massKgOf = (needs: readonly Need[]): number =>
  sumOf(needs.map(({ nominalIn, count }) => (count * latexMassG(nominalIn)) / 1000));

function parted<T>(items: readonly T[], isFirst: (item: T) => boolean): [T[], T[]] {
  return [items.filter(isFirst), items.filter((one) => !isFirst(one))];
}

/** Makes a piece's bags, with labels that say what is in them. */
class BagMaker {
  readonly made: Good[] = [];
  private readonly letter: string;
  private readonly piece: MadePiece['piece'];
  private readonly squeeze: number;
  private bigRounds = 0;

  constructor(letter: string, { piece }: MadePiece, squeeze: number) {
    this.letter = letter;
    this.piece = piece;
    this.squeeze = squeeze;
  }

  /** As long as it is, its round cross-section pressed square. */
  section({ id, fromM, toM, diameterM, massKg }: Bagged['sections'][number], s: number, count: number): void {
    const side = diameterM * Math.sqrt((Math.PI / 4) * (1 - this.squeeze));
    const which = count > 1 ? `section ${s + 1} of ${count}` : 'in one section';
    this.add('section', id, which, { lengthM: toM - fromM, widthM: side, heightM: side, massKg });
  }

  /** One by one, each as wide as it is blown. */
  big(need: Need): void {
    const side = (need.inflatedIn.max * 25.4) / 1000;
    for (let i = 0; i < need.count; i++) {
      this.bigRounds += 1;
      this.add('bag', `${this.letter}-1, big ${this.bigRounds}`, `one of ${need.nominalIn} in.`, {
        lengthM: side,
        widthM: side,
        heightM: side,
        massKg: latexMassG(need.nominalIn) / 1000,
      });
    }
  }

  /** Helium: upright, in bags of their own; nothing lies on them. */
  bouquets(volumeM3: number, bagM3: number): void {
    const count = Math.max(1, Math.ceil(volumeM3 / bagM3));
    const side = Math.cbrt(volumeM3 / count);
    for (let i = 0; i < count; i++)
      this.add(
        'bouquet',
        count > 1 ? `${this.letter}-1, ${i + 1} of ${count}` : `${this.letter}-1`,
        'helium, upright',
        { lengthM: side, widthM: side, heightM: side, massKg: BAG_KG },
      );
  }

  /** Loose in so many bags alike. */
  bags(name: string, what: string, volumeM3: number, count: number, massKg: number): void {
    if (volumeM3 === 0) return;
    const side = Math.cbrt((volumeM3 * (1 - this.squeeze)) / count);
    for (let i = 0; i < count; i++)
      this.add('bag', count > 1 ? `${name}, ${i + 1} of ${count}` : name, what, {
        lengthM: side,
        widthM: side,
        heightM: side,
        massKg: massKg / count,
      });
  }

  private add(
    kind: Good['kind'],
    bag: string,
    which: string,
    size: { lengthM: number; widthM: number; heightM: number; massKg: number },
  ): void {
    const isBouquet = kind === 'bouquet';
    const isRound = which.startsWith('one of');
    this.made.push({
      kind,
      label: `Bag ${bag}: ${this.piece.name}${which ? `, ${which}` : ''}`,
      pieceId: this.piece.id,
      cargo: {
        ...asCargo(
          `bag ${bag}`,
          {
            ...size,
            massKg: size.massKg + BAG_KG,
            upright: isBouquet ? ['h'] : ['h', 'w', 'l'],
            bearsKg: isBouquet ? 0 : SOFT_BEARS_KG,
          },
          REST_OFF,
        ),
        isSoft: true,
        shapes: SHAPES[kind === 'section' ? 'section' : kind === 'bag' && !isRound ? 'loose' : 'round'].map(
          ([l, w, h]) => ({
            l: Math.round(mm(size.lengthM) * l),
            w: Math.round(mm(size.widthM) * w),
            h: Math.round(mm(size.heightM) * h),
          }),
        ),
      },
    });
  }
}
