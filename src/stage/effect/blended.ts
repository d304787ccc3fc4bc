/**
 * Lets lit things, models and solids, blend with what is beneath them in any mode. Their shaders are three's; at the end of
 * each, what it would write is blended with a copy of what was there before the thing was drawn. Of a thing's own parts the
 * nearest is seen, blended once.
 */
import {
  CustomBlending,
  Mesh,
  NormalBlending,
  OneFactor,
  OneMinusSrcAlphaFactor,
  SrcAlphaFactor,
  Vector2,
  ZeroFactor,
  type Material,
  type Object3D,
  type Texture,
} from 'three';
import type { BlendMode } from '../../core/document/schema';
import type { FramebufferCopy } from './framebuffer-copy';
import { BLEND_GLSL, modeNumber } from './blend-shader';

const HEAD = /* glsl */ `
  #if defined(SEES_BENEATH) || defined(SF_THROUGH)
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  #endif
  #ifdef SEES_BENEATH
  ${BLEND_GLSL}
  #endif
`;
const TAIL = /* glsl */ `#include <dithering_fragment>
  #ifdef SEES_BENEATH
  vec3 under = texture2D(beneath, gl_FragCoord.xy / bufferSize).rgb;
  gl_FragColor = vec4(blendOver(under, clamp(gl_FragColor.rgb, 0.0, 1.0), gl_FragColor.a), 1.0);
  #endif`;

/** As normal blending has it (three draws what is not transparent without, unless it is told the factors). */
const OVER = {
  blendSrc: SrcAlphaFactor,
  blendDst: OneMinusSrcAlphaFactor,
  blendSrcAlpha: OneFactor,
  blendDstAlpha: OneMinusSrcAlphaFactor,
} as const;

type Defined = Material & { defines?: Record<string, unknown> };

export class Blended {
  private mode: BlendMode = 'normal';
  /** The drawing for which what is beneath was copied last. */
  private copiedIn = -1;
  /** Materials of the thing that light goes through, whatever its mode. */
  private readonly through = new Set<Material>();
  readonly uniforms = {
    beneath: { value: null as Texture | null },
    bufferSize: { value: new Vector2(1, 1) },
    mode: { value: 0 },
  };

  /** `early`: it is drawn among what covers, though it lets something through: what lies in the skin of a face. */
  constructor(
    private readonly beneath: FramebufferCopy,
    private readonly early = false,
  ) {}

  /** Makes a material able to blend; once for each. */
  prepare(material: Material): void {
    const own = material.onBeforeCompile.bind(material);
    const key = material.customProgramCacheKey();
    material.onBeforeCompile = (shader, renderer) => {
      own(shader, renderer);
      Object.assign(shader.uniforms, this.uniforms);
      shader.fragmentShader = `${HEAD}${shader.fragmentShader}`.replace(
        '#include <dithering_fragment>',
        TAIL,
      );
    };
    material.customProgramCacheKey = () => `blended ${key}`;
  }

  /** A material that is not worn any more. */
  forget(material: Material): void {
    this.through.delete(material);
  }

  /** Has what is beneath copied before the first of the thing's meshes is drawn. */
  watch(root: Object3D): void {
    root.traverse((node) => {
      if (!(node instanceof Mesh)) return;
      node.onBeforeRender = (renderer) => {
        const { frame } = renderer.info.render;
        if ((this.mode === 'normal' && this.through.size === 0) || frame === this.copiedIn) return;
        this.copiedIn = frame;
        this.beneath.copyInto(renderer, this.uniforms);
      };
    });
  }

  /**
   * Sets the mode of a prepared material; `clear` when it lets something through by itself, `through` when it reads what is
   * beneath to bend it.
   */
  style(material: Defined, mode: BlendMode, clear: boolean, through = false): void {
    this.mode = mode;
    if (through) this.through.add(material);
    else this.through.delete(material);
    this.uniforms.mode.value = modeNumber(mode);
    const sees = mode !== 'normal';
    const seen = material.defines !== undefined && 'SEES_BENEATH' in material.defines;
    if (sees !== seen) {
      const { SEES_BENEATH: _gone, ...others } = material.defines ?? {};
      material.defines = sees ? { ...others, SEES_BENEATH: '' } : others;
      material.needsUpdate = true;
    }
    // What blends is drawn after all that covers, in the order of the Stack.
    const transparent = !this.early && (clear || sees);
    if (material.transparent !== transparent) material.needsUpdate = true;
    material.transparent = transparent;
    material.blending = sees || this.early ? CustomBlending : NormalBlending;
    if (!sees) {
      if (this.early) Object.assign(material, OVER);
      return;
    }
    // What is written holds what is beneath already.
    Object.assign(material, {
      blendSrc: OneFactor,
      blendDst: ZeroFactor,
      blendSrcAlpha: ZeroFactor,
      blendDstAlpha: OneFactor,
      forceSinglePass: true,
    });
  }
}
