import { seededRandom } from '../quantity/random.ts';
import { byChain } from './by-chain.ts';
import { type Compiled, mirror } from './compiled.ts';
import { type Decoded, Decoder } from './decode.ts';

/** What a schedule costs: less is better. */
export type Cost = (schedule: Decoded) => number;

export interface SearchSettings {
  seed?: number;
  /** No schedule can cost less: reached, the search is over. */
  bound?: number;
  /** Orders tried between two heatings. */
  cycle?: number;
  /** The order to begin with; by the longest chain of work where not said. */
  order?: readonly number[];
  /** The ways to begin with; the usual ones where not said. */
  modes?: ArrayLike<number>;
  /** Those whose way stays as it is. */
  settled?: ReadonlySet<number>;
  /** Who is to do what, as bits, to begin with; whoever suits best where not said. */
  crew?: ArrayLike<number>;
  /** Share of the cost by which a worse schedule is taken at first, and at last. */
  hot?: number;
  cold?: number;
}

/** What is found so far. */
export interface Found {
  cost: number;
  start: Float64Array;
  end: Float64Array;
  crew: Int32Array;
  order: Int32Array;
  modes: Uint8Array;
  wish: Int32Array;
}

/** A cost for what has no schedule: worse than any that has one, less bad the fewer it leaves. */
const NO_SCHEDULE = 1e15;

/** One order in so many is also pushed to and fro (forward–backward improvement). */
const JUSTIFIED_EVERY = 100;

/** Share of the cost at first is `HOT / n^0.8` of `n` activities: what did best on projects of 30 and shops of 100. */
const HOT = 0.611;
const HOT_FALLS = 0.8;
/** Orders between two heatings: so many for each activity, or this share of their square where that is more. */
const CYCLE = 60;
const CYCLE_SHARE = 1;
/** One heating in so many does not begin with the best so far. */
const ELSEWHERE_EVERY = 3;

/** How often a move takes the place of one that wants the same people or gear. */
const RIVAL_MOVES = 0.85;

/** How often a move changes who does something. */
const CREW_MOVES = 0.2;

/** How often a move changes the number of hands instead of the order. */
const MODE_MOVES = 0.15;

/**
 * Simulated annealing over orders (and modes) of serial schedule generation, with forward–backward improvement of some.
 * It can be asked for a few orders more at any time; what it has found so far is always there. The same seed and the
 * same number of orders find the same.
 */
export class Search {
  readonly found: Found;
  /** What found no place in the first order that had none for everything: the usual one, if it is that. */
  stuckAt: string | undefined;
  /** Orders tried. */
  tried = 0;
  private readonly problem: Compiled;
  private readonly cost: Cost;
  private readonly forward: Decoder;
  private readonly backward: Decoder;
  private readonly random: () => number;
  private readonly settings: Required<Pick<SearchSettings, 'bound' | 'hot' | 'cold'>>;
  /** When the last heating began, and how many orders it takes to cool. */
  private heatedAt = 0;
  private heatings = 0;
  private readonly cycle: number;
  /** The order gone on from. */
  order: Int32Array;
  private modes: Uint8Array;
  /** Who is to do what where they are free, as bits. */
  private wish: Int32Array;
  private now: number;
  private readonly place: Int32Array;
  /** For each activity those that want some of the same people or gear. */
  private readonly rivals: readonly Int32Array[];
  /** Activities that can be done in more than one way. */
  private readonly flexible: number[];
  /** Activities that some but not all of those who may do it do. */
  private readonly manned: number[];

  constructor(problem: Compiled, cost: Cost, settings: SearchSettings = {}) {
    const { seed = 1, order, bound = -Infinity } = settings;
    const { hot = HOT / problem.count ** HOT_FALLS, cold = hot / 10 } = settings;
    this.problem = problem;
    this.cost = cost;
    this.settings = { bound, hot, cold };
    this.cycle = settings.cycle ?? problem.count * Math.max(CYCLE, CYCLE_SHARE * problem.count);
    this.forward = new Decoder(problem);
    this.backward = new Decoder(mirror(problem));
    this.random = seededRandom(seed);
    this.order = Int32Array.from(order ?? byChain(problem));
    this.modes = Uint8Array.from(settings.modes ?? new Uint8Array(problem.count));
    this.wish = Int32Array.from(settings.crew ?? new Int32Array(problem.count));
    this.place = new Int32Array(problem.count);
    this.rivals = rivalsOf(problem);
    this.flexible = problem.modes.flatMap((modes, i) =>
      modes.length > 1 && problem.leader[i] === i && !settings.settled?.has(i) ? [i] : [],
    );
    this.manned = problem.modes.flatMap((modes, i) => {
      let may = 0;
      for (let left = problem.who[i] as number; left !== 0; left &= left - 1) may++;
      return modes.some(({ hands }) => hands > 0 && hands < may) ? [i] : [];
    });
    this.found = {
      cost: NO_SCHEDULE,
      start: new Float64Array(problem.count),
      end: new Float64Array(problem.count),
      crew: new Int32Array(problem.count),
      order: new Int32Array(problem.count),
      modes: new Uint8Array(problem.count),
      wish: new Int32Array(problem.count),
    };
    // People of a plan before are waited for once: in its order they come free when they did then.
    const asBefore = settings.crew ? this.evaluate(this.order, this.modes, true) : NO_SCHEDULE;
    this.now = asBefore <= bound ? asBefore : Math.min(asBefore, this.evaluate(this.order, this.modes));
    if (settings.crew && !this.isOver) this.offer(this.order, this.modes);
    this.justify();
  }

