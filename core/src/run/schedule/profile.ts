/** How much of one resource is taken up over time: a step function, added to and asked where something still fits. */
export class Profile {
  /** From times[i] on, used[i] is taken up; before the first nothing is. */
  private readonly times: number[] = [0];
  private readonly used: number[] = [0];

  constructor(private readonly capacity: number) {}

  /** Takes up `amount` from `start` to `end`; a negative amount gives it back. */
  take(start: number, end: number, amount: number): void {
    if (end <= start) return;
    const first = this.cut(start);
    const last = this.cut(end);
    for (let i = first; i < last; i++) this.used[i] = (this.used[i] as number) + amount;
    // Steps that have become level are one: the list stays as long as what is taken up.
    this.join(last);
    this.join(first);
  }

  private join(at: number): void {
    if (at === 0 || this.used[at] !== this.used[at - 1]) return;
    this.times.splice(at, 1);
    this.used.splice(at, 1);
  }

  /** The first second from `from` on at which `amount` is free for `duration`. */
  fits(from: number, duration: number, amount: number): number {
    const { times, used } = this;
    const most = this.capacity - amount;
    let start = from;
    for (let i = this.step(from); i < times.length; i++) {
      if ((times[i] as number) >= start + duration && start + duration > start) break;
      if ((used[i] as number) > most) start = times[i + 1] ?? Number.POSITIVE_INFINITY;
    }
    return start;
  }

  /** Which step a time falls into: bisection. */
  private step(time: number): number {
    let low = 0;
    let high = this.times.length;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((this.times[middle] as number) <= time) low = middle;
      else high = middle;
    }
    return low;
  }

  private cut(time: number): number {
    const at = this.step(time);
    if (this.times[at] === time) return at;
    this.times.splice(at + 1, 0, time);
    this.used.splice(at + 1, 0, this.used[at] as number);
    return at + 1;
  }
}
