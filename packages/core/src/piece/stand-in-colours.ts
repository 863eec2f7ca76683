import type { StandIn } from '@early-lantern/contract';
import { seenColour } from '../stock/stand-ins.ts';
import type { Picture } from './picture.ts';

/** A picture in the colours that are used where one is not to be had. */
export function withStandInColours(picture: Picture, standIns: readonly StandIn[] = []): Picture {
  if (standIns.length === 0) return picture;
  const balloons = picture.balloons.map((ball) => ({
    ...ball,
    colour: seenColour(ball.colour, ball.nominalIn, standIns),
  }));
  return { ...picture, balloons };
}
