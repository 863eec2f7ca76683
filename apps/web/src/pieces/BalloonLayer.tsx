import type { Colour } from '@early-lantern/contract';
import type { DrawnBalloon } from '@early-lantern/core';
import { memo } from 'react';

const gradientId = (colour: string) => `balloon-${colour}`;

/** Gradients that make discs into balloons, one for each colour. */
export const BalloonGradients = memo(function BalloonGradients({ colours }: { colours: readonly Colour[] }) {
  return colours.map(({ id, hex }) => (
    <radialGradient key={id} id={gradientId(id)} cx="36%" cy="32%" r="72%">
      <stop offset="0" stopColor={`color-mix(in srgb, ${hex} 42%, white)`} />
      <stop offset="0.28" stopColor={`color-mix(in srgb, ${hex} 86%, white)`} />
      <stop offset="0.72" stopColor={hex} />
      <stop offset="1" stopColor={`color-mix(in srgb, ${hex} 72%, #151a26)`} />
    </radialGradient>
  ));
});

/** Balloons where they will be, the nearest drawn last. y runs downward from the top of the wall. */
export const BalloonLayer = memo(function BalloonLayer({
  balloons,
  heightM,
}: {
  balloons: readonly DrawnBalloon[];
  heightM: number;
}) {
  return (
    <g aria-hidden="true">
      {balloons.map((ball, i) => (
        <circle
          // The order is the drawing order and is made anew with each plan.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={i}
          cx={ball.xM.toFixed(4)}
          cy={(heightM - ball.yM).toFixed(4)}
          r={ball.rM.toFixed(4)}
          fill={`url(#${gradientId(ball.colour)})`}
          stroke="#151a26"
          strokeOpacity="0.22"
          strokeWidth="0.004"
        />
      ))}
    </g>
  );
});
