/** A ball that is thrown: it falls, and bounces off a floor, a ball and a box. Metres, seconds. */
import { add, dot, normalise, scale, subtract, length, type Vec3 } from './vec3';
import type { Metres, Seconds } from '../units';

export interface Body {
  readonly at: Vec3;
  /** A second. */
  readonly speed: Vec3;
}
export interface BodyWorld {
  readonly radius: Metres;
  /** Downwards, in metres a second, a second. */
  readonly gravity: number;
  /** Height of what it falls onto; null for nothing. */
  readonly floor: Metres | null;
  /** 0 stays where it hits, 1 loses nothing. */
  readonly bounce: number;
  readonly ball: { readonly centre: Vec3; readonly radius: Metres } | null;
  /** Along the axes of the world. */
  readonly box: { readonly centre: Vec3; readonly half: Vec3 } | null;
}

/** Where it touches something: the way out of it, and how deep it is in. */
interface Contact {
  readonly normal: Vec3;
  readonly depth: Metres;
}

const floorContact = ({ at }: Body, { floor, radius }: BodyWorld): Contact | null =>
  floor !== null && at[1] - radius < floor ? { normal: [0, 1, 0], depth: floor - (at[1] - radius) } : null;

const ballContact = ({ at }: Body, { ball, radius }: BodyWorld): Contact | null => {
  if (!ball || ball.radius <= 0) return null;
  const away = subtract(at, ball.centre);
  const depth = ball.radius + radius - length(away);
  if (depth <= 0) return null;
  return { normal: length(away) < 1e-9 ? [0, 1, 0] : normalise(away), depth };
};

const boxContact = ({ at }: Body, { box, radius }: BodyWorld): Contact | null => {
  if (!box || box.half.some((half) => half <= 0)) return null;
  const from = subtract(at, box.centre);
  const nearest = from.map((x, k) => Math.min(box.half[k]!, Math.max(-box.half[k]!, x))) as unknown as Vec3;
  const away = subtract(from, nearest);
  const far = length(away);
  if (far > 1e-9) return far < radius ? { normal: normalise(away), depth: radius - far } : null;
  // Its middle is within: out by the nearest side.
  const out = from.map((x, k) => box.half[k]! - Math.abs(x));
  const axis = out.indexOf(Math.min(...out));
  const normal = [0, 1, 2].map((k) => (k === axis ? (from[k]! < 0 ? -1 : 1) : 0)) as unknown as Vec3;
  return { normal, depth: out[axis]! + radius };
};

/** What it hits thrown back; what would hardly leave again rests. */
const thrownBack = (
  { at, speed }: Body,
  { normal, depth }: Contact,
  { bounce, gravity }: BodyWorld,
  dt: Seconds,
): Body => {
  const into = dot(speed, normal);
  const out = add(at, scale(normal, depth));
  if (into >= 0) return { at: out, speed };
  const back = -into * bounce < Math.abs(gravity) * dt * 2 ? 0 : bounce;
  return { at: out, speed: subtract(speed, scale(normal, into * (1 + back))) };
};

/** Steps of a ball within one of an effect, so that fast ones do not pass through thin things. */
const PARTS = 4;

/**
 * The ball one step later, and whether it hit something that it was not resting on. Semi-implicit Euler in parts; contacts by projection (Baraff,
 * "Physically Based Modeling", 1997).
 */
export const thrown = (
  body: Body,
  world: BodyWorld,
  step: Seconds,
): { readonly body: Body; readonly hits: boolean } => {
  const dt = step / PARTS;
  let now = body;
  let hits = false;
  for (let part = 0; part < PARTS; part++) {
    const speed = add(now.speed, [0, -world.gravity * dt, 0]);
    now = { at: add(now.at, scale(speed, dt)), speed };
    for (const find of [floorContact, ballContact, boxContact]) {
      const contact = find(now, world);
      if (!contact) continue;
      const back = thrownBack(now, contact, world, dt);
      if (dot(now.speed, contact.normal) < -Math.abs(world.gravity) * dt * 2) hits = true;
      now = back;
    }
  }
  return { body: now, hits };
};
