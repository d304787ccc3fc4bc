/** A fountain: its particles as squares that face the camera, all drawn at once. */
import {
  DynamicDrawUsage,
  Group,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  Mesh,
  type ShaderMaterial,
} from 'three';
import { frameAt } from '../../../core/assets/frames/sheets';
import { lifeTable, LIFE_STEPS, type LifeTable } from '../../../core/fountain/over-life';
import type { Fountain } from '../../../core/document/schema';
import { pcg3d } from '../../../core/maths/hash';
import { createCardMaterial, seesBeneath, styleCardMaterial } from '../card-material';
import { BLEND_GLSL } from '../blend-shader';
import { flatGeometry, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

const VERTEX = /* glsl */ `
  attribute vec3 at; // world or screen space
  attribute vec4 look; // size, opacity, angle in turns, frame
  attribute vec3 shade; // sRGB
  uniform vec4 frames[64];
  varying vec2 vUv;
  varying vec2 vIn;
  varying vec4 vShade;
  void main() {
    float a = 6.2831853 * look.z;
    vec2 corner = mat2(cos(a), sin(a), -sin(a), cos(a)) * position.xy * look.x;
    vec4 seen = viewMatrix * vec4(at, 1.0);
    seen.xy += corner;
    gl_Position = projectionMatrix * seen;
    vec4 part = frames[int(look.w + 0.5)];
    vUv = part.xy + uv * part.zw;
    vIn = 2.0 * uv - 1.0;
    vShade = vec4(shade, look.y);
  }
`;

const FRAGMENT = /* glsl */ `
  uniform sampler2D map;
  uniform bool dotted;
  uniform float opacity;
  uniform bool multiplies;
  varying vec2 vUv;
  varying vec2 vIn;
  varying vec4 vShade;
  #ifdef SEES_BENEATH
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  ${BLEND_GLSL}
  #endif
  vec3 toLinear(vec3 c) {
    return mix(pow((c + 0.055) / 1.055, vec3(2.4)), c / 12.92, vec3(lessThanEqual(c, vec3(0.04045))));
  }
  vec3 toSrgb(vec3 c) {
    return mix(1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, c * 12.92, vec3(lessThanEqual(c, vec3(0.0031308))));
  }
  void main() {
    vec4 texel = dotted ? vec4(1.0, 1.0, 1.0, 1.0 - smoothstep(0.6, 1.0, length(vIn))) : texture2D(map, vUv);
    float a = texel.a * opacity * vShade.a;
    if (a < 0.002) discard;
    vec3 colour = toSrgb(toLinear(texel.rgb) * toLinear(vShade.rgb));
    #ifdef SEES_BENEATH
    vec3 backdrop = texture2D(beneath, gl_FragCoord.xy / bufferSize).rgb;
    gl_FragColor = vec4(mix(backdrop, blendColours(backdrop, colour), a), 1.0);
    #else
    gl_FragColor = multiplies ? vec4(1.0 - a + a * colour, 1.0) : vec4(a * colour, a);
    #endif
  }
`;

/** As many frames of a sheet as the shader holds. */
const MOST_FRAMES = 64;
type Rect = readonly [number, number, number, number];

const createMaterial = (): ShaderMaterial => {
  const material = createCardMaterial();
  material.vertexShader = VERTEX;
  material.fragmentShader = FRAGMENT;
  material.uniforms.dotted = { value: true };
  material.uniforms.frames = { value: new Float32Array(4 * MOST_FRAMES) };
  return material;
};

export class FountainView implements ObjectView<Fountain> {
  readonly node = new Group();
  private readonly material = createMaterial();
  private readonly mesh: Mesh<InstancedBufferGeometry, ShaderMaterial>;
  private room = 0;
  private table: LifeTable | null = null;
  private over: Fountain['over'] | null = null;
  private blend: Fountain['blend'] = 'normal';

  constructor(private readonly tools: ViewTools) {
    this.mesh = new Mesh(new InstancedBufferGeometry(), this.material);
    // Its particles are where they are, wherever the fountain has gone.
    this.mesh.frustumCulled = false;
    this.mesh.onBeforeRender = (renderer) => {
      if (seesBeneath(this.blend)) tools.beneath.copyFor(renderer, this.material);
    };
    this.node.add(this.mesh);
  }

  private makeRoom(most: number): void {
    if (most <= this.room) return;
    this.room = most;
    this.mesh.geometry.dispose();
    const square = flatGeometry();
    const geometry = new InstancedBufferGeometry();
    geometry.index = square.index;
    for (const name of ['position', 'uv']) geometry.setAttribute(name, square.getAttribute(name));
    for (const [name, size] of [
      ['at', 3],
      ['look', 4],
      ['shade', 3],
    ] as const)
      geometry.setAttribute(
        name,
        new InstancedBufferAttribute(new Float32Array(most * size), size).setUsage(DynamicDrawUsage),
      );
    this.mesh.geometry = geometry;
  }

  update(now: ObjectNow<Fountain>): boolean {
    const { object, effect, opacity, order, particles } = now;
    if (!particles || particles.count === 0 || opacity === 0) return false;
    const asset = object.asset ? effect.assets[object.asset] : undefined;
    const texture =
      asset?.kind === 'picture' || asset?.kind === 'sequence'
        ? this.tools.stores.textures.get(asset, 0)
        : null;
    // A picture that is on its way is waited for; one that is lost is a dot.
    if (asset && !texture) return false;
    const rects: Rect[] =
      asset?.kind === 'sequence'
        ? Array.from({ length: Math.min(MOST_FRAMES, asset.frames) }, (_, i) => frameAt(asset, i))
            .filter(({ file }) => file === 0)
            .map(({ rect }) => rect)
        : [WHOLE];
    const frames = this.material.uniforms.frames!.value as Float32Array;
    for (let i = 0; i < MOST_FRAMES; i++) frames.set(rects[Math.min(i, rects.length - 1)]!, 4 * i);
    this.blend = object.blend;
    styleCardMaterial(
      this.material,
      { tint: '#ffffff', blend: object.blend, doubleSided: true },
      texture,
      WHOLE,
    );
    this.material.uniforms.dotted!.value = texture === null;
    this.material.uniforms.opacity!.value = opacity;
    this.material.depthTest = object.depthTest;
    this.fill(object, particles, rects.length);
    this.mesh.renderOrder = order;
    return true;
  }

  private fill(object: Fountain, p: NonNullable<ObjectNow['particles']>, frames: number): void {
    this.makeRoom(Math.max(64, Math.min(object.most, p.x.length)));
    if (this.over !== object.over) {
      this.over = object.over;
      this.table = lifeTable(object.over);
    }
    const table = this.table!;
    const { geometry } = this.mesh;
    const at = geometry.getAttribute('at') as InstancedBufferAttribute;
    const look = geometry.getAttribute('look') as InstancedBufferAttribute;
    const shade = geometry.getAttribute('shade') as InstancedBufferAttribute;
    const count = Math.min(p.count, this.room);
    for (let i = 0; i < count; i++) {
      const life = Math.min(1, p.age[i]! / p.life[i]!);
      const k = Math.min(LIFE_STEPS - 1, Math.floor(life * LIFE_STEPS));
      at.array[3 * i] = p.x[i]!;
      at.array[3 * i + 1] = p.y[i]!;
      at.array[3 * i + 2] = p.z[i]!;
      const varied = object.sizeVaries > 0 ? 1 + object.sizeVaries * (2 * chance(p.number[i]!) - 1) : 1;
      look.array[4 * i] = object.size * table.size[k]! * varied;
      look.array[4 * i + 1] = table.opacity[k]!;
      look.array[4 * i + 2] = p.angle[i]!;
      look.array[4 * i + 3] =
        object.frames === 'life' ? Math.min(frames - 1, Math.floor(life * frames)) : p.number[i]! % frames;
      shade.array.set(table.colour.subarray(3 * k, 3 * k + 3), 3 * i);
    }
    for (const attribute of [at, look, shade]) {
      attribute.clearUpdateRanges();
      attribute.addUpdateRange(0, count * attribute.itemSize);
      attribute.needsUpdate = true;
    }
    geometry.instanceCount = count;
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.material.dispose();
  }
}

const chance = (n: number): number => pcg3d(n, 0x517e, 5)[0] / 4294967296;
