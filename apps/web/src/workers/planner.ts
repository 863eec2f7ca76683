import type { JobFile, Plan, Reserved } from '@early-lantern/contract';
import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Planned, Planner } from './planner.worker.ts';

export type { Planned };

const planner = Comlink.wrap<Planner>(
  new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' }),
);

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

/**
 * The plan of a job file, kept up with its changes: one request at a time, and of the files that came meanwhile only
 * the newest. Lamps and balloons answer at once; ways out are tried when the edits pause. While a new plan is under
 * way the last one stays.
 */
export function usePlanned(file: JobFile | undefined): Planned | undefined {
  const [planned, setPlanned] = useState<Planned>();
  const [failure, setFailure] = useState<Error>();
  // A screen opened afresh has no pictures yet, whatever the worker sent before.
  const isFirst = useRef(true);
  const pictures = useRef<Planned['pictures']>(undefined);
  const queue = useRef<{ busy: boolean; next: JobFile | undefined }>({ busy: false, next: undefined });

  useEffect(() => {
    if (!file) return;
    const state = queue.current;
    let isNewest = true;
    const tryFixes = async () => {
      const plan = await planner.plan(file);
      if (isNewest) setPlanned((now) => now && { ...now, plan });
    };
    const pump = async () => {
      state.busy = true;
      let draftedAt = 0;
      try {
        while (state.next) {
          const wanted = state.next;
          state.next = undefined;
          const drawn = await planner.draw(wanted, isFirst.current);
          isFirst.current = false;
          // Balloons first, then what they make of counts, clock and lamps.
          pictures.current = withPictures(pictures.current, drawn);
          const shown = pictures.current;
          setPlanned((now) => now && { ...now, pictures: shown });
          // While a hand drags on, lamps answer some ten times a second; balloons at every step.
          if (state.next && performance.now() - draftedAt < DRAFT_EVERY_MS) continue;
          const plan = await planner.draft();
          draftedAt = performance.now();
          setPlanned({ plan, pictures: shown });
          // For the benchmark: when an edit had its answer.
          performance.clearMarks('planned');
          performance.mark('planned');
        }
      } finally {
        state.busy = false;
      }
    };
    state.next = file;
    if (!state.busy) pump().catch(setFailure);
    const timer = setTimeout(() => void tryFixes().catch(setFailure), QUIET_MS);
    return () => {
      isNewest = false;
      clearTimeout(timer);
    };
  }, [file]);

  // The screen's error boundary shows it.
  if (failure) throw failure;
  return planned;
}

const plans = new WeakMap<JobFile, Promise<Plan>>();

/** The plan of a file that does not change while it is shown; asked for once. */
export function usePlan(file: JobFile | undefined): Plan | undefined {
  const [plan, setPlan] = useState<{ file: JobFile; plan: Plan }>();
  useEffect(() => {
    if (!file) return;
    const known = plans.get(file) ?? planner.plan(file);
    plans.set(file, known);
    let wanted = true;
    void known.then((answer) => {
      if (wanted) setPlan({ file, plan: answer });
    });
    return () => {
      wanted = false;
    };
  }, [file]);
  return plan?.plan;
}

/** What each coming job of a list finds held of the shelf, by job id; undefined until it is worked out. */
export function useHeld(files: readonly JobFile[]): Record<string, Reserved[]> | undefined {
  const [held, setHeld] = useState<Record<string, Reserved[]>>();
  useEffect(() => {
    let wanted = true;
    void planner.held([...files], Date.now()).then((answer) => {
      if (wanted) setHeld(answer);
    });
    return () => {
      wanted = false;
    };
  }, [files]);
  return held;
}
