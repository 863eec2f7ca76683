import type { Photo } from '@early-lantern/contract';
import { imageSize } from 'image-size';
import { refused } from '../http/problem.ts';

const types: Record<string, Photo['type']> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };

/** Turned by the camera by a quarter: shown with its sides exchanged. EXIF 2.3, orientation. */
const IS_TURNED = 5;

/** What a file of a photo is, read from its own bytes. @throws ProblemError for what is no JPEG, PNG or WebP */
export function readPhoto(content: Buffer): Pick<Photo, 'type' | 'widthPx' | 'heightPx'> {
  const found = sizeOf(content);
  const type = found?.type && types[found.type];
  if (!found || !type || !found.width || !found.height)
    throw refused([{ path: 'content', reason: 'is no photo: JPEG, PNG and WebP can be read' }]);
  const isTurned = (found.orientation ?? 1) >= IS_TURNED;
  const [widthPx, heightPx] = isTurned ? [found.height, found.width] : [found.width, found.height];
  return { type, widthPx, heightPx };
}

function sizeOf(content: Buffer) {
  try {
    return imageSize(content);
  } catch {
    // Whatever the file is, it is no picture.
    return undefined;
  }
}
