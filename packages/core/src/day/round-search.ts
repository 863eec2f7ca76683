import type { Round } from '@early-lantern/contract';
import { paidMinutes } from '../clock/day-cost.ts';
import type { WorkedJob } from '../clock/day-job.ts';
import { dayProblem, inHandWanted } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import { placesLoaded } from '../clock/legs.ts';
import { agreedRound } from '../clock/rounds.ts';
import { sumOf } from '../quantity/group.ts';
import { dropOffsOf, joinsOf, pairedDropOffs } from './round-changes.ts';
import { choiceOf, joined } from './round-choice.ts';
import { parted, roundsOf } from './rounds.ts';

/** Orders tried to judge whether other rounds are better, and the share of all orders that may go into it. */
const TO_JUDGE = 40;
const SHARE = 0.5;
/** With fewer orders in all nothing but what is there is looked at. */
const WORTH_IT = 400;
/** A round is driven for so many paid minutes saved at least: it ties jobs to each other. From memory. */
const WORTH_JOINING_MIN = 10;

/** Whether what rides to some places, in their order, goes into the vehicles together. */
export type MayLoad = (places: readonly WorkedJob[]) => boolean;

/** What a choice of rounds comes to, after a short search. */
interface Score {
  lateMin: number;
  /** Minutes in hand that jobs lack of what is wanted. */
  shortMin: number;
  paidMin: number;
  /** Drives out, less those that each job by itself would take. */
  drives: number;
}

/**
 * Which drives of a day are made one: from the jobs as they are, one change after the other that is better, until none
 * is. Each is judged by a short search for the plan of the whole day.
 */
export class RoundSearch {
  /** The jobs with the best rounds so far. */
  best: readonly WorkedJob[];
  tried = 0;
  private changes = 0;
  private score: Score | undefined;
  private queue: (() => WorkedJob[])[];
  /** Whether pairs of drives were looked at of which neither saves the other any driving. */
  private arePairsTried = false;
  /** The jobs with the rounds that were there. */
  private readonly begun: readonly WorkedJob[];
  private readonly seed: number;
  private readonly most: number;
  private readonly mayLoad: MayLoad;

  /**
   * @param orders tried in all for the day: where they are few, or the day was agreed on, nothing is joined
   * @param mayLoad asked of each round before it is taken
   */
  constructor(worked: readonly WorkedJob[], orders: number, seed: number, mayLoad: MayLoad) {
    const isAgreed = worked.some(({ file }) => file.job.clock?.agreed);
    this.begun = isAgreed ? worked : asTheyAre(worked);
    this.best = this.begun;
    this.seed = seed;
    this.most = SHARE * orders;
    this.mayLoad = mayLoad;
    this.queue = orders < WORTH_IT || isAgreed || worked.length < 2 ? [] : changesOf(this.begun);
  }

  get isOver(): boolean {
    return this.queue.length === 0 || this.tried >= this.most;
  }

  /** Another word whenever other rounds are the best. */
  get mark(): string {
    return `${this.changes}`;
  }

  /** Tries changes for about so many orders. @returns the orders tried, none once no change is left */
  run(orders: number): number {
    const before = this.tried;
    while (!this.isOver && this.tried - before < orders) {
      this.score ??= this.judged(this.best);
      // Where time is short one crew may be left at its place while the others drive on, though it costs driving.
      const isShort = this.score.lateMin > 0 || this.score.shortMin > 0;
      if (this.queue.length === 1 && isShort && !this.arePairsTried) {
        this.arePairsTried = true;
        const files = this.best.map(({ file }) => file);
        this.queue.push(...pairedDropOffs(files).map((choice) => () => joined(this.best, choice)));
      }
      const next = this.queue.shift()?.() as WorkedJob[];
      const score = this.judged(next);
      // Whether the things go in together is asked last: it takes longest.
      if (!isBetter(score, this.score) || !this.isLoadable(next)) continue;
      this.best = next;
      this.score = score;
      this.changes += 1;
      this.queue = changesOf(next);
      this.arePairsTried = false;
    }
    // No rounds helped: a longer search may still find a plan with the drives there were.
    if (this.isOver && this.score?.lateMin === Infinity && this.best !== this.begun) {
      this.best = this.begun;
      this.changes += 1;
    }
    return this.tried - before;
  }

