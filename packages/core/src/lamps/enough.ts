import type {
  BalloonRow,
  ColourId,
  JobFile,
  Lamp,
  MaterialRow,
  Unmade,
  Working,
} from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { type ShortMaterial, shortMaterials } from '../materials/short.ts';
import { sumOf } from '../quantity/group.ts';
import { plural } from '../quantity/plural.ts';
import { wantedDay } from '../stock/buy.ts';
import { type ProductNeed, productNeeds } from '../stock/needs.ts';
import { type Input, working } from '../working.ts';
import { unlit } from './unlit.ts';

/** What the counts have found, as far as the lamp asks. */
export interface Counted {
  balloons: readonly BalloonRow[];
  materials: readonly MaterialRow[];
  /** Sizes that colours are not made in and nothing stands in for. */
  unmade: readonly Unmade[];
}

/**
 * *Enough?* Lit when shelf and orders that arrive in time cover need and spares of every product and the counted
 * materials; low when they cover the need alone; out when something is short or not made at all.
 */
export function enoughLamp(file: JobFile, { balloons, materials, unmade }: Counted): Lamp {
  const { workshop, job } = file;
  if (job.pieces.length === 0)
    return unlit('no piece yet', 'Draw the first piece: there is nothing to count.');
  if (workshop.stock.length === 0 && balloons.length > 0) {
    return unlit('count the shelf', 'No stock is recorded. Type what is on the shelf beside the counts.');
  }
  if (workshop.isUsed)
    return {
      state: 'lit',
      figure: 'recorded',
      reason: 'What this job used is recorded.',
      working: [],
      fixes: [],
    };
  const products = productNeeds(balloons, workshop, wantedDay(file));
  const short = shortMaterials(materials, workshop);
  const name = (product: { nominalIn: number; colour: ColourId }) =>
    `${sizeName(product.nominalIn)} ${workshop.colours.find((colour) => colour.id === product.colour)?.name.toLowerCase() ?? product.colour}`;
  const shown = {
    working: [
      ...products.slice(0, 12).map((product) => stockWorking(name(product), product)),
      ...short.map(materialWorking),
    ],
    fixes: [],
  };
  const [none] = unmade;
  if (none) {
    const ways = none.alternatives.length;
    return {
      state: 'out',
      figure: `${none.count} not made`,
      reason: `${name(none)} does not exist. ${ways ? `Counts offers ${plural(ways, 'way')} round it.` : 'Choose another colour or size.'}`,
      ...shown,
    };
  }
  const worst = products[0];
  const lacking = worst && worst.over < 0 ? shortOf(products, name) : undefined;
  const [thing] = short;
  // What is missing altogether comes before spares.
  if (lacking && (lacking.state === 'out' || !thing)) return { ...shown, ...lacking };
  if (thing) {
    return {
      state: 'out',
      figure: `${thing.row.label} short`,
      reason: `${thing.row.label}: ${thing.row.count} needed, ${thing.onHand} on the shelf${thing.held > 0 ? `, ${thing.held} held for other jobs` : ''}${thing.away > 0 ? `, ${thing.away} not home from an earlier job` : ''}.`,
      ...shown,
    };
  }
  if (!worst) {
    return {
      state: 'lit',
      figure: 'no balloons',
      reason: 'Nothing to inflate; nothing counted is short.',
      ...shown,
    };
  }
  return {
    state: 'lit',
    figure: worst.over === 0 ? 'just enough' : `${worst.over} left over`,
    reason: `Every product is there with its spares; ${name(worst)} is tightest.`,
    ...shown,
  };
}

function shortOf(
  products: readonly ProductNeed[],
  name: (product: ProductNeed) => string,
): Pick<Lamp, 'state' | 'figure' | 'reason'> {
  const missing = products.filter((product) => product.over < 0);
  const worst = missing[0] as ProductNeed;
  const list = missing
    .slice(0, 3)
    .map((product) => `${-product.over} of ${name(product)}`)
    .join(', ');
  const more = missing.length > 3 ? ` and ${plural(missing.length - 3, 'more product')}` : '';
  const needIsShort = products.some((product) => product.over + product.spare < 0);
  return needIsShort
    ? { state: 'out', figure: `short ${-worst.over}`, reason: `Buy ${list}${more}.` }
    : {
        state: 'low',
        figure: `spares short ${-worst.over}`,
        reason: `Spares lack ${list}${more}; the need is covered.`,
      };
}

const materialWorking = ({ row, onHand, held, away }: ShortMaterial): Working =>
  working(
    row.label,
    `on hand${held > 0 ? ' − held for other jobs' : ''}${away > 0 ? ' − not home from an earlier job' : ''} − need`,
    [
      ['on hand', onHand, row.unit],
      ...(held > 0 ? [['held for other jobs', held, row.unit] satisfies Input] : []),
      ...(away > 0 ? [['not home from an earlier job', away, row.unit] satisfies Input] : []),
      ['need', row.count, row.unit],
    ],
    { value: onHand - held - away - row.count, unit: row.unit },
    "the workshop's stock count and the pieces' materials",
  );

function stockWorking(name: string, product: ProductNeed): Working {
  const ofFamily = sumOf(product.fromFamily.map(({ count }) => count));
  const anyFamily = ofFamily > 0 || product.forFamily > 0;
  return working(
    name,
    anyFamily
      ? 'on hand − held for other jobs + arriving in time + of other sizes − for other sizes − need − spare'
      : 'on hand − held for other jobs + arriving in time − need − spare',
    [
      ['on hand', product.onHand],
      ['held for other jobs', product.reserved],
      ['arriving in time', product.arriving],
      ...(anyFamily
        ? ([
            ['of other sizes', ofFamily],
            ['for other sizes', product.forFamily],
          ] satisfies Input[])
        : []),
      ['need', product.need],
      ['spare', product.spare],
    ],
    { value: product.over, unit: 'balloons' },
    "the workshop's stock count and the pieces' counts",
  );
}
