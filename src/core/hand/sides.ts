/**
 * Left or right, from picture to picture. A tracker takes an open palm for the back of the other hand now and then, and a hand that is taken for
 * the other one is turned round; so what it has said of a hand before counts too.
 */
import { clamp } from '../maths/scalar';
import type { TrackedHand } from '../tracking/track-frame';
import type { Unit } from '../units';

type Side = TrackedHand['side'];

/** What a tracker says of one hand: where its wrist is, in fractions of the picture, and how sure it is of the side. */
export interface SideSeen {
  readonly x: Unit;
  readonly y: Unit;
  readonly side: Side;
  readonly score: Unit;
}

interface Known {
  readonly x: number;
  readonly y: number;
  /** Above 0 it is a right hand. */
  readonly votes: number;
}

/** From one picture to the next a wrist goes no farther than this share of it. */
const REACH = 0.2;
/** What was said before fades by so much a picture, and never counts for more than so many pictures. */
const KEPT = 0.9;
const MOST = 5;

export class HandSides {
  private known: readonly Known[] = [];

  /** The side of each hand of a picture. Hands that were not in the last picture begin anew. */
  decide(seen: readonly SideSeen[]): Side[] {
    const free = new Set(this.known);
    this.known = seen.map(({ x, y, side, score }): Known => {
      const [before] = [...free]
        .map((known) => ({ known, far: Math.hypot(known.x - x, known.y - y) }))
        .filter(({ far }) => far < REACH)
        .sort((a, b) => a.far - b.far);
      if (before) free.delete(before.known);
      const vote = side === 'right' ? score : -score;
      return { x, y, votes: clamp((before?.known.votes ?? 0) * KEPT + vote, -MOST, MOST) };
    });
    return this.known.map(({ votes }, i) => (votes === 0 ? seen[i]!.side : votes > 0 ? 'right' : 'left'));
  }
}
