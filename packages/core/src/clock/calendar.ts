import type { CrewMember } from '@early-lantern/contract';
import { LRUCache } from 'lru-cache';
import { DateTime } from 'luxon';
import type { Interval } from '../schedule/problem.ts';

/** How many days before the first doors the bench may begin. */
const DAYS_BEFORE = 2;
/** Days covered after the last moment named: a strike at night runs on. */
const DAYS_AFTER = 2;

/**
 * Whole minutes counted from the local midnight two days before the first doors. Real minutes: a night on which the
 * clocks change has an hour more or less, and every minute still has one number.
 *
 * The zone is asked a handful of times when the axis is made, since asking it for every task is what costs.
 */
export class MinuteAxis {
  private readonly originMs: number;
  /** First minute of each day, local time: where the clocks jump over midnight, of the first hour there is. */
  private readonly midnights: number[];
  /** Minute at which a clock that had never been changed from UTC would show 00:00 on each day. */
  private readonly utcMidnights: number[];
  /** Offset from UTC, minutes, before and from `changesAt` on. */
  private readonly offsets: readonly [number, number];
  private readonly changesAt: number;

  /**
   * @param last the last moment anything is planned for; the day of the doors where not said
   * @param kept a moment that the axis has to reach back to, on whatever day it is
   */
  constructor(doors: string, timeZone: string, last = doors, kept = doors) {
    const dayOf = (iso: string) => DateTime.fromISO(iso, { zone: timeZone }).startOf('day');
    const origin = DateTime.min(dayOf(doors).minus({ days: DAYS_BEFORE }), dayOf(kept));
    this.originMs = origin.toMillis();
    const end = DateTime.fromISO(last, { zone: timeZone }).startOf('day');
    const covered = Math.round(end.diff(origin, 'days').days) + DAYS_AFTER;
    const days = Array.from({ length: covered + 1 }, (_, day) => origin.plus({ days: day }).startOf('day'));
    this.midnights = days.map((day) => (day.toMillis() - this.originMs) / 60_000);
    this.utcMidnights = days.map(
      ({ year, month, day }) => (Date.UTC(year, month - 1, day) - this.originMs) / 60_000,
    );
    const lastDay = days.at(-1) as DateTime;
    this.offsets = [origin.offset, lastDay.offset];
    this.changesAt = origin.offset === lastDay.offset ? Infinity : this.findChange(timeZone);
  }

  /** Minute at which the clocks change, by halving the days the axis covers. */
  private findChange(timeZone: string): number {
    let before = 0;
    let from = this.midnights.at(-1) as number;
    while (from - before > 1) {
      const middle = Math.floor((before + from) / 2);
      const { offset } = DateTime.fromMillis(this.originMs + middle * 60_000, { zone: timeZone });
      if (offset === this.offsets[0]) before = middle;
      else from = middle;
    }
    return from;
  }

  private offset(minute: number): number {
    return this.offsets[minute < this.changesAt ? 0 : 1];
  }

  /** Minute of an ISO 8601 moment; a started minute counts as its beginning. */
  minute(iso: string): number {
    return Math.floor((Date.parse(iso) - this.originMs) / 60_000);
  }

  /** ISO 8601 with the workshop's offset at that minute. */
  iso(minute: number): string {
    const offset = this.offset(minute);
    const local = new Date(this.originMs + (minute + offset) * 60_000).toISOString().slice(0, 19);
    const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
    const size = Math.abs(offset);
    return `${local}${offset < 0 ? '-' : '+'}${two(size / 60)}:${two(size % 60)}`;
  }

  /** A person's shifts on all days of the axis. */
  shifts({ shift }: Pick<CrewMember, 'shift'>): Interval[] {
    return this.daily(shift);
  }

  /** When a person is busy elsewhere; a started minute counts as a whole one. */
  busy({ busy = [] }: Pick<CrewMember, 'busy'>): Interval[] {
    return busy.map(({ from, until }) => [
      this.minute(from),
      Math.ceil((Date.parse(until) - this.originMs) / 60_000),
    ]);
  }

  /** When hours that come again every day do not hold: the whole axis but for them. They may go over midnight. */
  outside({ from, to }: { from: string; to: string }): Interval[] {
    const within = this.daily({ from, to });
    const edges = [0, ...within.flat(), this.midnights.at(-1) as number];
    const gaps: Interval[] = [];
    for (let i = 0; i < edges.length; i += 2)
      if ((edges[i] as number) < (edges[i + 1] as number))
        gaps.push([edges[i] as number, edges[i + 1] as number]);
    return gaps;
  }

  /** Hours that come again every day, on all days of the axis. They may go over midnight. */
  daily({ from, to }: { from: string; to: string }): Interval[] {
    const days = this.midnights.slice(0, -1).map((_, day) => day);
    if (from < to) return days.map((day) => [this.timeOfDay(day, from), this.timeOfDay(day, to)]);
    return [
      [0, this.timeOfDay(0, to)],
      ...days.map((day): Interval => [this.timeOfDay(day, from), this.timeOfDay(day + 1, to)]),
    ];
  }

  /** Minute at which a clock on the wall first shows `HH:MM` on a day of the axis; where it jumps over it, as it jumps. */
  private timeOfDay(day: number, time: string): number {
    const [hours = 0, minutes = 0] = time.split(':').map(Number);
    const utc = (this.utcMidnights[day] as number) + hours * 60 + minutes;
    const [before, after] = this.offsets.map((offset) => utc - offset) as [number, number];
    if (before < this.changesAt) return before;
    return Math.max(after, this.changesAt);
  }
}

const madeAxes = new LRUCache<string, MinuteAxis>({ max: 50 });

/** The axis for these moments; made once, since an axis never changes and the zone is slow to ask. */
export function minuteAxis(...moments: ConstructorParameters<typeof MinuteAxis>): MinuteAxis {
  const name = moments.join(' ');
  const axis = madeAxes.get(name) ?? new MinuteAxis(...moments);
  madeAxes.set(name, axis);
  return axis;
}
