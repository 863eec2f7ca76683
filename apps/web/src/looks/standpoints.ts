import type { Spot } from '@early-lantern/contract';

/** From where a spot is looked at: the eye, and what it looks at, m. */
export interface Standpoint {
  eye: [number, number, number];
  at: [number, number, number];
}

export const standpoints = [
  { id: 'front', label: 'Front' },
  { id: 'half-left', label: 'Half left' },
  { id: 'half-right', label: 'Half right' },
  { id: 'left', label: 'Left side' },
  { id: 'right', label: 'Right side' },
  { id: 'seat', label: 'From a seat' },
  { id: 'photo', label: 'Photographer' },
] as const;
export type StandpointId = (typeof standpoints)[number]['id'];

/** Angle that is seen from top to bottom, degrees. */
export const FOV = 36;
/** From half-way round one end is nearer: so much farther off all of it is seen. */
const NEARER_END = 1.3;
/** Eyes of somebody who sits, and of somebody who stands with a camera, above the floor, m. */
const SEATED_M = 1.2;
const STANDING_M = 1.55;
/** A seat in the first row, and a photographer with room for everybody in the picture, from the wall, m. From memory. */
const SEAT_M = 4;
export const PHOTO_M = 3.2;

/** Where the eye is for each way to look at what stands on a spot. @param aspect width over height of the picture */
export function standpointOf(
  id: StandpointId,
  { widthM, heightM, photoFrom }: Pick<Spot, 'widthM' | 'heightM' | 'photoFrom'>,
  aspect: number,
): Standpoint {
  const half = Math.tan((FOV / 2) * (Math.PI / 180));
  const far = Math.max((heightM + 0.5) / 2 / half, (widthM + 1.5) / 2 / (half * aspect));
  const middle: [number, number, number] = [widthM / 2, heightM / 2, 0.2];
  const turned = (degrees: number, share = 1): Standpoint => {
    const angle = (degrees * Math.PI) / 180;
    const away = far * share;
    return {
      eye: [middle[0] + Math.sin(angle) * away, middle[1], middle[2] + Math.cos(angle) * away],
      at: middle,
    };
  };
  switch (id) {
    case 'front':
      return turned(0);
    case 'half-left':
      return turned(-45, NEARER_END);
    case 'half-right':
      return turned(45, NEARER_END);
    case 'left':
      return turned(-86, 0.8);
    case 'right':
      return turned(86, 0.8);
    case 'seat':
      return { eye: [widthM / 2, SEATED_M, SEAT_M], at: [widthM / 2, heightM * 0.42, 0] };
    case 'photo':
      return {
        eye: [photoFrom?.xM ?? widthM / 2, STANDING_M, photoFrom?.outM ?? PHOTO_M],
        at: [widthM / 2, heightM * 0.45, 0],
      };
  }
}
