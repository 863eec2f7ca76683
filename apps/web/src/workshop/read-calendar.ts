import type { Busy } from '@early-lantern/contract';
import { OWN_UIDS } from '@early-lantern/core';
import ICAL from 'ical.js';

/** Repeated entries are followed for so long, days; and so many of one entry at most. */
const DAYS_AHEAD = 370;
const MOST_TIMES = 400;
/** As many busy times as a person's row holds. */
const MOST_BUSY = 500;
const DAY_MS = 86_400_000;

/**
 * The times at which somebody is busy by an iCalendar file (RFC 5545): entries that take time and were not called off,
 * repeated ones each time, from now on for a year. Entries of whole days are the days of the zone given. One's own work
 * plan, exported and read back, is recognised by its ids and left out.
 * @throws Error with what is wrong with the file
 */
export function busyTimes(text: string, zone: string, now: number): Busy[] {
  const calendar = parsed(text);
  for (const one of calendar.getAllSubcomponents('vtimezone'))
    ICAL.TimezoneService.register(new ICAL.Timezone(one));
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
  // A changed time of a repeated entry is told with the entry it belongs to.
  const changed = events.filter((event) => event.isRecurrenceException());
  for (const exception of changed)
    events
      .find((event) => event.uid === exception.uid && !event.isRecurrenceException())
      ?.relateException(exception);
  const until = now + DAYS_AHEAD * DAY_MS;
  return events
    .filter((event) => !event.isRecurrenceException() && takesTime(event) && !isOwn(event))
    .flatMap((event) =>
      timesOf(event, until).map(([start, end]) => asBusy(event.summary, start, end, zoneOf(event) ?? zone)),
    )
    .filter((busy) => Date.parse(busy.until) > now && Date.parse(busy.from) < Date.parse(busy.until))
    .sort((a, b) => Date.parse(a.from) - Date.parse(b.from))
    .slice(0, MOST_BUSY);
}

function parsed(text: string): ICAL.Component {
  let document: ICAL.Component;
  try {
    document = new ICAL.Component(ICAL.parse(text) as unknown as string);
  } catch (error) {
    throw new Error(`It is not an iCalendar file: ${(error as Error).message}`);
  }
  if (document.name !== 'vcalendar') throw new Error('It is not an iCalendar file: it holds no calendar.');
  return document;
}

/** Our own work plan, read back: what a person does for a job does not keep them from doing it. */
const isOwn = ({ uid }: ICAL.Event): boolean => uid?.endsWith(OWN_UIDS) ?? false;

/** The zone that an entry names, where it is one that is known: files often leave out the block that describes it. */
function zoneOf({ component }: ICAL.Event): string | undefined {
  const named = component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
  try {
    return named ? new Intl.DateTimeFormat('en', { timeZone: named }).resolvedOptions().timeZone : undefined;
  } catch {
    return undefined;
  }
}

function takesTime({ component }: ICAL.Event): boolean {
  const value = (name: string) => String(component.getFirstPropertyValue(name) ?? '').toUpperCase();
  return value('transp') !== 'TRANSPARENT' && value('status') !== 'CANCELLED';
}

function timesOf(event: ICAL.Event, until: number): [ICAL.Time, ICAL.Time][] {
  if (!event.isRecurring()) return [[event.startDate, event.endDate]];
  const times: [ICAL.Time, ICAL.Time][] = [];
  const each = event.iterator();
  for (let next = each.next(); next && times.length < MOST_TIMES; next = each.next()) {
    if (next.toJSDate().getTime() > until) break;
    const { startDate, endDate, item } = event.getOccurrenceDetails(next);
    if (takesTime(item)) times.push([startDate, endDate]);
  }
  return times;
}

function asBusy(summary: string | null, start: ICAL.Time, end: ICAL.Time, zone: string): Busy {
  return {
    from: instant(start, zone),
    until: instant(end, zone),
    label: (summary ?? '').trim().slice(0, 120) || 'Busy',
  };
}

/** A moment of a calendar; floating times and whole days are those of the workshop's own clock. */
function instant(time: ICAL.Time, zone: string): string {
  if (!time.isDate && time.zone !== ICAL.Timezone.localTimezone)
    return `${new Date(time.toUnixTime() * 1000).toISOString().slice(0, 19)}+00:00`;
  const wall = Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute);
  return `${new Date(wall - offsetMs(wall, zone)).toISOString().slice(0, 19)}+00:00`;
}

/** How far a zone's clock is ahead of UTC when it shows a wall time, ms. */
function offsetMs(wall: number, zone: string): number {
  const shown = (at: number) =>
    Date.parse(
      `${new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'medium' }).format(at).replace(' ', 'T')}Z`,
    ) - at;
  // Twice, for a time near a change of the clocks.
  return shown(wall - shown(wall));
}
