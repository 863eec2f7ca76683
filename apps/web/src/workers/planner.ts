import type { JobFile, Lamp, PieceId, Plan } from '@early-lantern/contract';
import type { Heat, HowLong, LongerLoad, Picture } from '@early-lantern/core';
import { replaceEqualDeep } from '@tanstack/react-query';
import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { changeOf } from './file-change.ts';
import type { Planned, Planner } from './planner.worker.ts';

export type { Planned };

const newPlanner = () =>
  Comlink.wrap<Planner>(new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' }));

let own: Record<'drafter' | 'planner', Comlink.Remote<Planner>> | undefined;

/**
 * Both are started when the first is asked, or once the first screen has its jobs: reading the program twice more would keep
 * those waiting.
 */
function workers() {
  own ??= { drafter: newPlanner(), planner: newPlanner() };
  return own;
}

/** Starts them when the page has nothing else to do, so that a job opens at once. */
export const startWhenQuiet = (): void => {
  requestIdleCallback(workers, { timeout: START_MS });
};
const START_MS = 2_000;

/** Draws and drafts what is being edited, and nothing else: a hand never waits for what takes long. */
const drafter = () => workers().drafter;
/** Whatever takes longer: ways out, jobs of a list, days rehearsed. */
const planner = () => workers().planner;

/** Whose plan is on screen: only that one has its workings. */
let shownBy = drafter;
/** The file that ways out were last tried for: only what is new since is sent. */
let mendedLast: JobFile | undefined;

function mended(file: JobFile, wanted: readonly string[]) {
  const change = changeOf(mendedLast, file);
  mendedLast = file;
  return planner().mended(change, [...wanted]);
}

type Drawn = Awaited<ReturnType<Planner['draw']>>;

/** What was drawn before stays the same object, so that only changed pieces are drawn again. */
function withPictures(before: Planned['pictures'] | undefined, { drawn, ids }: Drawn): Planned['pictures'] {
  return Object.fromEntries(
    ids.flatMap((id) => {
      const picture = drawn[id] ?? before?.[id];
      return picture ? [[id, picture]] : [];
    }),
  );
}

/** Quiet after an edit before fixes are tried, milliseconds: a drag goes on within it. */
const QUIET_MS = 300;

/** Between two plans while a hand drags, milliseconds at most. */
const DRAFT_EVERY_MS = 80;

/** While a load is only being asked about by its volume, what is known of the one before stays. */
const fitsShown = (before: Plan | undefined, { fits, lamps }: Plan): Lamp =>
  fits.isQuick && lamps.fits.state === 'unlit' && before ? before.lamps.fits : lamps.fits;

/** What of a plan did not change stays the same object, so that the screens need not draw it again. */
function settled(before: Plan | undefined, plan: Plan): Plan {
  return {
    ...plan,
    lamps: replaceEqualDeep(before?.lamps, { ...plan.lamps, fits: fitsShown(before, plan) }),
    pieces: replaceEqualDeep(before?.pieces, plan.pieces),
    holds: replaceEqualDeep(before?.holds, plan.holds),
  };
}

/**
 * The plan of a job file, kept up with its changes: one request at a time, and of the files that came meanwhile only
 * the newest. Lamps and balloons answer at once; ways out are tried when the edits pause. While a new plan is under
 * way the last one stays.
 */
export function usePlanned(file: JobFile | undefined): Planned | undefined {
  const [planned, setPlanned] = useState<Planned>();
  const [failure, setFailure] = useState<Error>();
  // A screen opened afresh has no pictures yet, whatever the worker sent before.
  const sent = useRef<JobFile>(undefined);
  const pictures = useRef<Planned['pictures']>(undefined);
  // Pieces drawn roughly, as while they are edited: how they hang is known when the edits pause.
  const rough = useRef(new Set<string>());
  const queue = useRef<{
    busy: boolean;
    mending: boolean;
    next: JobFile | undefined;
    newest: JobFile | undefined;
  }>({
    busy: false,
    mending: false,
    next: undefined,
    newest: undefined,
  });
  const quiet = useRef<ReturnType<typeof setTimeout>>(undefined);

  useEffect(() => {
    if (!file) return;
    const state = queue.current;
    const soon = () => {
      clearTimeout(quiet.current);
      quiet.current = setTimeout(() => void tryFixes().catch(setFailure), QUIET_MS);
    };
    const tryFixes = async () => {
      const wanted = state.newest;
      if (!wanted || state.busy || state.mending) return;
      state.mending = true;
      const answer = await mended(wanted, [...rough.current]).finally(() => {
        state.mending = false;
      });
      if (answer && state.newest === wanted) {
        const { plan, settled: hanging } = answer;
        shownBy = planner;
        pictures.current = { ...pictures.current, ...hanging };
        rough.current.clear();
        const shown = pictures.current;
        setPlanned((now) => now && { pictures: shown, plan: settled(now.plan, plan) });
      } else if (!state.busy) soon();
    };
    const pump = async () => {
      state.busy = true;
      let draftedAt = 0;
      try {
        while (state.next) {
          const wanted = state.next;
          state.next = undefined;
          const before = sent.current;
          const drawing = drafter().draw(changeOf(before, wanted), before === undefined);
          // Asked for at once, so that the worker need not wait until the page has drawn the balloons.
          const drafting = performance.now() - draftedAt < DRAFT_EVERY_MS ? undefined : drafter().draft();
          // A failed drawing is told below; its draft fails with it.
          drafting?.catch(() => undefined);
          const drawn = await drawing;
          sent.current = wanted;
          // Balloons first, then what they make of counts, clock and lamps.
          pictures.current = withPictures(pictures.current, drawn);
          for (const id of Object.keys(drawn.drawn)) rough.current.add(id);
          const shown = pictures.current;
          setPlanned((now) => now && { ...now, pictures: shown });
          // While a hand drags on, lamps answer some ten times a second; balloons at every step.
          if (state.next && !drafting) continue;
          const plan = await (drafting ?? drafter().draft());
          draftedAt = performance.now();
          shownBy = drafter;
          setPlanned((now) => ({ plan: settled(now?.plan, plan), pictures: shown }));
          // For the benchmark: when an edit had its answer.
          performance.clearMarks('planned');
          performance.mark('planned');
          // Only after the draft: however slow the machine, a draft never takes the place of a plan with its fixes.
          soon();
        }
      } finally {
        state.busy = false;
      }
    };
    clearTimeout(quiet.current);
    state.next = file;
    state.newest = file;
    // Nobody waits any more for ways out of what was before.
    if (state.mending) void planner().leaveMending();
    if (!state.busy) pump().catch(setFailure);
  }, [file]);
  useEffect(() => () => clearTimeout(quiet.current), []);

  // The screen's error boundary shows it.
  if (failure) throw failure;
  return planned;
}

/** The plan on screen, with every working. */
export const wholePlan = (): Promise<Plan> => shownBy().whole();

/** What is asked about each file once. */
function askedOnce(ask: (file: JobFile) => Promise<Plan>): (file: JobFile) => Promise<Plan> {
  const asked = new WeakMap<JobFile, Promise<Plan>>();
  return (file) => {
    const plan = asked.get(file) ?? ask(file);
    asked.set(file, plan);
    return plan;
  };
}

/** A file's plan with its fixes. */
export const planOf = askedOnce((file) => planner().plan(file));

/** One after the other: whatever is asked meanwhile by somebody who works on a job has its turn in between. */
function inTurn(ask: (file: JobFile) => Promise<Plan>): (file: JobFile) => Promise<Plan> {
  let last: Promise<unknown> = Promise.resolve();
  return (file) => {
    const plan = last.then(() => ask(file));
    last = plan.catch(() => undefined);
    return plan;
  };
}

/** A file's plan with every answer, for a list of many. */
const judgedPlanOf = askedOnce(inTurn((file) => planner().judged(file)));
/** When who does what, which comes long before what fits where. */
const draftedPlanOf = askedOnce((file) => planner().drafted(file));

/** Files with their plans as far as the clock goes; undefined until all are made. */
export function usePlans(files: readonly JobFile[]): { file: JobFile; plan: Plan }[] | undefined {
  const [made, setMade] = useState<{ files: readonly JobFile[]; planned: { file: JobFile; plan: Plan }[] }>();
  useEffect(() => {
    let wanted = true;
    void Promise.all(files.map(async (file) => ({ file, plan: await draftedPlanOf(file) }))).then(
      (planned) => {
        if (wanted) setMade({ files, planned });
      },
    );
    return () => {
      wanted = false;
    };
  }, [files]);
  return made?.files === files ? made.planned : undefined;
}

/** The plan of a file that does not change while it is shown, no fix tried; asked for once. */
export function usePlan(file: JobFile | undefined): Plan | undefined {
  const [plan, setPlan] = useState<{ file: JobFile; plan: Plan }>();
  useEffect(() => {
    if (!file) return;
    let wanted = true;
    void judgedPlanOf(file).then((answer) => {
      if (wanted) setPlan({ file, plan: answer });
    });
    return () => {
      wanted = false;
    };
  }, [file]);
  return plan?.plan;
}

/** Goes through many days of a job; `onDone` hears how many are through and ends it by answering false. */
export const rehearseDays = (file: JobFile, days: number, onDone: (done: number) => boolean) =>
  planner().rehearse(
    file,
    days,
    Comlink.proxy(async (done: number) => onDone(done)),
  );

/** Goes on searching for a better load; `onLoad` hears how far it is and ends it by answering false. */
export const searchLoadLonger = (file: JobFile, onLoad: (load: LongerLoad) => boolean): Promise<void> =>
  planner().longerLoad(
    file,
    Comlink.proxy(async (load: LongerLoad) => onLoad(load)),
  );

/** How long the balloons there are would make a garland; undefined for what is none. */
export const askHowLong = (file: JobFile, pieceId: PieceId): Promise<HowLong | undefined> =>
  planner().howLong(file, pieceId);

/** Each piece as it will hang, by piece id. */
export const askPictures = (file: JobFile): Promise<Record<string, Picture>> => planner().pictures(file);

/** How deep one looks into a piece from the front; undefined where it does not settle. */
export const askHeat = (file: JobFile, pieceId: PieceId): Promise<Heat | undefined> =>
  planner().heat(file, pieceId);

/** Minutes in hand that what was chosen about a task costs; null where there is no plan with it. */
export const pinCost = (file: JobFile, task: string): Promise<number | null> =>
  planner().choiceCost(file, task);
