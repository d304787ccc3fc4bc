/**
 * Seeded random numbers: the same seed gives the same sequence everywhere.
 * Mulberry32 (Tommy Ettinger, public domain): 32 bits of state, so it is saved as one number.
 */
export class Random {
  constructor(private state: number) {
    this.state = state | 0;
  }

  /** The next number, 0 <= x < 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** The next number, low <= x < high. */
  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }

  /** The next number of a normal distribution about 0 with deviation 1 (Box and Muller 1958). */
  normal(): number {
    const radius = Math.sqrt(-2 * Math.log(1 - this.next()));
    return radius * Math.cos(2 * Math.PI * this.next());
  }

  save(): number {
    return this.state;
  }

  static restore(state: number): Random {
    return new Random(state);
  }
}
