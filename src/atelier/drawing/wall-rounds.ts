/**
 * When the tiles of a wall are drawn: in rounds. All tiles of a round show the same moment, each with the newest state of the effect. As many are drawn one after
 * the other as fit between two frames of the page; on a slow machine they take turns, and the page goes on answering.
 */
import { sentence } from '../../core/errors';
import type { Milliseconds, Seconds } from '../../core/units';
import { nextFace } from './use-face-row';

/** So long may tiles be drawn before the page has its turn. */
const BUDGET: Milliseconds = 12;

export interface WallHands {
  /** Draws a tile as everything is now, at a moment. */
  draw(tile: number, moment: Seconds): Promise<void>;
  /** Where the take on the strip is. */
  moment(): Seconds;
  /** Gives the page its turn. */
  pause(): Promise<void>;
  now(): Milliseconds;
  /** A whole round has been drawn, and took so long. */
  onRound(took: Milliseconds): void;
  /** A tile has been drawn; or could not be, and why. */
  onTile(tile: number, trouble: string | null): void;
}

export class WallRounds {
  private newest = 0;
  private shows: number[] = [];
  private last = -1;
  /** Tiles of this round that are still to be drawn. */
  private left = 0;
  private isGoing = false;
  private isOver = false;

  constructor(private readonly hands: WallHands) {}

  /** Something has changed: every one of so many tiles is to be drawn anew. */
  wake(tiles: number): void {
    this.newest++;
    if (this.shows.length !== tiles) {
      this.shows = Array.from({ length: tiles }, () => 0);
      this.last = -1;
      this.left = 0;
    }
    void this.go();
  }

  /** For good; what is being drawn is drawn to its end. */
  stop(): void {
    this.isOver = true;
  }

  private async go(): Promise<void> {
    if (this.isGoing) return;
    this.isGoing = true;
    const { hands } = this;
    let [moment, state, began] = [0, 0, 0];
    let due = hands.now() + BUDGET;
    try {
      while (!this.isOver) {
        const tile = nextFace(this.shows, this.newest, this.last);
        if (tile < 0) return;
        if (this.left === 0) {
          this.left = this.shows.length;
          [moment, state, began] = [hands.moment(), this.newest, hands.now()];
        }
        // What changes in the midst of a round may be the moment: it is drawn once more in the next one.
        this.shows[tile] = state;
        this.last = tile;
        this.left--;
        // A tile that cannot be drawn keeps its last picture, and is tried again when something changes.
        const trouble = await hands.draw(tile, moment).then(() => null, sentence);
        if (this.isOver) return;
        hands.onTile(tile, trouble);
        if (this.left === 0) hands.onRound(hands.now() - began);
        if (hands.now() < due) continue;
        await hands.pause();
        due = hands.now() + BUDGET;
      }
    } finally {
      this.isGoing = false;
    }
  }
}
