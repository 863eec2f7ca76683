import type { CrewMember, JobFile } from '@early-lantern/contract';
import { working } from '../working.ts';
import { partOfRound } from './rounds.ts';
import { type Trip, threePoint, type Work } from './work.ts';

/** A drive takes so much of what it usually takes, on a good day and in traffic. From memory, editable defaults. */
export const DRIVE_QUICK = 0.9;
export const DRIVE_SLOW = 1.6;

type Way = 'out' | 'home' | 'strike' | 'back';

const TRIP_OF: Record<Way, Trip> = { out: 'set-up', home: 'set-up', strike: 'strike', back: 'strike' };

/** One way between the workshop and the site, minutes: as typed for the hour of this job, else as surveyed. */
export const driveMinutes = ({ site, job }: JobFile, which: Way): number =>
  job.drives?.[which] ?? site.driveMin;

/** How long a drive takes as it is driven, and where that is from: in a round from place to place. */
function driven(file: JobFile, which: Way): { minutes: number; note: string; source: string } {
  const part = partOfRound(file, TRIP_OF[which]);
  if (!part)
    return {
      minutes: driveMinutes(file, which),
      note: 'one way',
      source:
        file.job.drives?.[which] === undefined ? "the site's survey" : 'typed, or asked for at that hour',
    };
  const { stops, homeMin } = part.round;
  const before = stops[part.at - 1];
  return onTheWay[which]
    ? {
        minutes: stops[part.at]?.driveMin ?? 0,
        note: before ? `from ${before.place}` : 'from the workshop',
        source: 'the round agreed for the day',
      }
    : { minutes: homeMin, note: 'home from the last place', source: 'the round agreed for the day' };
}

/** Where a drive goes, and from where where that is not the workshop. */
export function driveWords(file: JobFile, trip: Trip): string {
  const part = partOfRound(file, trip);
  const before = part?.round.stops[part.at - 1];
  return before ? `Drive on from ${before.place} to ${file.site.name}` : `Drive to ${file.site.name}`;
}

/** On the road, by way of the stops of that run. */
export function driveWork(
  file: JobFile,
  { id, label, which, trip }: { id: string; label: string; which: keyof typeof onTheWay; trip: Trip },
  crew: readonly CrewMember[],
  after: string[],
): Work {
  const stops = onTheWay[which] ? (file.job.stops ?? []).filter((stop) => stop.trip === trip) : [];
  const { minutes: straight, note, source } = driven(file, which);
  const minutes = stops.reduce((sum, stop) => sum + stop.driveMin + stop.minutes, straight);
  return {
    id,
    label: stops.length ? `${label}, by way of ${stops.map((stop) => stop.label).join(', ')}` : label,
    place: 'road',
    minutes: Math.max(1, minutes),
    spread: threePoint(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: crew.length,
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
    ...(onTheWay[which] ? { arrivesAfter: Math.max(1, minutes) } : {}),
  };
}

/** Whether a drive goes to the site. */
const onTheWay = { out: true, home: false, strike: true, back: false };

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
