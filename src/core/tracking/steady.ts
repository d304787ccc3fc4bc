/**
 * Faces, or hands, from picture to picture: smoothed so that what sticks to them does not tremble, and faded in and out, so that one that is lost for
 * a moment does not make it flicker.
 */
import { normaliseQuaternion, type Quaternion } from '../maths/quaternion';
import type { Vec3 } from '../maths/vec3';
import type { Pose } from '../maths/pose';
import type { Seconds, Unit } from '../units';
import { OneEuro } from './one-euro';
import type { Expressions } from './track-frame';
import type { ExpressionName } from './expression-names';

/** What is made steady. */
export interface Unsteady {
  readonly id: number;
  readonly pose: Pose;
  readonly landmarks: Float32Array;
  readonly expressions?: Expressions;
  readonly fade?: Unit;
}

/** One that is lost stays as it was for so long, fading; one that is found comes in so long. */
const GOES: Seconds = 0.25;
const COMES: Seconds = 0.12;
/** After a longer gap the past says nothing of now. */
const FORGOTTEN: Seconds = 0.5;

/** Metres, and metres a second. */
const PLACE = { still: 2.2, rise: 40 };
/** Turns as quaternions: a unit is two radians. */
const TURN = { still: 2.2, rise: 14 };
/** In the space of the face or the hand, metres. */
const POINTS = { still: 2.6, rise: 120 };
/** From 0 to 1: a blink takes a tenth of a second. */
const EXPRESSION = { still: 3, rise: 4 };

interface Followed<Thing> {
  readonly place: OneEuro;
  readonly turn: OneEuro;
  readonly points: OneEuro;
  readonly expressions: OneEuro;
  /** How far it has faded in. */
  shown: Unit;
  seen: Seconds;
  rotation: Quaternion;
  last: Thing;
}

export class Steady<Thing extends Unsteady> {
  private readonly followed = new Map<number, Followed<Thing>>();
  private time: Seconds | null = null;

  /**
   * What was seen at a time, made steady; with it what was lost a moment ago. Each carries how far it has faded in or out. A time that is no later
   * than the last, or much later, begins anew.
   */
  next(things: readonly Thing[], time: Seconds): Thing[] {
    const passed = this.time === null ? 0 : time - this.time;
    const begins = !(passed > 0) || passed > FORGOTTEN;
    if (begins) this.followed.clear();
    this.time = time;
    // At the beginning everybody is simply there.
    const seen = things.map((thing) => this.follow(thing, time, begins ? 1 : passed / COMES));
    const ids = new Set(things.map(({ id }) => id));
    const going: Thing[] = [];
    for (const [id, one] of this.followed) {
      if (ids.has(id)) continue;
      one.shown -= passed / GOES;
      if (one.shown <= 0) this.followed.delete(id);
      else going.push({ ...one.last, fade: one.shown });
    }
    return [...seen, ...going];
  }

  private follow(thing: Thing, time: Seconds, comes: Unit, known = this.followed.get(thing.id)): Thing {
    const one: Followed<Thing> = known ?? {
      place: new OneEuro(3, PLACE),
      turn: new OneEuro(4, TURN),
      points: new OneEuro(3, POINTS),
      expressions: new OneEuro(1, EXPRESSION),
      shown: 0,
      seen: time,
      rotation: thing.pose.rotation,
      last: thing,
    };
    this.followed.set(thing.id, one);
    const since = time - one.seen;
    one.seen = time;
    const names = Object.keys(thing.expressions ?? {}) as ExpressionName[];
    const values = one.expressions.filter(
      names.map((name) => thing.expressions![name]!),
      since,
    );
    const position = one.place.filter(thing.pose.position, since) as unknown as Vec3;
    one.rotation = this.turned(one, thing.pose.rotation, since);
    one.shown = Math.min(1, one.shown + comes);
    const { fade: _, ...same } = thing;
    one.last = {
      ...same,
      pose: { position: [position[0], position[1], position[2]], rotation: one.rotation },
      landmarks: Float32Array.from(one.points.filter(thing.landmarks, since)),
      ...(thing.expressions
        ? { expressions: Object.fromEntries(names.map((name, i) => [name, values[i]!])) }
        : {}),
      ...(one.shown < 1 ? { fade: one.shown } : {}),
    } as unknown as Thing;
    return one.last;
  }

  /** Two quaternions are one turn: the nearer one is gone on with. */
  private turned({ turn, rotation: before }: Followed<Thing>, next: Quaternion, since: Seconds): Quaternion {
    const dot = before.reduce((sum, v, i) => sum + v * next[i]!, 0);
    const near = dot < 0 ? next.map((v) => -v) : next;
    const [x, y, z, w] = turn.filter(near, since);
    return normaliseQuaternion([x!, y!, z!, w!]);
  }
}
