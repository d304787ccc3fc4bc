/** Hair as it is painted, and the material that lets loose hair lag behind the head. */
import { DoubleSide, MeshLambertMaterial, RepeatWrapping, Vector3, type Texture } from 'three';
import { Random } from '../../../core/maths/random';
import { lerp } from '../../../core/maths/scalar';
import type { Hex } from '../../../core/units';
import { css, paintCanvas } from '../canvas';
import { madeSheet, sheetOf, sheetTexture, type Sheet } from '../made-once';

const WIDTH = 1024;
const HEIGHT = 256;

export interface StrandOptions {
  readonly seed: number;
  /** How many strands; fewer let what is below show between them. */
  readonly count?: number;
  /** Paints the ground between the strands; without it the layer is see-through there. */
  readonly ground?: boolean;
  /** How ragged the ends are, share of the length. */
  readonly ragged?: number;
  readonly darkAtRoot?: boolean;
}

/** One strand's colour: most are near the hair's own, some catch the light, which dark hair shows most. */
const tone = (colour: Hex, random: Random, opacity: number): string => {
  const lit = random.next() ** 2.4;
  const k = lerp(0.62, 1.5, random.next() ** 1.6);
  const channel = (from: number): number => {
    const value = parseInt(colour.slice(from, from + 2), 16) * k;
    return Math.min(255, Math.round(lerp(value, 150, 0.3 * lit)));
  };
  return `rgba(${channel(1)},${channel(3)},${Math.round(channel(5) * 0.95)},${opacity})`;
};

const paintStrands = (
  colour: Hex,
  { seed, count = 1900, ground = true, ragged = 0.06, darkAtRoot = true }: StrandOptions,
): Sheet => {
  const { context: g } = paintCanvas(WIDTH, HEIGHT);
  const random = new Random(seed);
  if (ground) {
    const fill = g.createLinearGradient(0, 0, 0, HEIGHT);
    const root = darkAtRoot ? 0.82 : 0.95;
    fill.addColorStop(0, css(colour, [root, root, root]));
    fill.addColorStop(0.3, css(colour, [1.08, 1.06, 1.02]));
    fill.addColorStop(0.86 - ragged, css(colour, [0.86, 0.86, 0.86]));
    fill.addColorStop(0.95, css(colour, [0.86, 0.86, 0.86], 0));
    g.fillStyle = fill;
    g.fillRect(0, 0, WIDTH, HEIGHT);
  }
  // Plain strokes in a few tones: a gradient for each strand would take a second to paint.
  for (let n = 0; n < count; n++) {
    const x = random.next() * WIDTH;
    const start = random.next() ** 2 * HEIGHT * 0.5;
    const stop = HEIGHT * (0.955 + 0.016 * Math.sin(x * 0.1) + random.between(-1.3 * ragged, 0.04));
    const lean = random.between(-8, 8);
    g.strokeStyle = tone(colour, random, random.between(0.25, 0.55));
    g.lineWidth = random.between(0.5, 1.5);
    g.beginPath();
    g.moveTo(x, start);
    g.bezierCurveTo(x + lean, start + HEIGHT * 0.27, x - lean, stop - HEIGHT * 0.24, x + lean * 0.4, stop);
    g.stroke();
  }
  return sheetOf(g);
};

const hairTexture = (sheet: Sheet): Texture => {
  const texture = sheetTexture(sheet);
  texture.wrapS = RepeatWrapping;
  return texture;
};

/** Strands from the pole or parting (top of the sheet) to the ends (bottom), where they fade. */
export const strandTexture = (colour: Hex, options: StrandOptions): Texture =>
  hairTexture(madeSheet(`strands ${colour} ${JSON.stringify(options)}`, () => paintStrands(colour, options)));

/** How far loose hair hangs back, shared by all hair of one performer. */
export interface Lag {
  readonly value: Vector3;
}

/** `loose` is a vertex attribute: 0 sits on the head, 1 swings freely. */
export const hairMaterial = (
  lag: Lag,
  options: {
    map?: Texture;
    colour?: Hex;
    alphaTest?: number;
    blended?: boolean;
    vertexColors?: boolean;
    /** A shell thins out towards its ends over this share of its length. */
    fade?: number;
    /** Open below: what is seen of its inside is drawn before what hangs before it. */
    open?: boolean;
    /** Thin ends hide nothing of what is drawn later. */
    hides?: boolean;
  },
): MeshLambertMaterial => {
  const material = new MeshLambertMaterial({
    ...(options.map ? { map: options.map } : {}),
    ...(options.colour ? { color: options.colour } : {}),
    ...(options.vertexColors ? { vertexColors: true } : {}),
    alphaTest: options.alphaTest ?? 0,
    transparent: options.blended ?? false,
    side: DoubleSide,
    // Both faces in one pass where shells are closed.
    forceSinglePass: options.open !== true,
    depthWrite: options.hides ?? true,
  });
  const { fade = 0 } = options;
  material.onBeforeCompile = (shader) => {
    shader.uniforms.lag = lag;
    // Not in the sheet: where a shell is seen at a slant its smaller copies are shown, in which all of it is mixed, and leave a dark rim.
    if (fade > 0)
      shader.fragmentShader = shader.fragmentShader.replace(
        '#include <map_fragment>',
        `#include <map_fragment>\n\tdiffuseColor.a *= 1.0 - smoothstep( ${(0.97 - fade).toFixed(3)}, 0.97, vMapUv.y );`,
      );
    shader.vertexShader = shader.vertexShader
      .replace('void main() {', 'uniform vec3 lag;\nattribute float loose;\nvoid main() {')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\n\ttransformed += lag * loose;');
  };
  material.customProgramCacheKey = () => `hair ${fade}`;
  return material;
};
