import type { Methods, StepStage } from '@early-lantern/contract';
import { working } from '../working.ts';
import { DRIVES } from './legs.ts';
import { mayLeaveOutStep } from './visit-steps.ts';
import { ownId, threePoint, type Work } from './work.ts';

/** Quick and slow of a step somebody has put a time to: shares of it. From memory. */
const QUICK = 0.8;
const SLOW = 1.5;

/** The order of the work as this house has it: steps left out that may be, renamed or waited before, and steps of its own. */
export function withOwnMethods(work: readonly Work[], methods: Methods | undefined, crew: number): Work[] {
  if (!methods) return [...work];
  const changed = methods.changes.reduce<Work[]>(
    (all, change) => {
      if (change.isLeftOut && mayLeaveOutStep(change.step)) return leftOut(all, change.step);
      return all.map((one) =>
        one.id === change.step
          ? {
              ...one,
              label: change.label ?? one.label,
              ...(change.waitMin === undefined ? {} : { lags: waiting(one, change.waitMin) }),
            }
          : one,
      );
    },
    [...work],
  );
  return methods.own.reduce<Work[]>((all, step) => withStep(all, step, crew), changed);
}

/** Lags that let so many minutes pass after everything a task waits for. */
export const waiting = ({ after, lags = {} }: Work, min: number) => ({
  ...lags,
  ...Object.fromEntries(after.map((id) => [id, { ...lags[id], min }])),
});

/** Without a step: what waited for it waits for what it waited for, and as long. */
export function leftOut(work: readonly Work[], id: string): Work[] {
  const gone = work.find((one) => one.id === id);
  if (!gone) return [...work];
  return work
    .filter((one) => one !== gone)
    .map((one) => {
      if (!one.after.includes(id)) return one;
      const { [id]: lag, ...lags } = one.lags ?? {};
      const asLong = Object.fromEntries(lag ? gone.after.map((before) => [before, lag]) : []);
      return {
        ...one,
        after: [...new Set([...one.after.filter((before) => before !== id), ...gone.after])],
        ...(one.lags ? { lags: { ...asLong, ...lags } } : {}),
      };
    });
}

/** Work without the steps that somebody left out of this job, as far as they may be. */
export const withoutSteps = (work: readonly Work[], ids: readonly string[]): Work[] =>
  ids.reduce<Work[]>(
    (all, id) => (all.find((one) => one.id === id)?.mayBeLeftOut ? leftOut(all, id) : all),
    [...work],
  );

type OwnStep = Methods['own'][number];

/** Whoever drives off waits for no step of the house. */
const DRIVEN: ReadonlySet<string> = new Set([
  DRIVES['set-up'].off,
  DRIVES['set-up'].fetch,
  DRIVES['set-up'].home,
]);

/** One step of the house's own put among the others. */
function withStep(work: readonly Work[], step: OwnStep, crew: number): Work[] {
  if (step.stage !== 'each-piece') {
    const { after, before } = placeOf(work, step.stage);
    return inserted(work, asWork(step, after, step.id, crew), before);
  }
  const pieces = [
    ...new Set(work.flatMap(({ pieceId, place }) => (place === 'site' && pieceId ? [pieceId] : []))),
  ];
  return pieces.reduce<Work[]>(
    (all, pieceId) => {
      const own = all.filter((one) => one.pieceId === pieceId && one.place === 'site');
      const waitedFor = new Set(own.flatMap(({ after }) => after));
      const last = own.filter(({ id }) => !waitedFor.has(id)).map(({ id }) => id);
      const one = { ...asWork(step, last, ownId(pieceId, step.id), crew), pieceId };
      const follower = all.find(
        ({ id, after }) => !id.startsWith(pieceId) && after.some((before) => last.includes(before)),
      );
      return inserted(all, one, follower ? [follower.id] : []);
    },
    [...work],
  );
}

/** What a step of a stage waits for, and what waits for it. */
function placeOf(work: readonly Work[], stage: StepStage): { after: string[]; before: string[] } {
  const has = (id: string) => work.some((one) => one.id === id);
  if (stage === 'bench')
    return { after: ['clean-floor'], before: [has('load-vehicle') ? 'load-vehicle' : 'step-back'] };
  if (stage === 'on-arrival') {
    const first = work.filter(
      ({ id, after, trip }) => trip === 'set-up' && !DRIVEN.has(id) && after.includes('unload'),
    );
    // At home there is nothing to arrive at: it comes once the floor is clean.
    if (!has('unload')) return { after: ['clean-floor'], before: [] };
    return { after: ['unload'], before: first.map(({ id }) => id) };
  }
  if (stage === 'strike')
    return {
      after: has('strike') ? ['strike'] : ['sign-off'],
      before: ['look-over', 'carry-out', 'drive-back', 'return-gear'].filter(has).slice(0, 1),
    };
  const signOff = work.find(({ id }) => id === 'sign-off');
  return { after: signOff?.after ?? [], before: ['sign-off'] };
}

function inserted(work: readonly Work[], step: Work, before: readonly string[]): Work[] {
  const at = Math.max(0, ...step.after.map((id) => work.findIndex((one) => one.id === id))) + 1;
  const all = work.map((one) => (before.includes(one.id) ? { ...one, after: [...one.after, step.id] } : one));
  return [...all.slice(0, at), step, ...all.slice(at)];
}

function asWork(
  { label, stage, minutes, hands, noise }: OwnStep,
  after: string[],
  id: string,
  crew: number,
): Work {
  return {
    id,
    label,
    place: stage === 'bench' ? 'workshop' : 'site',
    minutes,
    spread: threePoint(minutes, QUICK, SLOW),
    hands: Math.min(hands, crew),
    skills: [],
    gear: [],
    ...(noise ? { noise } : {}),
    after,
    cautions: [],
    working: [
      working(
        label,
        "the house's own step",
        [],
        { value: minutes, unit: 'min' },
        "the workshop's own figure",
      ),
    ],
    ...(stage === 'bench' ? {} : { trip: stage === 'strike' ? ('strike' as const) : ('set-up' as const) }),
  };
}
