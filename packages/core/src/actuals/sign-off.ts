import type { Delivery, JobFile, Photo, Plan } from '@early-lantern/contract';
import { formatWind } from '../air/wind.ts';
import { isFaultTask, isMending } from './day-tasks.ts';
import { type Happened, isDone } from './happened.ts';
import { faultsOpen } from './mending.ts';
import { tasksOf } from './turns.ts';

/** What the house is told before it signs, besides what the plan has found: for every installation of latex. Handbook tables of cautions. */
const ALWAYS = [
  'Keep candles, lamps and heaters away from the balloons.',
  'Balloons are latex: tell guests who are allergic.',
  'Keep burst and empty balloons from children under 8; collect every scrap.',
];

/** A photo as the sign-off needs it. */
type Taken = Pick<Photo, 'id' | 'pieceId' | 'moment'>;

/** The photos of what stands, of no more than the sign-off holds: the newest. */
function standingPhotos(
  photos: readonly Taken[],
  nameOf: (id: string) => string | undefined,
): Pick<Delivery, 'photos'> {
  const shown = photos
    .filter(({ moment }) => moment === 'standing')
    .slice(-MOST_PHOTOS)
    .map(({ id, pieceId }) => ({ id, of: nameOf(pieceId) ?? 'A piece that is gone' }));
  return shown.length > 0 ? { photos: shown } : {};
}

const MOST_PHOTOS = 60;

/**
 * What is handed over as things stand: what is not done before sign-off, or seen and not mended, is open.
 *
 * @param photos of the job, in the order in which they were taken
 */
export function deliveryOf(
  { job, workshop }: Pick<JobFile, 'job' | 'workshop'>,
  plan: Pick<Plan, 'tasks' | 'pieces' | 'holds'>,
  happened: Happened,
  photos: readonly Taken[] = [],
): Delivery {
  const nameOf = (id: string | undefined) => plan.pieces.find((one) => one.id === id)?.name;
  const about = (id: string | undefined, text: string) => (nameOf(id) ? `${nameOf(id)}: ${text}` : text);
  const outside = plan.holds.pieces.filter((one) => one.isOutdoors);
  const gusts = outside.flatMap(({ takeDownGustMs }) => takeDownGustMs ?? []);
  const gust = gusts.length > 0 ? formatWind(Math.min(...gusts), workshop.units) : undefined;
  return {
    delivered: plan.pieces.map(({ name }) => name),
    open: [
      ...tasksOf(plan, null)
        .filter(
          ({ id, trip, place, pieceId }) =>
            trip === 'set-up' &&
            place === 'site' &&
            !isDone(happened, id) &&
            (isMending(id) ? !isFaultTask(id) : pieceId),
        )
        .map(({ label }) => label),
      ...faultsOpen(happened).map(({ piece, text }) => about(piece, text)),
    ],
    handedOver: [
      ...(gust ? [`Outdoors it comes down in gusts of ${gust} and more: keep people away and call us.`] : []),
      ...(outside.length > 0 ? ['Never leave it unattended in wind.'] : []),
      ...ALWAYS,
    ],
    strikeFrom: job.isKept ? null : job.strike.from,
    ...standingPhotos(photos, nameOf),
  };
}

/**
 * The same for whoever signs elsewhere, by a link: where nobody ticks on site nothing is known of what is open, and nothing is said to be.
 */
export function deliveryToGuest(
  file: Pick<JobFile, 'job' | 'workshop'>,
  plan: Pick<Plan, 'tasks' | 'pieces' | 'holds'>,
  happened: Happened,
  photos: readonly Taken[] = [],
): Delivery {
  const isTicked = plan.tasks.some(({ id, place }) => place === 'site' && happened.tasks.has(id));
  const whole = deliveryOf(file, plan, happened, photos);
  const labels = new Set(plan.tasks.map(({ label }) => label));
  return isTicked ? whole : { ...whole, open: whole.open.filter((line) => !labels.has(line)) };
}
