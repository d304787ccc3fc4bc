/** The guided filter on a small copy of a face, on the graphics card; `core/makeup/guided.ts` says what it does. */
import {
  GLSL3,
  HalfFloatType,
  LinearFilter,
  NoBlending,
  ShaderMaterial,
  UnsignedByteType,
  Vector2,
  Vector4,
  WebGLRenderTarget,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { epsilonOf, SMOOTH_REACH } from '../../core/makeup/guided';
import type { Unit } from '../../core/units';
import { PassQuad, texture, value } from '../passes';
import { BOX_FRAGMENT, BOX_TAPS, FILTER_VERTEX, SMALL_FRAGMENT } from './retouch-shader';

/** The small copy is at most this wide and high. */
const MOST = 256;

const filterMaterial = (
  fragmentShader: string,
  uniforms: ShaderMaterial['uniforms'],
  defines: Record<string, string> = {},
): ShaderMaterial =>
  new ShaderMaterial({
    glslVersion: GLSL3,
    vertexShader: FILTER_VERTEX,
    fragmentShader,
    uniforms,
    defines,
    depthTest: false,
    depthWrite: false,
    toneMapped: false,
    blending: NoBlending,
  });

const boxUniforms = () => ({
  first: texture(),
  second: texture(),
  stride: value(new Vector2()),
  reach: value(1),
  epsilon: value(0.001),
});

/** Left, bottom, width, height in shares of the picture. */
export type Crop = readonly [number, number, number, number];

export class GuidedFilter {
  private readonly quad = new PassQuad();
  private readonly small = filterMaterial(SMALL_FRAGMENT, {
    picture: texture(),
    crop: value(new Vector4()),
    pixel: value(new Vector2()),
  });
  private readonly moments = filterMaterial(BOX_FRAGMENT, boxUniforms(), { SQUARES: '' });
  private readonly fit = filterMaterial(BOX_FRAGMENT, boxUniforms(), { FITS: '' });
  private readonly mean = filterMaterial(BOX_FRAGMENT, boxUniforms());
  private copy: WebGLRenderTarget | null = null;
  private pairs: readonly [WebGLRenderTarget, WebGLRenderTarget] | null = null;

  /** Of the last picture: c' = slope c + offset. */
  get slope(): Texture {
    return this.pairs![1].textures[0]!;
  }
  get offset(): Texture {
    return this.pairs![1].textures[1]!;
  }
  get smallCopy(): Texture {
    return this.copy!.texture;
  }

  /** Filters a part of a picture of `width` by `height` pixels. */
  run(
    renderer: WebGLRenderer,
    picture: Texture,
    crop: Crop,
    [width, height]: readonly [number, number],
    strength: Unit,
  ): void {
    const [w, h] = [crop[2] * width, crop[3] * height];
    const scale = Math.min(0.5, MOST / Math.max(w, h));
    const size = [Math.max(8, Math.round(w * scale)), Math.max(8, Math.round(h * scale))] as const;
    this.fitTo(renderer, ...size);
    const [one, two] = this.pairs!;
    const across: readonly [number, number] = [1 / size[0], 0];
    const down: readonly [number, number] = [0, 1 / size[1]];
    const reach = Math.max(1, Math.min(BOX_TAPS, Math.round(SMOOTH_REACH * size[0])));
    const u = this.small.uniforms;
    u.picture!.value = picture;
    (u.crop!.value as Vector4).set(...crop);
    (u.pixel!.value as Vector2).set(1 / size[0], 1 / size[1]);
    this.quad.draw(renderer, this.small, this.copy!);
    const box = (
      by: ShaderMaterial,
      first: Texture,
      second: Texture | null,
      stride: readonly [number, number],
      into: WebGLRenderTarget,
    ): void => {
      const { uniforms } = by;
      uniforms.first!.value = first;
      uniforms.second!.value = second;
      (uniforms.stride!.value as Vector2).set(...stride);
      uniforms.reach!.value = reach;
      uniforms.epsilon!.value = epsilonOf(strength);
      this.quad.draw(renderer, by, into);
    };
    box(this.moments, this.copy!.texture, null, across, one);
    box(this.fit, one.textures[0]!, one.textures[1]!, down, two);
    box(this.mean, two.textures[0]!, two.textures[1]!, across, one);
    box(this.mean, one.textures[0]!, one.textures[1]!, down, two);
  }

  private fitTo(renderer: WebGLRenderer, width: number, height: number): void {
    if (this.copy?.width === width && this.copy.height === height) return;
    this.disposeTargets();
    // Squares of eight bits are too coarse for the small differences that count here.
    const type = renderer.extensions.has('EXT_color_buffer_float') ? HalfFloatType : UnsignedByteType;
    const target = (count: number): WebGLRenderTarget =>
      new WebGLRenderTarget(width, height, {
        count,
        type,
        depthBuffer: false,
        minFilter: LinearFilter,
        magFilter: LinearFilter,
      });
    this.copy = target(1);
    this.pairs = [target(2), target(2)];
  }

  private disposeTargets(): void {
    this.copy?.dispose();
    this.pairs?.forEach((t) => t.dispose());
  }

  dispose(): void {
    this.disposeTargets();
    for (const m of [this.small, this.moments, this.fit, this.mean]) m.dispose();
    this.quad.dispose();
  }
}
