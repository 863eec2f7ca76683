import type { OrganicGarland } from '@early-lantern/contract';

/** What the parts of the garland's panel are given. */
export interface MixProps {
  piece: OrganicGarland;
  onChange: (edit: Partial<OrganicGarland>, gesture?: string) => void;
}

/**
 * Whether a part of the panel would look the same. Dragging changes only the line, which none of them shows; drawing
 * them all again at every step of a drag is what would make it slow.
 */
export function alikeButLine(before: MixProps, after: MixProps): boolean {
  if (before.onChange !== after.onChange) return false;
  const [a, b] = [before.piece as Record<string, unknown>, after.piece as Record<string, unknown>];
  return Object.keys(b).every((key) => key === 'line' || a[key] === b[key]);
}
