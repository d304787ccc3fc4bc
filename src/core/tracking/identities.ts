/**
 * Who is who from picture to picture. A tracker gives faces, or hands, in any order; one that is where one was is that one, also when two
 * cross, and whoever comes back within a second is who they were.
 */
import { distance, subtract, type Vec3 } from '../maths/vec3';
import type { Metres, Seconds } from '../units';
import type { Pose } from '../maths/pose';

/** Whoever is away longer comes as somebody new. */
const REMEMBERED: Seconds = 1;
/** Heads, and hands before a camera, move no faster than this, in metres a second. */
const FASTEST = 2.5;
/** What the position of one that is still may be off by. */
const LEAST_REACH: Metres = 0.08;

/** What is told apart. */
interface Tracked {
  readonly id: number;
  readonly pose: Pose;
}

interface Known {
  readonly id: number;
  readonly at: Vec3;
  /** Metres a second. */
  readonly going: Vec3;
  readonly seen: Seconds;
}

export class Identities<Thing extends Tracked> {
  private known: readonly Known[] = [];
  private next = 1;

  /** What is in a picture, each with the number of who it is. `time` only goes on. */
  name(things: readonly Thing[], time: Seconds): Thing[] {
    const remembered = this.known.filter((k) => time - k.seen <= REMEMBERED);
    const pairs = remembered
      .flatMap((known) =>
        things.map(({ pose }, i) => ({ known, i, far: distance(expectedAt(known, time), pose.position) })),
      )
      .filter(({ known, far }) => far <= LEAST_REACH + FASTEST * (time - known.seen))
      .sort((a, b) => a.far - b.far);
    const named = new Map<number, Known>();
    for (const { known, i } of pairs)
      if (!named.has(i) && ![...named.values()].includes(known)) named.set(i, known);
    const now = things.map(({ pose }, i): Known => {
      const before = named.get(i);
      const at = pose.position;
      const passed = before ? time - before.seen : 0;
      const going: Vec3 =
        before && passed > 0
          ? (subtract(at, before.at).map((d) => d / passed) as unknown as Vec3)
          : (before?.going ?? [0, 0, 0]);
      return { id: before?.id ?? this.next++, at, going, seen: time };
    });
    const here = new Set(now.map((k) => k.id));
    this.known = [...now, ...remembered.filter((k) => !here.has(k.id))];
    return things.map((thing, i) => ({ ...thing, id: now[i]!.id }));
  }
}

/** Where one is likely to be now: for a fifth of a second it goes on as it went. */
const expectedAt = ({ at, going, seen }: Known, time: Seconds): Vec3 => {
  const t = Math.min(0.2, time - seen);
  return [at[0] + going[0] * t, at[1] + going[1] * t, at[2] + going[2] * t];
};
