import { labOf } from '@early-lantern/core';

/** Black or white, whichever reads better on a shade. */
export function contrastInk(hex: string): string {
  return labOf({ id: 'shade', name: 'shade', hex }).l > 58 ? '#1f2637' : '#ffffff';
}