  private isLoadable(worked: readonly WorkedJob[]): boolean {
    const files = worked.map(({ file }) => file);
    const known = new Set(roundsOf(this.best.map(({ file }) => file)));
    return roundsOf(files)
      .filter((round) => round.trip === 'set-up' && !known.has(round))
      .every((round) =>
        this.mayLoad(jobsOf(round).flatMap((job) => worked.find(({ file }) => file.job.id === job) ?? [])),
      );
  }

  private judged(worked: readonly WorkedJob[]): Score {
    const day = dayProblem(worked);
    const search = new DaySearch(day, TO_JUDGE, this.seed);
    search.run(TO_JUDGE);
    this.tried += TO_JUDGE;
    const answer = search.answer();
    const inHand = search.inHand();
    return {
      lateMin: search.lateMin,
      shortMin: sumOf(day.jobs.map(({ file }, j) => Math.max(0, inHandWanted(file) - (inHand[j] as number)))),
      paidMin: answer ? paidMinutes({ ...answer, stuck: -1 }, search.compiled) : Infinity,
      drives: -sumOf(roundsOf(worked.map(({ file }) => file)).map((round) => jobsOf(round).length - 1)),
    };
  }
}

/**
 * All rounds that are one step away: two places exchanged in one, two drives made one, a place left out of one, people
 * dropped off at one and fetched again, or kept aboard again. A round that was put in order by hand stays.
 */
const changesOf = (worked: readonly WorkedJob[]): (() => WorkedJob[])[] => {
  const files = worked.map(({ file }) => file);
  const rounds = roundsOf(files).filter(({ isKept }) => !isKept);
  return [
    ...rounds.flatMap((round) =>
      exchanges(round).map((jobs) => () => joined(worked, { trip: round.trip, jobs })),
    ),
    ...joinsOf(files).map((join) => () => joined(worked, join)),
    ...dropOffsOf(files).map((choice) => () => joined(worked, choice)),
    ...rounds
      .filter(({ stops }) => stops.some(({ does }) => does))
      .map((round) => () => driven(worked, round, jobsOf(round))),
    ...rounds.flatMap((round) => shortened(round).map((jobs) => () => driven(worked, round, jobs))),
  ];
};

/** Rounds from before with the people, places and drives of today; those of which a job is missing are parted. */
const asTheyAre = (worked: readonly WorkedJob[]): readonly WorkedJob[] =>
  roundsOf(worked.map(({ file }) => file)).reduce<readonly WorkedJob[]>((all, round) => {
    const jobs = jobsOf(round);
    const isWhole = jobs.every((id) =>
      worked.some(({ file }) => file.job.id === id && agreedRound(file, round.trip)),
    );
    const files = worked.map(({ file }) => file);
    return isWhole ? joined(all, choiceOf(round, files)) : parted(all, round);
  }, worked);

const jobsOf = (round: Round): string[] => placesLoaded(round).map(({ job }) => job);

/** The places of a round in all orders that differ in two of them. */
function exchanges(round: Round): string[][] {
  const jobs = jobsOf(round);
  return jobs.flatMap((first, a) =>
    jobs
      .slice(a + 1)
      .map((second) => jobs.map((job) => (job === first ? second : job === second ? first : job))),
  );
}

/** A round without each of its places in turn. */
const shortened = (round: Round): string[][] =>
  jobsOf(round).map((job) => jobsOf(round).filter((other) => other !== job));

/** A round that drives to so many of its places; one alone is none. */
const driven = (worked: readonly WorkedJob[], round: Round, jobs: string[]): WorkedJob[] => {
  const apart = parted(worked, round);
  return jobs.length < 2 ? apart : joined(apart, { trip: round.trip, jobs });
};

/** No window left that was kept, no job with less in hand than it may have, and fewer paid minutes worth the change. */
function isBetter(one: Score, other: Score): boolean {
  // On a day so tight that a short search finds no plan, fewer drives are the way to one.
  if (one.lateMin === Infinity && other.lateMin === Infinity) return one.drives < other.drives;
  if (one.lateMin !== other.lateMin) return one.lateMin < other.lateMin;
  if (one.shortMin !== other.shortMin) return one.shortMin < other.shortMin;
  return one.paidMin <= other.paidMin - WORTH_JOINING_MIN;
}
