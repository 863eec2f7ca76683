import type { Interval, RestRule } from './problem.ts';

/** One person's time: what they do, and when they are away with a hold. */
export class Diary {
  private readonly shifts: readonly Interval[];
  private readonly busy: readonly Interval[];
  private readonly rest: RestRule | undefined;
  /** Work, ascending; nothing overlaps. */
  private readonly starts: number[] = [];
  private readonly ends: number[] = [];
  /** The group of holds each work is inside of, or -1. */
  private readonly groups: number[] = [];
  private readonly away: { hold: number; group: number; from: number; to: number }[] = [];

  constructor(shifts: readonly Interval[], busy: readonly Interval[], rest: RestRule | undefined) {
    this.shifts = shifts;
    this.busy = busy;
    this.rest = rest;
  }

  clear(): void {
    this.starts.length = 0;
    this.ends.length = 0;
    this.groups.length = 0;
    this.away.length = 0;
  }

  /** Whether they can work over `[start, end)` on something inside a group of holds (-1: inside none). */
  isFree(start: number, end: number, group: number, atAnyHour: boolean): boolean {
    let onShift = atAnyHour;
    for (const [from, to] of this.busy) if (from < end && start < to) return false;
    for (const [from, to] of this.shifts)
      if (from <= start && end <= to) {
        onShift = true;
        break;
      }
    if (!onShift) return false;
    for (const away of this.away)
      if (away.group !== group && away.from < end && start < away.to) return false;
    // Where the new work would stand among the old.
    let next = this.starts.length;
    while (next > 0 && (this.starts[next - 1] as number) >= end) next--;
    if (next > 0 && (this.ends[next - 1] as number) > start) return false;
    return this.rest === undefined || this.isRested(next, start, end, this.rest);
  }

  /** Whether work there leaves no stretch without a rest longer than the rule allows. */
  private isRested(next: number, start: number, end: number, { afterMin, restMin }: RestRule): boolean {
    let from = start;
    let to = end;
    for (let i = next - 1; i >= 0 && from - (this.ends[i] as number) < restMin; i--)
      from = this.starts[i] as number;
    for (let i = next; i < this.starts.length && (this.starts[i] as number) - to < restMin; i++)
      to = this.ends[i] as number;
    // One task that is longer by itself cannot be helped here.
    return to - from <= afterMin || (from === start && to === end);
  }

  work(start: number, end: number, group: number): void {
    let at = this.starts.length;
    while (at > 0 && (this.starts[at - 1] as number) > start) at--;
    this.starts.splice(at, 0, start);
    this.ends.splice(at, 0, end);
    this.groups.splice(at, 0, group);
  }

  leave(hold: number, group: number, from: number): void {
    this.away.push({ hold, group, from, to: Infinity });
  }

  comeBack(hold: number, to: number): void {
    for (const away of this.away) if (away.hold === hold) away.to = to;
  }

  /** Minutes without work between the last work before a moment and that moment; Infinity where there is none. */
  idleBefore(start: number): number {
    for (let i = this.ends.length - 1; i >= 0; i--)
      if ((this.ends[i] as number) <= start) return start - (this.ends[i] as number);
    return Infinity;
  }

  /** End of the last thing that is not inside a group and reaches into `[from, to)`; -Infinity if none does. */
  lastOther(group: number, from: number, to: number): number {
    let last = -Infinity;
    for (let i = this.starts.length - 1; i >= 0 && (this.ends[i] as number) > from; i--)
      if ((this.starts[i] as number) < to && this.groups[i] !== group) {
        last = this.ends[i] as number;
        break;
      }
    for (const away of this.away)
      if (away.group !== group && away.from < to && away.to > from && away.to < Infinity)
        last = Math.max(last, away.to);
    return last;
  }
}
