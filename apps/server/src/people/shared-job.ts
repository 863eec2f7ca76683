import type { JobFile, Plan, SharedJob } from '@early-lantern/contract';

type Seen = Pick<
  SharedJob,
  'name' | 'place' | 'timeZone' | 'units' | 'doors' | 'arrives' | 'ready' | 'strike' | 'pieces'
>;

/** What of a job and its plan a client or somebody of the venue is to know: nothing of people, stock and money. */
export function seenByGuest({ job, site, workshop }: JobFile, plan: Plan): Seen {
  const onSite = (trip: 'set-up' | 'strike') =>
    plan.tasks
      .filter((task) => task.place === 'site' && task.trip === trip)
      .map(({ start }) => start)
      .sort((one, other) => Date.parse(one) - Date.parse(other))[0] ?? null;
  return {
    name: job.name,
    place: site.name,
    timeZone: workshop.timeZone,
    units: workshop.units,
    doors: job.doors,
    arrives: plan.onTime.ready === null ? null : onSite('set-up'),
    ready: plan.onTime.ready,
    strike: plan.onTime.ready === null ? null : onSite('strike'),
    pieces: plan.pieces.map(({ id, name, balloons }) => {
      const spotId = job.pieces.find((piece) => piece.id === id)?.spotId;
      const ids = new Set(balloons.map(({ colour }) => colour));
      return {
        name,
        spot: site.spots.find((spot) => spot.id === spotId)?.name ?? '',
        colours: workshop.colours
          .filter((colour) => ids.has(colour.id))
          .map(({ name, hex }) => ({ name, hex })),
      };
    }),
  };
}
