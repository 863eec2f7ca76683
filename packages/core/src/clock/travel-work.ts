import type { JobFile } from '@early-lantern/contract';
import { listed } from '../quantity/listed.ts';
import { working } from '../working.ts';
import { driveMinutes, type Way } from './drive-minutes.ts';
import { DRIVES, dropped, placeBefore } from './legs.ts';
import { agreedRound, legOf, partOfRound, ridersOn } from './rounds.ts';
import { type Trip, threePoint, type Work } from './work.ts';

/** A drive takes so much of what it usually takes, on a good day and in traffic. From memory, editable defaults. */
export const DRIVE_QUICK = 0.9;
export const DRIVE_SLOW = 1.6;

/** The ways that a job alone is driven, by task. */
const WAYS: Readonly<Record<string, Way>> = {
  'drive-out': 'out',
  'drive-home': 'home',
  'drive-strike': 'strike',
  'drive-back': 'back',
};

/** How long a drive takes as it is driven, and where that is from: in a round from place to place. */
function driven(file: JobFile, trip: Trip, task: string): { minutes: number; note: string; source: string } {
  const part = partOfRound(file, trip);
  const leg = legOf(file, trip, task);
  if (!part || !leg) {
    const way = WAYS[task] ?? 'out';
    const isTyped = file.job.drives?.[way] !== undefined;
    return {
      minutes: driveMinutes(file, way),
      note: 'one way',
      source: isTyped ? 'typed, or asked for at that hour' : "the site's survey",
    };
  }
  const from = placeBefore(part.round, leg.stop);
  return {
    minutes: leg.minutes,
    note: leg.isHome ? 'home from the last place' : from ? `from ${from}` : 'from the workshop',
    source: agreedRound(file, trip) ? 'the round agreed for the day' : "the site's survey",
  };
}

/** Where a drive goes, and from where where that is not the workshop. */
export function driveWords(file: JobFile, trip: Trip): string {
  const part = partOfRound(file, trip);
  return toWords(file, part && placeBefore(part.round, part.at));
}

const toWords = ({ site }: JobFile, from: string | undefined): string =>
  from ? `Drive on from ${from} to ${site.name}` : `Drive to ${site.name}`;

interface Drive {
  id: string;
  label: string;
  trip: Trip;
  /** Where it goes by way of the stops typed with the job. */
  isOut?: boolean;
  after: string[];
}

/** On the road with whoever rides, by way of the stops of that run. */
export function driveWork(file: JobFile, { id, label, trip, isOut = false, after }: Drive): Work {
  const stops = isOut ? (file.job.stops ?? []).filter((stop) => stop.trip === trip) : [];
  const { minutes: straight, note, source } = driven(file, trip, id);
  const minutes = stops.reduce((sum, stop) => sum + stop.driveMin + stop.minutes, straight);
  return {
    id,
    label: stops.length ? `${label}, by way of ${stops.map((stop) => stop.label).join(', ')}` : label,
    place: 'road',
    minutes: Math.max(1, minutes),
    spread: threePoint(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: ridersOn(file, trip, id).length,
    skills: ['driver'],
    gear: ['vehicle'],
    after,
    cautions: ['driving', ...(file.job.trailers?.length ? ['trailer'] : [])],
    working: [
      working('Drive', note, [], { value: straight, unit: 'min' }, source),
      ...stops.map((stop) =>
        working(
          `Stop: ${stop.label}`,
          'more drive + there',
          [
            ['more drive', stop.driveMin, 'min'],
            ['there', stop.minutes, 'min'],
          ],
          { value: stop.driveMin + stop.minutes, unit: 'min' },
          'typed with the job',
        ),
      ),
    ],
    ...(isOut ? { arrivesAfter: Math.max(1, minutes) } : {}),
  };
}

/** First names of some people. */
const firstNames = ({ workshop }: JobFile, ids: readonly string[]): string =>
  listed(workshop.crew.filter(({ id }) => ids.includes(id)).map(({ name }) => name.split(' ')[0] ?? name));

/**
 * Where a crew is dropped off, the drives without it: home, or none where it goes on to another place; and to the place
 * again, to fetch it.
 * @param left what is done before the vehicle drives on
 */
export function dropOffWork(file: JobFile, trip: Trip, left: string): Work[] {
  const part = partOfRound(file, trip);
  if (!part) return [];
  const { off, fetch } = DRIVES[trip];
  const stays = dropped(part.round, part.at);
  const stay = firstNames(file, stays);
  const away = legOf(file, trip, off)
    ? [
        {
          ...driveWork(file, {
            id: off,
            label: `Drive back; ${stay} ${stays.length === 1 ? 'stays' : 'stay'} at ${file.site.name}`,
            trip,
            after: [left],
          }),
          lags: { [left]: { max: 0 } },
        },
      ]
    : [];
  const again = legOf(file, trip, fetch);
  if (!again) return away;
  const words = toWords(file, placeBefore(part.round, again.stop));
  return [
    ...away,
    driveWork(file, {
      id: fetch,
      label: `${words} to fetch ${stay}`,
      trip,
      after: [away[0]?.id ?? left],
    }),
  ];
}

/** Finding the set-down, parking and signing in, where the survey says that it takes time. */
export function signInWork(file: JobFile, hands: number, after: string, id = 'sign-in'): Work[] {
  const minutes = file.site.loadIn.setDownMin ?? 0;
  if (minutes === 0) return [];
  return [
    {
      id,
      label: 'Park and sign in',
      place: 'site',
      minutes,
      spread: threePoint(minutes, DRIVE_QUICK, DRIVE_SLOW),
      hands,
      skills: [],
      gear: [],
      after: [after],
      cautions: [],
      working: [
        working(
          'Set-down, parking and signing in',
          'as surveyed',
          [],
          { value: minutes, unit: 'min' },
          "the site's survey",
        ),
      ],
    },
  ];
}
