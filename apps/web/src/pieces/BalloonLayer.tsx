import type { Colour, ColourId } from '@early-lantern/contract';
import type { DrawnBalloon } from '@early-lantern/core';
import { memo } from 'react';
import { LIGHT, OUTLINE, shadeOf } from './balloon-shade.ts';

const gradientId = (colour: ColourId) => `balloon-${colour}`;

/** Gradients that make discs into balloons, one for each colour. */
export const BalloonGradients = memo(function BalloonGradients({ colours }: { colours: readonly Colour[] }) {
  return colours.map(({ id, hex }) => (
    <radialGradient key={id} id={gradientId(id)} {...LIGHT}>
      {shadeOf(hex).map(([offset, colour]) => (
        <stop key={offset} offset={offset} stopColor={colour} />
      ))}
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
      {balloons.map((ball, i) =>
        ball.form ? (
          // The order is the drawing order and is made anew with each plan.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          <Formed key={i} ball={ball} cy={heightM - ball.yM} />
        ) : (
          <circle
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={i}
            cx={ball.xM.toFixed(4)}
            cy={(heightM - ball.yM).toFixed(4)}
            r={ball.rM.toFixed(4)}
            fill={`url(#${gradientId(ball.colour)})`}
            {...OUTLINE}
          />
        ),
      )}
    </g>
  );
});

/** Points of a five-pointed star round 0,0. */
const star = Array.from({ length: 10 }, (_, i) => {
  const angle = (i / 10) * 2 * Math.PI - Math.PI / 2;
  const reach = i % 2 ? 0.46 : 1;
  return `${(Math.cos(angle) * reach).toFixed(3)},${(Math.sin(angle) * reach).toFixed(3)}`;
}).join(' ');

/** A link, star, crescent or letter. */
function Formed({ ball, cy }: { ball: DrawnBalloon; cy: number }) {
  const fill = ball.colour ? `url(#${gradientId(ball.colour)})` : '#fffaf0';
  const at = `translate(${ball.xM.toFixed(4)} ${cy.toFixed(4)}) scale(${ball.rM.toFixed(4)})`;
  const outline = { ...OUTLINE, strokeWidth: 0.05 };
  switch (ball.form) {
    case 'link':
      return (
        <g transform={at} fill="none">
          <ellipse rx="1" ry="0.62" stroke="#151a26" strokeOpacity="0.3" strokeWidth="0.42" />
          <ellipse rx="1" ry="0.62" stroke={fill} strokeWidth="0.36" />
        </g>
      );
    case 'star':
      return <polygon transform={at} points={star} fill={fill} {...outline} strokeLinejoin="round" />;
    case 'moon':
      return (
        <path
          transform={at}
          d="M.25 -.97A1 1 0 1 0 .25 .97A.78 .78 0 1 1 .25 -.97Z"
          fill={fill}
          {...outline}
        />
      );
    default:
      return (
        <g transform={at}>
          <rect x="-0.86" y="-1" width="1.72" height="2" rx="0.3" fill={fill} {...outline} />
          <text y="0.5" fontSize="1.5" fontWeight="700" textAnchor="middle" fill="#1f2637">
            {ball.text}
          </text>
        </g>
      );
  }
}
