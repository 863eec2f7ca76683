import type { Colour } from '@early-lantern/contract';
import type { PiecePattern } from '@early-lantern/core';
import { contrastInk } from './ink.ts';

/** Points, so that it prints as it is: the width of a page of A4 or Letter within its margins. */
const WIDTH = 520;
const FONT = "'Public Sans Variable', Roboto, sans-serif";
const BALL = 9;
const ROW = 17;
/** Layers in one column of the unrolled drawing. */
const COLUMN = 20;
const FRONT_WIDTH = 120;
const FRONT_LAYERS = 9;
/** Rise of a layer in balloon diameters, as rings nest. */
const NESTED = 0.84;

interface PatternCardProps {
  name: string;
  pattern: PiecePattern;
  colours: readonly Colour[];
}

/** A packed piece's pattern on one card: the stack from the front, every layer unrolled, the duplets to tie. */
export function PatternCard({ name, pattern, colours }: PatternCardProps) {
  const { layers, layerSize, duplets, orientation, diametersIn } = pattern;
  const used = [...new Set(layers.flatMap((layer) => layer.word))];
  const key = (id: string): Key => {
    const colour = colours.find((one) => one.id === id);
    return {
      letter: String.fromCharCode(65 + used.indexOf(id)),
      name: colour?.name ?? id,
      hex: colour?.hex ?? '#888888',
    };
  };
  const lines = wrapped(orientation, 92);
  const keyTop = 64 + lines.length * 14;
  const dupletTop = keyTop + Math.ceil(used.length / 4) * 18 + 10;
  const top = dupletTop + Math.ceil(duplets.length / 3) * 20 + 26;
  const across = 26 + (layerSize + 0.5) * (2 * BALL + 1);
  const columns = Math.max(1, Math.floor((WIDTH - FRONT_WIDTH - 24) / across));
  const blocks = Math.ceil(layers.length / (COLUMN * columns));
  const rows = Math.min(COLUMN, layers.length);
  const block = rows * ROW + 10;
  const height =
    top + Math.max(blocks * block, frontHeight(Math.min(layers.length, FRONT_LAYERS), layerSize) + 14) + 20;
  const holes = [...new Set(diametersIn)];
  const blown =
    holes.length === 1 ? `${holes[0]} in.` : `${Math.min(...holes)}–${Math.max(...holes)} in., graded`;
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${WIDTH} ${height}`}
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`Pattern card of ${name}: ${layers.length} layers of ${layerSize}`}
      fontFamily={FONT}
      fill="#1f2637"
    >
      <rect width={WIDTH} height={height} fill="#fffaf0" />
      <text x="0" y="22" fontSize="20" fontWeight="bold">
        {name}
      </text>
      <text x="0" y="42" fontSize="12">
        {`${layers.length} layers of ${layerSize}, ${layers.length * layerSize} balloons, blown to ${blown}`}
      </text>
      {lines.map((line, i) => (
        <text key={line} x="0" y={60 + i * 14} fontSize="11" fontStyle="italic">
          {line}
        </text>
      ))}
      {used.map((id, i) => (
        <g key={id} transform={`translate(${(i % 4) * 130} ${keyTop + Math.floor(i / 4) * 18})`}>
          <Dot x={8} y={0} r={8} of={key(id)} size={10} />
          <text x="21" y="4" fontSize="11">
            {key(id).name}
          </text>
        </g>
      ))}
      {duplets.map(({ colours: pair, count }, i) => (
        <g
          key={pair.join('+')}
          transform={`translate(${(i % 3) * 172} ${dupletTop + 8 + Math.floor(i / 3) * 20})`}
        >
          <text x="0" y="4" fontSize="12" fontWeight="bold">
            {`${count} ×`}
          </text>
          {pair.map((id, j) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a duplet may be of one colour twice
            <Dot key={j} x={50 + j * 15} y={0} r={8} of={key(id)} size={10} />
          ))}
          <text x={46 + pair.length * 15} y="4" fontSize="10">
            {pair.length === 2 ? 'duplets' : 'trios'}
          </text>
        </g>
      ))}
      <text x="0" y={top - 8} fontSize="11" fontWeight="bold">
        From the front
      </text>
      <Front pattern={pattern} keyOf={key} top={top} />
      <text x={FRONT_WIDTH + 24} y={top - 8} fontSize="11" fontWeight="bold">
        Every layer from the front, lowest at the bottom
      </text>
      {layers.map((layer, i) => {
        const column = Math.floor(i / COLUMN);
        const x = FRONT_WIDTH + 24 + (column % columns) * across;
        // As it stands: the next layer above.
        const y = top + Math.floor(column / columns) * block + (rows - (i % COLUMN)) * ROW;
        // Turned to the left by whole and half steps; what leaves at one side comes back at the other.
        const turned = ((layer.halfSteps % (2 * layerSize)) + 2 * layerSize) % (2 * layerSize);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a layer has no other name than its place
          <g key={i} transform={`translate(${x} ${y})`}>
            <text x="16" y="4" fontSize="9.5" textAnchor="end" fill="#565c6d">
              {i + 1}
            </text>
            {layer.word.map((_, j) => {
              const from = (((j - Math.floor(turned / 2)) % layerSize) + layerSize) % layerSize;
              // Colours are read to the left.
              const at = layerSize - 1 - j + (turned % 2 ? 0 : 0.5);
              return (
                <Dot
                  // biome-ignore lint/suspicious/noArrayIndexKey: a place round the layer has no other name
                  key={j}
                  x={26 + at * (2 * BALL + 1)}
                  y={0}
                  r={BALL - 0.6}
                  of={key(layer.word[from] as string)}
                  size={10}
                />
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

interface Key {
  letter: string;
  name: string;
  hex: string;
}

/** A balloon with its colour's letter, to be told apart without colour. */
function Dot({ x, y, r, of, size }: { x: number; y: number; r: number; of: Key; size: number }) {
  return (
    <g>
      <circle cx={x} cy={y} r={r} fill={of.hex} stroke="#1f2637" strokeWidth="0.7" />
      <text x={x} y={y + size * 0.36} fontSize={size} textAnchor="middle" fill={contrastInk(of.hex)}>
        {of.letter}
      </text>
    </g>
  );
}

/** Radius of a balloon so that the whole layer is as wide as its column. */
const frontBall = (n: number) => FRONT_WIDTH / 2 / (1 + 1 / Math.sin(Math.PI / n));
const frontHeight = (layers: number, n: number) => 2 * frontBall(n) * (1 + (layers - 1) * NESTED);

/** The lowest layers as they stand, the balloons in front last. */
function Front({ pattern, keyOf, top }: { pattern: PiecePattern; keyOf: (id: string) => Key; top: number }) {
  const { layers, layerSize: n } = pattern;
  const shown = layers.slice(0, FRONT_LAYERS);
  const ball = frontBall(n);
  const ring = ball / Math.sin(Math.PI / n);
  const rise = 2 * ball * NESTED;
  const bottom = top + frontHeight(shown.length, n);
  const balls = shown
    .flatMap((layer, i) =>
      layer.word.map((colour, j) => {
        const angle = ((j + layer.halfSteps / 2) / n) * 2 * Math.PI + Math.PI / 2;
        return {
          id: `${i}-${j}`,
          x: FRONT_WIDTH / 2 + ring * Math.cos(angle),
          y: bottom - ball - i * rise,
          z: Math.sin(angle),
          of: keyOf(colour),
        };
      }),
    )
    .sort((a, b) => a.z - b.z);
  return (
    <g>
      {balls.map(({ id, x, y, z, of }) =>
        z > -0.2 ? (
          <Dot key={id} x={x} y={y} r={ball * 0.98} of={of} size={ball * 0.9} />
        ) : (
          <circle key={id} cx={x} cy={y} r={ball * 0.98} fill={of.hex} opacity="0.5" />
        ),
      )}
      {layers.length > shown.length && (
        <text x={FRONT_WIDTH / 2} y={bottom + 16} fontSize="9" textAnchor="middle" fill="#565c6d">
          {`the lowest ${shown.length} of ${layers.length}`}
        </text>
      )}
    </g>
  );
}

/** Text in lines of so many characters at most. */
function wrapped(text: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
