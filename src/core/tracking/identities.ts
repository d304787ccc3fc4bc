/**
 * Who is who from picture to picture. A tracker gives faces in any order; a face that stands where one stood is that one, also when two
 * cross, and whoever comes back within a second is who they were.
 */
import { distance, subtract, type Vec3 } from '../maths/vec3';
import type { Metres, Seconds } from '../units';
import type { TrackedFace } from './track-frame';

/** Whoever is away longer comes as somebody new. */
const REMEMBERED: Seconds = 1;
/** A head moves no faster than this. */
const FASTEST = 2.5;
/** What a still head's position may be off by. */
const LEAST_REACH: Metres = 0.08;

interface Known {
  readonly id: number;
  readonly at: Vec3;
  /** Metres a second. */
  readonly going: Vec3;
  readonly seen: Seconds;
}

export class Identities {
  private known: readonly Known[] = [];
  private next = 1;

  /** The faces of a picture, each with the number of who it is. `time` only goes on. */
  name(faces: readonly TrackedFace[], time: Seconds): TrackedFace[] {
    const remembered = this.known.filter((k) => time - k.seen <= REMEMBERED);
    const pairs = remembered
      .flatMap((known) =>
        faces.map((face, i) => ({ known, i, far: distance(expectedAt(known, time), face.pose.position) })),
      )
      .filter(({ known, far }) => far <= LEAST_REACH + FASTEST * (time - known.seen))
      .sort((a, b) => a.far - b.far);
    const named = new Map<number, Known>();
    for (const { known, i } of pairs)
      if (!named.has(i) && ![...named.values()].includes(known)) named.set(i, known);
    const now = faces.map((face, i): Known => {
      const before = named.get(i);
      const at = face.pose.position;
      const passed = before ? time - before.seen : 0;
      const going: Vec3 =
        before && passed > 0
          ? (subtract(at, before.at).map((d) => d / passed) as unknown as Vec3)
          : (before?.going ?? [0, 0, 0]);
      return { id: before?.id ?? this.next++, at, going, seen: time };
    });
    const here = new Set(now.map((k) => k.id));
    this.known = [...now, ...remembered.filter((k) => !here.has(k.id))];
    return faces.map((face, i) => ({ ...face, landmarks: face.landmarks, id: now[i]!.id }));
  }
}

/** Where somebody is likely to be now: for a fifth of a second they go on as they went. */
const expectedAt = ({ at, going, seen }: Known, time: Seconds): Vec3 => {
  const t = Math.min(0.2, time - seen);
  return [at[0] + going[0] * t, at[1] + going[1] * t, at[2] + going[2] * t];
};