  /** Whether any order had a place for everything. */
  get hasSchedule(): boolean {
    return this.found.cost < NO_SCHEDULE;
  }

  /**
   * Another order to go on from, if it is better; done by whoever suits best where no wish is given, who may be better
   * than those wished for.
   */
  offer(order: ArrayLike<number>, modes: ArrayLike<number>, wish?: ArrayLike<number>): void {
    const wished = this.wish;
    this.wish = Int32Array.from(wish ?? new Int32Array(wished.length));
    const offered = Int32Array.from(order);
    const ways = Uint8Array.from(modes);
    const cost = this.evaluate(offered, ways);
    if (cost < this.now) {
      this.now = cost;
      this.order = offered;
      this.modes = ways;
    } else this.wish = wished;
  }

  get isOver(): boolean {
    return this.found.cost <= this.settings.bound;
  }

  /** Tries so many orders more. */
  run(orders: number): void {
    const until = this.tried + orders;
    const { hot, cold } = this.settings;
    while (this.tried < until && !this.isOver) {
      if (this.tried >= this.heatedAt + this.cycle) {
        // A new heating begins with the best so far, but one in three with what it has: the best may be a blind alley.
        this.heatings += 1;
        if (this.heatings % ELSEWHERE_EVERY) this.goBackToBest();
        this.heatedAt = this.tried;
      }
      const progress = (this.tried - this.heatedAt) / this.cycle;
      const heat =
        hot * (cold / hot) ** progress * Math.max(1, Math.min(Math.abs(this.found.cost), NO_SCHEDULE));
      this.step(heat);
      if (this.tried % JUSTIFIED_EVERY === 0) this.justify();
    }
  }

  private goBackToBest(): void {
    if (!this.hasSchedule) return;
    this.order.set(this.found.order);
    this.modes.set(this.found.modes);
    this.wish.set(this.found.wish);
    this.now = this.found.cost;
  }

  private step(heat: number): void {
    const undo = this.move();
    if (!undo) {
      this.tried++;
      return;
    }
    const cost = this.evaluate(this.order, this.modes);
    if (cost <= this.now || this.random() < Math.exp((this.now - cost) / heat)) this.now = cost;
    else undo();
  }

  private move(): (() => void) | undefined {
    if (this.flexible.length > 0 && this.random() < MODE_MOVES) return this.changeMode();
    if (this.manned.length > 0 && this.random() < CREW_MOVES) return this.changeCrew();
    return this.moveOne();
  }

  /** Wishes other people for one activity, or nobody in particular. */
  private changeCrew(): () => void {
    const one = this.manned[Math.floor(this.random() * this.manned.length)] as number;
    const was = this.wish[one] as number;
    let wish = 0;
    if (this.random() < 0.7) {
      const may = this.problem.who[one] as number;
      const way = this.modes[this.problem.leader[one] as number] as number;
      let { hands } = this.problem.modes[one]?.[way] ?? { hands: 0 };
      for (let turn = 0; hands > 0 && turn < 40; turn++) {
        const bit = 1 << Math.floor(this.random() * this.problem.workers.length);
        if (!(may & bit) || wish & bit) continue;
        wish |= bit;
        hands--;
      }
    }
    this.wish[one] = wish;
    return () => {
      this.wish[one] = was;
    };
  }

  private changeMode(): () => void {
    const one = this.flexible[Math.floor(this.random() * this.flexible.length)] as number;
    const was = this.modes[one] as number;
    const ways = (this.problem.modes[one] as readonly unknown[]).length;
    this.modes[one] = (was + 1 + Math.floor(this.random() * (ways - 1))) % ways;
    return () => {
      this.modes[one] = was;
    };
  }

