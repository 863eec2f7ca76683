/** A stretch of the clock that is drawn, in milliseconds, with its place across the page as shares of the width. */
export interface Interval {
  from: number;
  to: number;
  left: number;
  width: number;
}

/** Idle time longer than this is left out and shown as a break. */
const LONGEST_IDLE = 90 * 60_000;
const QUARTER = 15 * 60_000;
const BREAK_SHARE = 0.022;

/**
 * The stretches in which something happens, each a little padded, side by side with breaks between.
 * @param spans start and end of everything to be shown, milliseconds
 */
export function stretchesOf(spans: readonly (readonly [from: number, to: number])[]): Interval[] {
  const sorted = [...spans].sort((a, b) => a[0] - b[0]);
  const merged: { from: number; to: number }[] = [];
  for (const [from, to] of sorted) {
    const last = merged.at(-1);
    if (last && from - last.to <= LONGEST_IDLE) last.to = Math.max(last.to, to);
    else merged.push({ from, to });
  }
  const padded = merged.map(({ from, to }) => ({
    from: Math.floor((from - 1) / QUARTER) * QUARTER,
    to: Math.ceil((to + 1) / QUARTER) * QUARTER,
  }));
  const total = padded.reduce((sum, { from, to }) => sum + to - from, 0);
  const room = 1 - BREAK_SHARE * (padded.length - 1);
  let left = 0;
  return padded.map(({ from, to }) => {
    const width = ((to - from) / total) * room;
    const stretch = { from, to, left, width };
    left += width + BREAK_SHARE;
    return stretch;
  });
}

/** Place of a moment across the page, 0 to 1; moments in a break fall on its edge. */
export function placeOf(stretches: readonly Interval[], at: number): number {
  const inside = stretches.find(({ from, to }) => at >= from && at <= to);
  if (inside) return inside.left + ((at - inside.from) / (inside.to - inside.from)) * inside.width;
  const before = stretches.filter(({ to }) => to < at).at(-1);
  return before ? before.left + before.width : 0;
}

/** The moment at a place across the page, 0 to 1: the other way round; in a break the edge of the stretch before it. */
export function momentAt(stretches: readonly Interval[], place: number): number {
  const first = stretches[0];
  const inside = stretches.find(({ left, width }) => place >= left && place <= left + width);
  if (inside) return inside.from + ((place - inside.left) / inside.width) * (inside.to - inside.from);
  const before = stretches.filter(({ left, width }) => left + width < place).at(-1);
  return before?.to ?? first?.from ?? 0;
}
