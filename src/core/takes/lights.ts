/** The lights of takes. Directions point towards the light; the camera looks along -Z. */
import type { Rgb } from '../maths/blend';
import { lerp, smoothstep } from '../maths/scalar';
import { hexOfLight, linearOf, rgbOf } from '../maths/srgb';
import { normalise, type Vec3 } from '../maths/vec3';
import type { Hex } from '../units';
import { valueAt, curve } from './curve';
import type { SceneLight } from './scene';

export interface LightPreset {
  readonly id: string;
  readonly name: string;
  /** At a share of the take, 0 to 1. */
  at(share: number): SceneLight;
}

const still = (id: string, name: string, light: SceneLight): LightPreset => ({ id, name, at: () => light });

const window: SceneLight = {
  key: { direction: normalise([-0.7, 0.75, 1.1]), colour: '#fff0dc', strength: 2.1 },
  fill: { direction: normalise([0.9, 0.1, 0.9]), colour: '#d5e2ff', strength: 0.5 },
  edge: { direction: normalise([0.5, 0.5, -0.8]), colour: '#ffffff', strength: 0.35 },
  sky: '#fff8ef',
  ground: '#b08d78',
  ambient: 1.4,
  background: 1,
};

const dim = (flicker: number): SceneLight => ({
  key: { direction: normalise([0.9, 0.15, 0.7]), colour: '#ffb978', strength: 1.25 * flicker },
  fill: { direction: normalise([-0.8, 0.3, 0.6]), colour: '#5f7fb0', strength: 0.16 },
  edge: { direction: normalise([-0.6, 0.4, -0.9]), colour: '#86a5d8', strength: 0.25 },
  sky: '#6f7486',
  ground: '#4a3a30',
  ambient: 0.62,
  background: 0.42 * flicker,
});
/** A lamp without a shade, from above and to one side. */
const hard: SceneLight = {
  key: { direction: normalise([-0.8, 0.9, 0.8]), colour: '#fff6ea', strength: 3.6 },
  fill: { direction: normalise([0.8, 0.1, 0.8]), colour: '#dfe8ff', strength: 0.12 },
  edge: { direction: normalise([0.6, 0.4, -0.9]), colour: '#ffffff', strength: 0.5 },
  sky: '#e8ecf2',
  ground: '#6f6258',
  ambient: 0.5,
  background: 0.8,
};
/** Two coloured lamps, one from each side. */
const coloured: SceneLight = {
  key: { direction: normalise([-1, 0.3, 0.7]), colour: '#ff4fa0', strength: 2.6 },
  fill: { direction: normalise([1, 0.2, 0.6]), colour: '#35c8ff', strength: 2.2 },
  edge: { direction: normalise([0.2, 0.8, -0.9]), colour: '#8f7bff', strength: 0.8 },
  sky: '#7a74a8',
  ground: '#4a3f55',
  ambient: 0.7,
  background: 0.55,
};

const mixedColour = (a: Hex, b: Hex, t: number): Hex => {
  const [from, to] = [linearOf(rgbOf(a)), linearOf(rgbOf(b))];
  return hexOfLight([0, 1, 2].map((k) => lerp(from[k]!, to[k]!, t)) as unknown as Rgb);
};
/** From one light to another, as lamps are turned down and up. */
const mixedLight = (a: SceneLight, b: SceneLight, t: number): SceneLight => {
  const lamp = (from: SceneLight['key'], to: SceneLight['key']): SceneLight['key'] => ({
    direction: normalise(
      [0, 1, 2].map((k) => lerp(from.direction[k]!, to.direction[k]!, t)) as unknown as Vec3,
    ),
    colour: mixedColour(from.colour, to.colour, t),
    strength: lerp(from.strength, to.strength, t),
  });
  return {
    key: lamp(a.key, b.key),
    fill: lamp(a.fill, b.fill),
    edge: lamp(a.edge, b.edge),
    sky: mixedColour(a.sky, b.sky, t),
    ground: mixedColour(a.ground, b.ground, t),
    ambient: lerp(a.ambient, b.ambient, t),
    background: lerp(a.background, b.background, t),
  };
};
/** The lights a look has to stand in, a quarter each; a change takes a twentieth. */
const IN_TURN = [window, dim(1), hard, coloured] as const;
const inTurn = (share: number): SceneLight => {
  const place = (share - Math.floor(share)) * IN_TURN.length;
  const now = Math.min(IN_TURN.length - 1, Math.floor(place));
  const next = IN_TURN[(now + 1) % IN_TURN.length]!;
  const t = smoothstep(0.8, 1, place - now);
  return t === 0 ? IN_TURN[now]! : mixedLight(IN_TURN[now]!, next, t);
};

export const LIGHTS: readonly LightPreset[] = [
  still('window', 'Soft window light', window),
  still('studio', 'Studio, two soft boxes', {
    key: { direction: normalise([-0.45, 0.5, 1]), colour: '#ffffff', strength: 1.7 },
    fill: { direction: normalise([0.6, 0.3, 1]), colour: '#fff6ec', strength: 1.05 },
    edge: { direction: normalise([0.2, 0.9, -1]), colour: '#f2f6ff', strength: 0.6 },
    sky: '#ffffff',
    ground: '#c9bdb2',
    ambient: 1.35,
    background: 1.12,
  }),
  {
    id: 'dim',
    name: 'Dim room, one lamp',
    // The lamp flickers a little, as old ones do.
    at: (share) => {
      const flicker = valueAt(curve('0:1 0.12:0.92 0.2:1 0.45:0.96 0.52:0.84 0.58:1 0.8:0.94 1:1'), share);
      return dim(flicker);
    },
  },
  still('low-sun', 'Low sun from the side', {
    key: { direction: normalise([1, 0.22, 0.35]), colour: '#ffc07a', strength: 3.4 },
    fill: { direction: normalise([-0.8, 0.4, 0.7]), colour: '#9fc0ee', strength: 0.55 },
    edge: { direction: normalise([0.6, 0.35, -0.9]), colour: '#ffd59a', strength: 1.4 },
    sky: '#cfe0f5',
    ground: '#a98a6c',
    ambient: 0.85,
    background: 1,
  }),
  still('overcast', 'Overcast sky', {
    key: { direction: normalise([0.1, 1, 0.6]), colour: '#eef4ff', strength: 1.2 },
    fill: { direction: normalise([0, 0.2, 1]), colour: '#f2f4f6', strength: 0.5 },
    edge: { direction: normalise([0, 0.6, -1]), colour: '#e8f0ff', strength: 0.3 },
    sky: '#f4f8ff',
    ground: '#8f8a80',
    ambient: 1.7,
    background: 1,
  }),
  still('hard-lamp', 'Hard lamp', hard),
  still('two-colours', 'Two coloured lamps', coloured),
  { id: 'in-turn', name: 'Soft, dim, hard and coloured in turn', at: inTurn },
];

/** A shipped light. Throws where there is none of this id. */
export const lightOf = (id: string): LightPreset => {
  const found = LIGHTS.find((l) => l.id === id);
  if (!found) throw new Error(`There is no light ${id}.`);
  return found;
};