  /** Moves one activity to another place in the line between what it waits for and what waits for it. */
  private moveOne(): (() => void) | undefined {
    const { order, place, problem } = this;
    for (let i = 0; i < order.length; i++) place[order[i] as number] = i;
    const from = Math.floor(this.random() * order.length);
    const one = order[from] as number;
    let low = 0;
    for (const { to } of problem.before[one] as Compiled['before'][number])
      low = Math.max(low, (place[to] as number) + 1);
    let high = order.length - 1;
    for (const { to } of problem.after[one] as Compiled['after'][number])
      high = Math.min(high, (place[to] as number) - 1);
    if (high <= low) return undefined;
    const target = this.targetFor(one, from, low, high);
    if (target === undefined) return undefined;
    shift(order, from, target);
    return () => shift(order, target, from);
  }

  /** Mostly the place of one that wants the same: else the move may change nothing. */
  private targetFor(one: number, from: number, low: number, high: number): number | undefined {
    const rivals = this.rivals[one] as Int32Array;
    if (rivals.length > 0 && this.random() < RIVAL_MOVES) {
      for (let turn = 0; turn < 4; turn++) {
        const target = this.place[rivals[Math.floor(this.random() * rivals.length)] as number] as number;
        if (target >= low && target <= high) return target;
      }
      return undefined;
    }
    const target = low + Math.floor(this.random() * (high - low));
    return target >= from ? target + 1 : target;
  }

  private evaluate(order: Int32Array, modes: Uint8Array, isStrict = false): number {
    this.tried++;
    const schedule = this.forward.decode(order, modes, this.wish, -Infinity, isStrict);
    const cost = schedule.stuck < 0 ? this.cost(schedule) : NO_SCHEDULE;
    if (schedule.stuck >= 0 && !isStrict) this.stuckAt ??= this.problem.ids[schedule.stuck];
    if (cost < NO_SCHEDULE && cost < this.found.cost) {
      const { found } = this;
      found.cost = cost;
      found.start.set(schedule.start);
      found.end.set(schedule.end);
      found.crew.set(schedule.crew);
      found.order.set(order);
      found.modes.set(modes);
      found.wish.set(this.wish);
    }
    return cost;
  }

  /** Pushes the schedule of the present order late, then early again: often shorter, never longer by much. */
  private justify(): void {
    const schedule = this.forward.decode(this.order, this.modes, this.wish);
    if (schedule.stuck >= 0) return;
    let last = -Infinity;
    for (const end of schedule.end) last = Math.max(last, end);
    const late = this.order.slice().sort((a, b) => (schedule.end[b] as number) - (schedule.end[a] as number));
    if (!isInOrder(late, this.problem.after)) return;
    const mirrored = this.backward.decode(late, this.modes, this.wish, -last);
    if (mirrored.stuck >= 0) return;
    const early = this.order
      .slice()
      .sort((a, b) => (mirrored.end[b] as number) - (mirrored.end[a] as number));
    if (!isInOrder(early, this.problem.before)) return;
    const cost = this.evaluate(early, this.modes);
    if (cost <= this.now) {
      this.now = cost;
      this.order = early;
    }
  }
}

/** Pairs that could stand in each other's way and do not wait for each other by an arc. */
function rivalsOf({ modes, who, gear, before, after, capacity }: Compiled): Int32Array[] {
  const count = modes.length;
  const hands = Int32Array.from(modes, (ways, i) =>
    ways.some((way) => way.hands > 0) ? (who[i] as number) : 0,
  );
  const users = Array.from(capacity, (): number[] => []);
  for (let i = 0; i < count; i++)
    for (const [kind] of gear[i] as Compiled['gear'][number]) users[kind]?.push(i);
  const isRival = new Uint8Array(count);
  return Array.from({ length: count }, (_, a) => {
    const own = hands[a] as number;
    for (let b = 0; b < count; b++) isRival[b] = own & (hands[b] as number) ? 1 : 0;
    for (const [kind] of gear[a] as Compiled['gear'][number])
      for (const b of users[kind] as number[]) isRival[b] = 1;
    isRival[a] = 0;
    for (const { to } of before[a] as Compiled['before'][number]) isRival[to] = 0;
    for (const { to } of after[a] as Compiled['after'][number]) isRival[to] = 0;
    const rivals: number[] = [];
    for (let b = 0; b < count; b++) if (isRival[b]) rivals.push(b);
    return Int32Array.from(rivals);
  });
}

function shift(order: Int32Array, from: number, to: number): void {
  const one = order[from] as number;
  if (from < to) order.copyWithin(from, from + 1, to + 1);
  else order.copyWithin(to + 1, to, from);
  order[to] = one;
}

/** What takes no time may end with what it waits for: then sorting by ends alone may turn the two round. */
function isInOrder(order: Int32Array, before: Compiled['before']): boolean {
  const place = new Int32Array(order.length);
  for (let i = 0; i < order.length; i++) place[order[i] as number] = i;
  return before.every((arcs, i) => arcs.every(({ to }) => (place[to] as number) < (place[i] as number)));
}
