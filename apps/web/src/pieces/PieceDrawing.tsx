import type { Colour } from '@early-lantern/contract';
import type { DrawnBalloon, DrawnShape, Picture } from '@early-lantern/core';
import { memo } from 'react';
import { BalloonLayer } from './BalloonLayer.tsx';
import { boxTones, lineTones } from './tones.ts';

interface PieceDrawingProps {
  picture: Picture;
  colours: readonly Colour[];
  heightM: number;
  /** Its balloons are painted on a canvas: here only their outline is, to be pressed and pulled. */
  isPainted?: boolean;
}

/** A piece as it will stand: what carries it, then its balloons. y runs downward from the top of the spot. */
export const PieceDrawing = memo(function PieceDrawing(props: PieceDrawingProps) {
  const { picture, colours, heightM, isPainted = false } = props;
  return (
    <g>
      {picture.shapes.map((shape, i) => (
        <Shape
          // Shapes have no other name than their place.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={i}
          shape={shape}
          colours={colours}
          heightM={heightM}
        />
      ))}
      {isPainted ? (
        <path
          data-testid="balloons"
          d={discs(picture.balloons, heightM)}
          fill="none"
          pointerEvents="all"
          aria-hidden="true"
        />
      ) : (
        <BalloonLayer balloons={picture.balloons} heightM={heightM} />
      )}
    </g>
  );
});

/** The discs of balloons as one path. */
const discs = (balloons: readonly DrawnBalloon[], heightM: number) =>
  balloons
    .map(({ xM, yM, rM }) => {
      const r = rM.toFixed(3);
      return `M${(xM - rM).toFixed(3)} ${(heightM - yM).toFixed(3)}a${r} ${r} 0 1 0 ${(2 * rM).toFixed(3)} 0a${r} ${r} 0 1 0 ${(-2 * rM).toFixed(3)} 0`;
    })
    .join('');

function Shape({
  shape,
  colours,
  heightM,
}: {
  shape: DrawnShape;
  colours: readonly Colour[];
  heightM: number;
}) {
  if (shape.shape === 'line') {
    const path = shape.points
      .map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(3)} ${(heightM - y).toFixed(3)}`)
      .join('');
    return (
      <g fill="none" strokeLinejoin="round" strokeLinecap="round">
        <path d={path} stroke="#5d5a54" strokeOpacity="0.55" strokeWidth={shape.widthM + 0.008} />
        <path d={path} stroke={lineTones[shape.tone]} strokeWidth={shape.widthM} />
      </g>
    );
  }
  const { xM, yM, widthM, tone, text } = shape;
  const top = heightM - yM - shape.heightM;
  const own = colours.find((colour) => colour.id === shape.colour)?.hex;
  const fill = own ? `color-mix(in srgb, ${own} 78%, ${boxTones[tone]})` : boxTones[tone];
  return (
    <g>
      <rect
        x={xM}
        y={top}
        width={widthM}
        height={shape.heightM}
        rx={tone === 'base' ? 0.012 : 0}
        fill={fill}
        stroke="#5d5a54"
        strokeOpacity="0.5"
        strokeWidth={0.007}
      />
      {tone === 'cloth' && <Folds xM={xM} top={top} widthM={widthM} heightM={shape.heightM} />}
      {tone === 'greenery' && <Leaves xM={xM} top={top} widthM={widthM} heightM={shape.heightM} />}
      {tone === 'panel' && (
        <rect
          x={xM + widthM * 0.08}
          y={top + shape.heightM * 0.08}
          width={widthM * 0.84}
          height={shape.heightM * 0.84}
          fill="none"
          stroke="#5d5a54"
          strokeOpacity="0.22"
          strokeWidth={0.006}
        />
      )}
      {text && (
        <Words
          text={text}
          x={xM + widthM / 2}
          y={top + shape.heightM / 2}
          widthM={widthM}
          heightM={shape.heightM}
        />
      )}
    </g>
  );
}

interface BoxProps {
  xM: number;
  top: number;
  widthM: number;
  heightM: number;
}

const FOLD_M = 0.14;

function Folds({ xM, top, widthM, heightM }: BoxProps) {
  const folds = Array.from({ length: Math.floor(widthM / FOLD_M) }, (_, i) => xM + (i + 0.6) * FOLD_M);
  return (
    <path
      d={folds.map((x) => `M${x.toFixed(3)} ${top}v${heightM}`).join('')}
      stroke="#3d3a44"
      strokeOpacity="0.16"
      strokeWidth={0.018}
    />
  );
}

const LEAF_M = 0.11;

function Leaves({ xM, top, widthM, heightM }: BoxProps) {
  const columns = Math.floor(widthM / LEAF_M);
  const rows = Math.floor(heightM / LEAF_M);
  const leaf = (i: number) => {
    const x = xM + ((i % columns) + 0.5) * LEAF_M;
    const y = top + (Math.floor(i / columns) + 0.5) * LEAF_M;
    return i % 2
      ? `M${x.toFixed(3)} ${y.toFixed(3)}l.04 -.03M${x.toFixed(3)} ${y.toFixed(3)}l-.03 -.04`
      : `M${x.toFixed(3)} ${y.toFixed(3)}l.03 .04M${x.toFixed(3)} ${y.toFixed(3)}l-.04 .02`;
  };
  return (
    <path
      d={Array.from({ length: columns * rows }, (_, i) => leaf(i)).join('')}
      stroke="#40523a"
      strokeOpacity="0.6"
      strokeWidth={0.012}
      strokeLinecap="round"
    />
  );
}

/** Words in a box, as large as they fit. */
function Words({
  text,
  x,
  y,
  widthM,
  heightM,
}: {
  text: string;
  x: number;
  y: number;
  widthM: number;
  heightM: number;
}) {
  const size = Math.min(heightM * 0.5, (widthM * 1.6) / Math.max(4, text.length));
  return (
    <text x={x} y={y + size * 0.34} fontSize={size} textAnchor="middle" fill="#2c3347">
      {text}
    </text>
  );
}
