import type { ColourId, InflatedRange, RateKey, Schools, Stage, Working } from '@early-lantern/contract';

/** So many balloons of one size, blown alike, in one colour, for one part of a piece. */
export interface Need {
  role: 'base' | 'filler' | 'accent';
  nominalIn: number;
  inflatedIn: InflatedRange;
  colour: ColourId;
  count: number;
  /** What they are tied into, in the plural: `quads`, `trios`, `singles`. */
  cluster: string;
  /** Kept from an earlier installation: topped up, not blown. */
  isKept?: true;
}

/** So many clusters, layers or bunches of one make. */
export interface Assembly {
  /** In the plural: `quads`, `six-clusters`. */
  name: string;
  size: number;
  count: number;
  part: string;
  /** Work to twist one. */
  make: RateKey | undefined;
  /** Work to put one on its string or pipe. */
  join: RateKey | undefined;
  /** Where it is joined; it is always twisted where it is blown. */
  joinAt: 'bench' | 'site';
  /** Made in one go with the ones before, of which it is another size. */
  withBefore?: true;
}

/** A step on the spot: the card, the clock, the run sheet and the strike are all read from it. */
export interface SiteWork {
  id: string;
  stage: Stage;
  label: string;
  /** What it is called where weights go on its bases. */
  weighted?: string;
  rate: RateKey;
  amount: number;
  /** Two people whatever the length. */
  pair?: boolean;
  /** It is done at the points that hold the piece, as many as are found. */
  byPoints?: boolean;
  /** Steps of the same stage that come before it, by id. */
  after?: string[];
  /** How it is done, as the card says it. */
  how?: string[];
}

/** A thing besides balloons, by its name in the materials' catalogue. */
export interface Material {
  item: string;
  /** Which one, where the item comes in kinds: `star, 18 in.` */
  detail?: string;
  /** Width and height, m, where it comes cut to size. */
  sizeM?: readonly [number, number];
  count: number;
  working: Working;
}

/** What a piece is made of: all that counting, the bench and the clock need to know of it. */
export interface Recipe {
  lengthM: number;
  visibleWidthM: number;
  /** Balloons in one cluster of the base; 0 where there is none. */
  clusterSize: number;
  /** Clusters on the string or pipe, and those added at its sides for width. */
  spineClusters: number;
  sideClusters: number;
  fillerClusters: number;
  /** Lengths it is built and carried in, with each one's share of the balloons; they add up to 1. */
  sections: number[];
  /** Where it is parted, as shares of its length; left out where all are as long. */
  cuts?: readonly number[];
  hangPoints: number;
  /** Highest point above the floor. */
  topM: number;
  /** How high hands go, m, where the highest balloons are put on lower down and go up with their frame. */
  handsUpToM?: number;
  needs: Need[];
  assemblies: Assembly[];
  siteWork: SiteWork[];
  materials: Material[];
  /** How it is made before anything is put up; what comes after is in `siteWork`. */
  making: string[];
  notes: string[];
  working: Working[];
}

/** The schools that hold for a piece: its own choice, else the house's, else the usual one. */
export type HouseSchools = Partial<Schools>;

/** What everybody does who says nothing. Common practice, no source. */
const usual: Schools = {
  joining: 'string-260',
  tie: 'long',
  fillerFixing: 'half-260',
  sizing: 'eye',
  inflatedAt: 'workshop',
  dressing: 'on-the-spot',
  onPipe: 'press',
  bloom: 'none',
};

export function settledSchools(own: HouseSchools | undefined, house: HouseSchools | undefined): Schools {
  return { ...usual, ...definedOnly(house), ...definedOnly(own) };
}

const definedOnly = (schools: HouseSchools | undefined): HouseSchools =>
  Object.fromEntries(Object.entries(schools ?? {}).filter(([, value]) => value !== undefined));
