import type { JobFile } from '@early-lantern/contract';
import { paceOf, type Slowing } from './conditions.ts';
import { strikeCrewOf } from './strike-work.ts';
import type { Work } from './work.ts';

/** Work at the pace of those who may do it; who was chosen by hand sets it alone. Drives and waits keep their time. */
export function atPace(work: readonly Work[], file: JobFile): Work[] {
  const { workshop, job } = file;
  if (workshop.crew.every(({ pace = 1 }) => pace === 1)) return [...work];
  const setUp = workshop.crew.filter(({ id }) => job.crew.includes(id));
  const strike = strikeCrewOf(file);
  return work.map((one) => {
    if (one.place === 'road' || one.hands === 0) return one;
    const chosen = job.clock?.pins?.find(({ task }) => task === one.id)?.crew;
    const team = one.trip === 'strike' ? strike : setUp;
    const people = chosen ? workshop.crew.filter(({ id }) => chosen.includes(id)) : team;
    const [pace] = paceOf(people);
    return pace ? paced(one, pace) : one;
  });
}

function paced(one: Work, { factor, working }: Slowing): Work {
  const minutes = (usual: number) => Math.max(1, Math.ceil(usual * factor));
  const { quickS, usualS, slowS } = one.spread;
  return {
    ...one,
    minutes: minutes(one.minutes),
    spread: { quickS: quickS * factor, usualS: usualS * factor, slowS: slowS * factor },
    ...(one.ways ? { ways: one.ways.map((way) => ({ ...way, minutes: minutes(way.minutes) })) } : {}),
    working: [...one.working, working],
  };
}
