import type { Mix } from '@early-lantern/contract';

/**
 * What of a mix is set anew. What is shown may be a moment behind: an edit of a list is worked out from the list as it is now.
 */
export type MixEdit = Partial<Mix> | ((now: Mix) => Partial<Mix>);

/** A mix with an edit made. */
export const edited = <M extends Mix>(now: M, edit: Partial<M> | ((now: M) => Partial<M>)): M => ({
  ...now,
  ...(typeof edit === 'function' ? edit(now) : edit),
});

/** What the parts that show an organic mix are given; a garland is its own mix. */
export interface MixProps {
  mix: Mix;
  onChange: (edit: MixEdit, gesture?: string) => void;
}

/**
 * Whether a part of the panel would look the same. Dragging changes only the line, which none of them shows; drawing
 * them all again at every step of a drag is what would make it slow.
 */
export function alikeButLine(before: MixProps, after: MixProps): boolean {
  if (before.onChange !== after.onChange) return false;
  const [a, b] = [before.mix as Record<string, unknown>, after.mix as Record<string, unknown>];
  return Object.keys(b).every((key) => key === 'line' || a[key] === b[key]);
}

/** The colours with a size that is new to the mix: those used in sizes of their own are used in it too, by their share. */
export const usedIn = (colours: Mix['colours'], nominalIn: number): Mix['colours'] =>
  colours.map((share) =>
    share.inSizes && !share.inSizes.some((one) => one.nominalIn === nominalIn)
      ? { ...share, inSizes: [...share.inSizes, { nominalIn, sharePct: share.sharePct }] }
      : share,
  );
