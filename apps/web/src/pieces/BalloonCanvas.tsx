import type { Colour } from '@early-lantern/contract';
import type { DrawnBalloon, Picture } from '@early-lantern/core';
import { memo, useLayoutEffect, useRef } from 'react';
import { LIGHT, OUTLINE, shadeOf } from './balloon-shade.ts';

interface BalloonCanvasProps {
  balloons: readonly DrawnBalloon[];
  colours: readonly Colour[];
  heightM: number;
  /** The part of the spot that is seen, metres, y downward from the top of the spot. */
  box: { x: number; y: number };
  /** Pixels per metre. */
  perM: number;
  size: { width: number; height: number };
}

/** Whether all balloons of a picture are round, so that a canvas can paint them. */
export const areRound = (picture: Picture) => picture.balloons.every((ball) => !ball.form);

/**
 * The balloons of the piece in hand, painted at once: hundreds of elements moved one by one would not keep up with
 * the hand. Looks as the balloon layer does.
 */
export const BalloonCanvas = memo(function BalloonCanvas(props: BalloonCanvasProps) {
  const { balloons, colours, heightM, box, perM, size } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const paper = canvas.current?.getContext('2d');
    if (!paper) return;
    const scale = window.devicePixelRatio;
    paper.setTransform(scale, 0, 0, scale, 0, 0);
    paper.clearRect(0, 0, size.width, size.height);
    const hexOf = new Map(colours.map(({ id, hex }) => [id, hex]));
    for (const ball of balloons) {
      const hex = hexOf.get(ball.colour);
      if (!hex) continue;
      // The stamp is a little wider than the balloon: half of the line round it lies outside.
      const r = ball.rM * perM * (1 + STAMP_MARGIN);
      const x = (ball.xM - box.x) * perM;
      const y = (heightM - ball.yM - box.y) * perM;
      paper.drawImage(stampOf(hex), x - r, y - r, 2 * r, 2 * r);
    }
  }, [balloons, colours, heightM, box, perM, size]);
  const scale = window.devicePixelRatio;
  return (
    <canvas
      ref={canvas}
      aria-hidden="true"
      width={Math.round(size.width * scale)}
      height={Math.round(size.height * scale)}
      style={{
        position: 'absolute',
        inset: 0,
        width: size.width,
        height: size.height,
        borderRadius: 10,
        pointerEvents: 'none',
      }}
    />
  );
});

/** Radius of the stamp's balloon, pixels: about as large as balloons come on a screen. */
const STAMP_PX = 64;
const STAMP_MARGIN = 0.04;
/** The balloon the outline's width is true for, radius in metres: an 11 in. one. */
const USUAL_M = 0.13;
const stamps = new Map<string, HTMLCanvasElement>();

/** One balloon of a colour, painted once and stamped at any size. */
function stampOf(hex: string): HTMLCanvasElement {
  const known = stamps.get(hex);
  if (known) return known;
  const stamp = document.createElement('canvas');
  const middle = STAMP_PX * (1 + STAMP_MARGIN);
  stamp.width = stamp.height = 2 * middle;
  const paper = stamp.getContext('2d');
  if (paper) {
    const at = (part: number) => middle + (2 * part - 1) * STAMP_PX;
    const light = [at(LIGHT.cx), at(LIGHT.cy)] as const;
    const gradient = paper.createRadialGradient(...light, 0, ...light, 2 * LIGHT.r * STAMP_PX);
    for (const [offset, colour] of shadeOf(hex)) gradient.addColorStop(offset, colour);
    paper.arc(middle, middle, STAMP_PX, 0, 2 * Math.PI);
    paper.fillStyle = gradient;
    paper.fill();
    paper.globalAlpha = OUTLINE.strokeOpacity;
    paper.strokeStyle = OUTLINE.stroke;
    paper.lineWidth = (OUTLINE.strokeWidth / USUAL_M) * STAMP_PX;
    paper.stroke();
  }
  stamps.set(hex, stamp);
  return stamp;
}
