import type { BalloonRow, JobFile, Lamp, Working } from '@early-lantern/contract';
import { plural } from '../quantity/plural.ts';
import { type ProductNeed, productNeeds } from '../stock/needs.ts';
import { working } from '../working.ts';
import { unlit } from './unlit.ts';

/** *Enough?* Lit when the shelf covers need and spares of every product; low when it covers the need alone. */
export function enoughLamp({ workshop, job }: JobFile, balloons: readonly BalloonRow[]): Lamp {
  if (job.pieces.length === 0)
    return unlit('no piece yet', 'Draw the first piece: there is nothing to count.');
  if (workshop.stock.length === 0) {
    return unlit('count the shelf', 'No stock is recorded. Type what is on the shelf beside the counts.');
  }
  const products = productNeeds(balloons, workshop.stock);
  const worst = products[0];
  if (!worst) return unlit('nothing to count', 'The pieces need no balloons.');
  const name = (product: ProductNeed) =>
    `${product.nominalIn} in. ${workshop.colours.find((colour) => colour.id === product.colour)?.name.toLowerCase() ?? product.colour}`;
  const shown = {
    working: products.slice(0, 12).map((product) => stockWorking(name(product), product)),
    fixes: [],
  };
  if (worst.over >= 0) {
    const figure = `${worst.over} over at least`;
    return {
      state: 'lit',
      figure,
      reason: `Every product is on the shelf with its spares; ${name(worst)} is tightest.`,
      ...shown,
    };
  }
  const missing = products.filter((product) => product.over < 0);
  const list = missing
    .slice(0, 3)
    .map((product) => `${-product.over} of ${name(product)}`)
    .join(', ');
  const more = missing.length > 3 ? ` and ${plural(missing.length - 3, 'more product')}` : '';
  const short = products.some((product) => product.onHand < product.need);
  return short
    ? { state: 'out', figure: `short ${-worst.over}`, reason: `Buy ${list}${more}.`, ...shown }
    : {
        state: 'low',
        figure: `spares short ${-worst.over}`,
        reason: `Spares lack ${list}${more}; the need is covered.`,
        ...shown,
      };
}

function stockWorking(name: string, product: ProductNeed): Working {
  return working(
    name,
    'on hand − need − spare',
    [
      ['on hand', product.onHand],
      ['need', product.need],
      ['spare', product.spare],
    ],
    { value: product.over, unit: 'balloons' },
    "the workshop's stock count and the pieces' counts",
  );
}
