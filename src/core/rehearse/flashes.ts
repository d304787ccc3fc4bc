/**
 * Flashing that can harm: WCAG 2.2, success criterion 2.3.1. A general flash is a pair of opposing changes of relative luminance by a tenth or more, where
 * the darker one is below 0.8; more than three within a second over a quarter of the picture are not allowed.
 */
import type { Raster } from '../assets/raster';
import type { Seconds } from '../units';
import { luminancesOf } from './luminances';

const CHANGE = 0.1;
const DARKER = 0.8;
/** Of the picture. */
const AREA = 0.25;
/** Flashes within a second that are allowed. */
export const MOST_FLASHES = 3;
/** Parts of the picture that do not change at the very same moment count together within this. */
const TOGETHER = 0.1;

interface Cell {
  /** The last extreme, and the newest value since. */
  low: number;
  high: number;
  /** 1 rose last, -1 fell last. */
  last: -1 | 0 | 1;
}
interface Turn {
  readonly time: Seconds;
  readonly way: -1 | 1;
}

/** Watches pictures one after the other; all of one size. */
export class FlashWatch {
  private cells: Cell[] = [];
  /** When each way was gone by how many cells, newest last. */
  private readonly recent: { time: Seconds; up: number; down: number }[] = [];
  private readonly turns: Turn[] = [];

  /** RGBA, row by row. Times rise. */
  see(time: Seconds, picture: Raster): void {
    const lights = luminancesOf(picture);
    const count = lights.length;
    let [up, down] = [0, 0];
    for (let i = 0; i < count; i++) {
      const now = lights[i]!;
      const cell = (this.cells[i] ??= { low: now, high: now, last: 0 });
      cell.low = Math.min(cell.low, now);
      cell.high = Math.max(cell.high, now);
      if (cell.last !== 1 && now - cell.low >= CHANGE && cell.low < DARKER) {
        up++;
        Object.assign(cell, { last: 1, low: now, high: now });
      } else if (cell.last !== -1 && cell.high - now >= CHANGE && now < DARKER) {
        down++;
        Object.assign(cell, { last: -1, low: now, high: now });
      }
    }
    this.recent.push({ time, up, down });
    while (this.recent[0]!.time < time - TOGETHER) this.recent.shift();
    for (const [way, key] of [
      [1, 'up'],
      [-1, 'down'],
    ] as const) {
      const gone = this.recent.reduce((sum, r) => sum + r[key], 0);
      if (gone < AREA * count || this.turns.at(-1)?.way === way) continue;
      this.turns.push({ time, way });
      for (const r of this.recent) r[key] = 0;
    }
  }

  /** The second with most flashes: how many, and when it begins. */
  worst(): { readonly flashes: number; readonly from: Seconds } {
    let worst = { flashes: 0, from: 0 };
    this.turns.forEach(({ time }, i) => {
      let n = 0;
      while (i + n < this.turns.length && this.turns[i + n]!.time < time + 1) n++;
      const flashes = Math.floor(n / 2);
      if (flashes > worst.flashes) worst = { flashes, from: time };
    });
    return worst;
  }
}
