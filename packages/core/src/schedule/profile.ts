type Gear = readonly (readonly [kind: number, amount: number])[];

/** How much of one kind of counted gear is taken, as a step function over time. */
class Steps {
  readonly capacity: number;
  /** Step `i` lasts from `times[i]` to `times[i + 1]`; the last for ever. */
  private readonly times: Float64Array;
  private readonly taken: Int32Array;
  private count = 1;

  constructor(capacity: number, most: number) {
    this.capacity = capacity;
    this.times = new Float64Array(most + 2);
    this.taken = new Int32Array(most + 2);
    this.clear();
  }

  clear(): void {
    this.count = 1;
    this.times[0] = -Infinity;
    this.taken[0] = 0;
  }

  /** The last step that begins by then; most questions are about late ones. */
  private stepAt(at: number): number {
    let step = this.count - 1;
    while ((this.times[step] as number) > at) step--;
    return step;
  }

  fit(at: number, minutes: number, amount: number): number {
    const { times, taken, count } = this;
    const most = this.capacity - amount;
    let start = at;
    let step = this.stepAt(at);
    for (let i = step; i < count && (i === step || (times[i] as number) < start + minutes); i++) {
      if ((taken[i] as number) <= most) continue;
      if (i + 1 >= count) return Infinity;
      step = i + 1;
      start = times[step] as number;
    }
    return start;
  }

  take(from: number, to: number, amount: number): void {
    const first = this.split(from);
    const last = to === Infinity ? this.count : this.split(to);
    for (let i = first; i < last; i++) this.taken[i] = (this.taken[i] as number) + amount;
  }

  /** The step that begins just then, made if need be. */
  private split(at: number): number {
    const step = this.stepAt(at);
    if (this.times[step] === at) return step;
    for (let i = this.count; i > step + 1; i--) {
      this.times[i] = this.times[i - 1] as number;
      this.taken[i] = this.taken[i - 1] as number;
    }
    this.times[step + 1] = at;
    this.taken[step + 1] = this.taken[step] as number;
    this.count += 1;
    return step + 1;
  }

  lastOverfull(from: number, to: number): number {
    let last = -Infinity;
    for (let i = this.stepAt(from); i < this.count && (this.times[i] as number) < to; i++)
      if ((this.taken[i] as number) > this.capacity)
        last = i + 1 < this.count ? (this.times[i + 1] as number) : Infinity;
    return last;
  }
}

/** How much of each kind of counted gear is taken over time. */
export class Profile {
  private readonly kinds: readonly Steps[];

  /** @param most how many changes a kind is to hold at most */
  constructor(capacity: Int32Array, most: number) {
    this.kinds = Array.from(capacity, (one) => new Steps(one, most));
  }

  clear(): void {
    for (const steps of this.kinds) steps.clear();
  }

  /** First moment from `at` on from which all of `gear` is free for so many minutes; Infinity if never. */
  fit(at: number, minutes: number, gear: Gear): number {
    let start = at;
    let agreed = 0;
    for (let i = 0; agreed < gear.length; i = (i + 1) % gear.length) {
      const [kind, amount] = gear[i] as Gear[number];
      const found = (this.kinds[kind] as Steps).fit(start, minutes, amount);
      if (found === Infinity) return Infinity;
      agreed = found === start ? agreed + 1 : 1;
      start = found;
    }
    return start;
  }

  /** Takes `sign` times `gear` over `[from, to)`. */
  take(from: number, to: number, gear: Gear, sign = 1): void {
    if (from >= to) return;
    for (let i = 0; i < gear.length; i++) {
      const [kind, amount] = gear[i] as Gear[number];
      (this.kinds[kind] as Steps).take(from, to, sign * amount);
    }
  }

  /** The moment from which on no more is taken than there is, of what was too much within `[from, to)`. */
  lastOverfull(from: number, to: number): number {
    return this.kinds.reduce((last, steps) => Math.max(last, steps.lastOverfull(from, to)), -Infinity);
  }
}
