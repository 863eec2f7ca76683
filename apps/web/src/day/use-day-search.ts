import type { JobFile } from '@early-lantern/contract';
import { useEffect, useRef, useState } from 'react';
import { findClashes, findCulprits, findWays, planDay, rehearseDay } from '../workers/day.ts';
import { DaySearch, type DayState } from './day-search.ts';

const engine = {
  clashes: findClashes,
  plan: planDay,
  rehearse: rehearseDay,
  culprits: findCulprits,
  ways: findWays,
};

/** Orders tried when somebody asks for a longer search. */
const LONGER = 40_000;

/** The search for these jobs' day, begun anew when they change. */
export function useDaySearch(files: readonly JobFile[]) {
  const [state, setState] = useState<DayState>({});
  const search = useRef<DaySearch>(undefined);
  useEffect(() => {
    setState({});
    const begun = new DaySearch(files, engine, setState);
    search.current = begun;
    begun.start();
    return () => begun.close();
  }, [files]);
  // The screen's error boundary shows it.
  if (state.failure) throw state.failure;
  return {
    ...state,
    lookLonger: () => search.current?.look(LONGER),
    stop: () => search.current?.stop(),
  };
}
