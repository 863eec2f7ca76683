const WHITE = '#ffffff';
const INK = '#151a26';

/** The line round a balloon, metres wide. */
export const OUTLINE = { stroke: INK, strokeOpacity: 0.22, strokeWidth: 0.004 };

/** Where the light falls on a balloon, as parts of its diameter from the upper left of its square. */
export const LIGHT = { cx: 0.36, cy: 0.32, r: 0.72 };

/** So much of the first colour, 0-1, in the second. */
function mixed(hex: string, share: number, other: string): string {
  const channel = (at: number) => {
    const [a, b] = [hex, other].map((one) => Number.parseInt(one.slice(at, at + 2), 16)) as [number, number];
    return Math.round(a * share + b * (1 - share))
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(1)}${channel(3)}${channel(5)}`;
}

/** The stops of the gradient that makes a disc of a colour into a balloon: offset 0-1 and colour. */
export const shadeOf = (hex: string): readonly (readonly [number, string])[] => [
  [0, mixed(hex, 0.42, WHITE)],
  [0.28, mixed(hex, 0.86, WHITE)],
  [0.72, hex],
  [1, mixed(hex, 0.72, INK)],
];
