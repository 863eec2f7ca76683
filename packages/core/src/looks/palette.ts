import type { Colour, ColourId } from '@early-lantern/contract';
import {
  converter,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  formatHex,
} from 'culori';
import { colourDifference, labOf, labOfHex } from '../balloon/colour-difference.ts';

/** Whose eyes: usual ones, or ones that lack one of the three kinds of cone. */
export type Eyes = 'usual' | 'protan' | 'deutan' | 'tritan';

/**
 * How colours must differ (CIEDE2000) to be told apart: near by, and from across a room, some 10 m, where balloons are
 * small. From memory: CIE 142 has "another colour" above about 10.
 */
const NEAR = 10;
const FAR = 15;
/** A colour offered in place of one that hides differs from the wall by this. From memory. */
const STANDS_OUT = 22;

/**
 * A shade as other eyes see it. Machado, Oliveira and Fernandes, 2009, full severity; usual eyes see it as it is.
 * @param hex #rrggbb
 */
export function asSeenBy(hex: string, eyes: Eyes): string {
  if (eyes === 'usual') return hex;
  const filter = {
    protan: filterDeficiencyProt,
    deutan: filterDeficiencyDeuter,
    tritan: filterDeficiencyTrit,
  }[eyes];
  const light = toLinear(hex);
  if (!light) throw new RangeError(`"${hex}" is no shade`);
  // The matrices are for amounts of light; the library's filter multiplies whatever it is given.
  const { r, g, b } = filter(1)({ ...light, mode: 'rgb' });
  return formatHex({ mode: 'lrgb', r, g, b });
}

const toLinear = converter('lrgb');

/** One colour of a palette before a wall. */
interface AgainstWall {
  colour: Colour;
  /** CIEDE2000 by daylight (D65). */
  difference: number;
  /** It hardly shows even near by, or not from across the room. */
  shows: 'well' | 'near' | 'hardly';
  /** A colour of the house that stands out, the nearest in hue; where it does not show well. */
  instead: { colour: Colour; difference: number } | undefined;
}

/** Two colours that look alike to some eyes. */
interface Alike {
  one: Colour;
  other: Colour;
  difference: number;
  eyes: Eyes;
  /** Alike even near by; else only from across the room. */
  isNear: boolean;
}

/** How a palette reads: each colour before the wall, and pairs that some take for one. */
export interface PaletteReading {
  wall: AgainstWall[];
  /** For usual eyes first; a pair that these take for one is not told for others. */
  alike: Alike[];
}

/**
 * How a palette reads by daylight (D65): against the wall, from across the room, and for colour-blind eyes.
 * @param used colours of a piece; @param house all that it has, to offer others from
 */
export function readPalette(
  used: readonly Colour[],
  house: readonly Colour[],
  wallHex: string,
): PaletteReading {
  const wallLab = labOfHex(wallHex);
  const fromWall = (colour: Colour) => colourDifference(labOf(colour), wallLab);
  const ids = new Set<ColourId>(used.map(({ id }) => id));
  const wall = used.map((colour): AgainstWall => {
    const difference = fromWall(colour);
    const shows = difference < NEAR ? 'hardly' : difference < FAR ? 'near' : 'well';
    const others = house
      .filter(({ id }) => !ids.has(id))
      .map((one) => ({ colour: one, difference: fromWall(one), turn: hueTurn(colour, one) }))
      .filter((one) => one.difference >= STANDS_OUT)
      .sort((a, b) => a.turn - b.turn);
    return { colour, difference, shows, instead: shows === 'well' ? undefined : others[0] };
  });
  return { wall, alike: alikePairs(used) };
}

/** How far apart two colours lie on the wheel, degrees; greys by how much they differ at all. */
function hueTurn(one: Colour, other: Colour): number {
  const [a, b] = [labOf(one), labOf(other)];
  const hue = ({ a: x, b: y }: typeof a) => (Math.atan2(y, x) * 180) / Math.PI;
  const turn = Math.abs(((hue(a) - hue(b) + 540) % 360) - 180);
  return Math.hypot(a.a, a.b) < 8 ? Math.hypot(b.a, b.b) : turn;
}

function alikePairs(used: readonly Colour[]): Alike[] {
  const found: Alike[] = [];
  for (const eyes of ['usual', 'deutan', 'protan', 'tritan'] as const)
    used.forEach((one, i) => {
      for (const other of used.slice(i + 1)) {
        if (found.some((pair) => pair.one === one && pair.other === other)) continue;
        const difference =
          eyes === 'usual'
            ? colourDifference(labOf(one), labOf(other))
            : colourDifference(labOfHex(asSeenBy(one.hex, eyes)), labOfHex(asSeenBy(other.hex, eyes)));
        // Other eyes are told of only where they take two for one near by: from afar all see little colour.
        if (difference < (eyes === 'usual' ? FAR : NEAR))
          found.push({ one, other, difference, eyes, isNear: difference < NEAR });
      }
    });
  return found;
}
