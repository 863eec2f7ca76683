import { type LabelFor, LabelSheet, Line, Strip, WhoseLine } from './label.tsx';

/** A bag as its label tells it. */
export interface LabelledBag {
  /** Its name on the packing list: `A-2`. */
  bag: string;
  piece: string;
  /** "section 2 of 4, hung as number 1", "fillers". */
  what: string;
  /** How much it weighs, in the units of the shop. */
  weight: string;
  /** Where it rides, and its number in the order of loading. */
  rides: string;
  /** When it is opened, and for what. */
  opened: string;
  /** Helium: it stands upright. */
  isUpright: boolean;
}

/** One sheet of labels for bags: whose, what is in it, when it is opened, which side goes up. */
export function BagLabels({ bags, whose }: { bags: readonly LabelledBag[]; whose: LabelFor }) {
  return (
    <LabelSheet
      what="bags"
      labels={bags.map((bag) => ({ id: bag.bag, label: <BagLabel bag={bag} whose={whose} /> }))}
    />
  );
}

function BagLabel({ bag, whose }: { bag: LabelledBag; whose: LabelFor }) {
  return (
    <g>
      <Strip name={bag.bag.split(',')[0] ?? bag.bag} fill="#e9dfc8" ink="#1f2637" />
      {/* An arrow up, for whoever does not read. */}
      <path d="M28 8l9 12h-6v10h-6v-10h-6z" fill="#1f2637" />
      <Line y={15} text={bag.piece} size={12} least={7} isBold />
      <Line y={32} text={`Bag ${bag.bag}`} size={16} least={9} isBold />
      <Line y={44} text={[bag.what, bag.weight].filter(Boolean).join(', ')} size={10.5} least={7} />
      <Line y={56} text={bag.rides} size={10.5} least={7} />
      <Line y={68} text={bag.opened} size={10.5} least={6.5} />
      <Line
        y={80}
        text={bag.isUpright ? 'This side up. Helium: nothing on it.' : 'This side up. Only bags on it.'}
        size={10}
        least={7}
        isBold
      />
      <WhoseLine {...whose} />
    </g>
  );
}
