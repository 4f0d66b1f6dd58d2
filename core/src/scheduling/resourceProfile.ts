import { floatAt } from "../itemAt.ts";
/** How much of one resource is taken up over time: a step function, added to and asked where something still fits. */
export class ResourceProfile {
  /** From times[i] on, used[i] is taken up; before the first nothing is. Typed and moved in place: this is the innermost loop. */
  private times = new Float64Array(32);
  private used = new Int32Array(32);
  private size = 1;

  constructor(private readonly capacity: number) {}

  /** Takes up `amount` from `start` to `end`; a negative amount gives it back. */
  take(start: number, end: number, amount: number): void {
    if (end <= start) return;
    const first = this.cut(start);
    const last = this.cut(end);
    const { used } = this;
    for (let i = first; i < last; i++) used[i] = (used[i] ?? 0) + amount;
    // Steps that have become level are one: the list stays as long as what is taken up.
    this.join(last);
    this.join(first);
  }

  private join(at: number): void {
    if (at === 0 || this.used[at] !== this.used[at - 1]) return;
    this.times.copyWithin(at, at + 1, this.size);
    this.used.copyWithin(at, at + 1, this.size);
    this.size--;
  }

  /** The first second from `from` on at which `amount` is free for `duration`. */
  earliestFit(from: number, duration: number, amount: number): number {
    const { times, used, size } = this;
    const most = this.capacity - amount;
    let start = from;
    for (let i = this.step(from); i < size; i++) {
      if (floatAt(times, i) >= start + duration && start + duration > start) break;
      if ((used[i] ?? 0) > most) start = i + 1 < size ? floatAt(times, i + 1) : Number.POSITIVE_INFINITY;
    }
    return start;
  }

  /** Which step a time falls into: bisection. */
  private step(time: number): number {
    const { times } = this;
    let low = 0;
    let high = this.size;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (floatAt(times, middle) <= time) low = middle;
      else high = middle;
    }
    return low;
  }

  private cut(time: number): number {
    const at = this.step(time);
    if (this.times[at] === time) return at;
    if (this.size === this.times.length) this.grow();
    this.times.copyWithin(at + 2, at + 1, this.size);
    this.used.copyWithin(at + 2, at + 1, this.size);
    this.times[at + 1] = time;
    this.used[at + 1] = this.used[at] ?? 0;
    this.size++;
    return at + 1;
  }

  private grow(): void {
    const { times, used } = this;
    this.times = new Float64Array(2 * times.length);
    this.used = new Int32Array(2 * used.length);
    this.times.set(times);
    this.used.set(used);
  }
}
