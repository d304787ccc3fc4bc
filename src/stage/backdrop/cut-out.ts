/** People cut out of the camera picture: with their edge moved and softened, and the old background's rim taken off. */
import {
  CustomBlending,
  LinearFilter,
  NoBlending,
  OneFactor,
  OneMinusSrcAlphaFactor,
  SrcAlphaFactor,
  Vector2,
  WebGLRenderTarget,
  ZeroFactor,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { edgePixels, isPlainEdge } from '../../core/backdrop/person-mask';
import type { Backdrop } from '../../core/document/schema';
import type { TrackFrame } from '../../core/tracking/track-frame';
import { fineTarget, onClear, passMaterial, PassQuad, texture, value } from '../passes';
import type { CameraPicture } from '../picture';
import { CUT_OUT_FRAGMENT, MASK_BLUR_FRAGMENT, MASK_START_FRAGMENT, MOST_DEVIATION } from './mask-shader';

/** Spill needs to look this far in, in shares of the height, even where the edge is left as it came. */
const SPILL_REACH = 0.012;

export class CutOut {
  private readonly quad = new PassQuad();
  private readonly size = new Vector2();
  private people: WebGLRenderTarget | null = null;
  private blurs: readonly [WebGLRenderTarget, WebGLRenderTarget] | null = null;
  private readonly start = passMaterial(MASK_START_FRAGMENT, {
    camera: texture(),
    people: texture(),
  });
  private readonly blur = passMaterial(MASK_BLUR_FRAGMENT, {
    picture: texture(),
    stride: value(new Vector2()),
    deviation: value(1),
  });
  private readonly uniforms = {
    camera: texture(),
    people: texture(),
    blurred: texture(),
    plain: value(true),
    feather: value(1),
    grow: value(0),
    deviation: value(1),
    inverted: value(false),
    spill: value(0),
  };
  private readonly cut = passMaterial(CUT_OUT_FRAGMENT, this.uniforms);

  constructor() {
    Object.assign(this.cut, {
      transparent: true,
      blending: CustomBlending,
      blendSrc: SrcAlphaFactor,
      blendDst: OneMinusSrcAlphaFactor,
      // The canvas stays opaque.
      blendSrcAlpha: ZeroFactor,
      blendDstAlpha: OneFactor,
    });
  }

  /** Finds out where people are now. `camera` is a copy of the camera picture. */
  update(
    renderer: WebGLRenderer,
    picture: CameraPicture,
    frame: TrackFrame,
    aspect: number,
    camera: Texture,
    { feather, grow, spill }: Omit<Backdrop, 'invert'>,
  ): void {
    renderer.getDrawingBufferSize(this.size);
    const { x: width, y: height } = this.size;
    this.fit(renderer, width, height);
    const people = this.people!;
    onClear(renderer, people, () => picture.drawPeople(renderer, frame, aspect));

    const { uniforms } = this;
    uniforms.camera.value = camera;
    uniforms.people.value = people.texture;
    uniforms.spill.value = spill;
    const edge = { feather, grow };
    uniforms.plain.value = isPlainEdge(edge);
    if (uniforms.plain.value && spill === 0) return;
    const pixels = edgePixels(edge, height);
    const deviation = Math.max(pixels.deviation, SPILL_REACH * height * (spill > 0 ? 1 : 0));
    uniforms.feather.value = pixels.feather;
    uniforms.grow.value = pixels.grow;
    uniforms.deviation.value = deviation;
    // The blur is done on a smaller picture when it is wide.
    const scale = Math.min(1, MOST_DEVIATION / deviation);
    const [w, h] = [Math.max(8, Math.round(width * scale)), Math.max(8, Math.round(height * scale))];
    const [first, second] = this.blurred(renderer, w, h);
    this.start.uniforms.camera!.value = camera;
    this.start.uniforms.people!.value = people.texture;
    this.quad.draw(renderer, this.start, first);
    const stride = this.blur.uniforms.stride!.value as Vector2;
    this.blur.uniforms.deviation!.value = deviation * scale;
    this.blur.uniforms.picture!.value = first.texture;
    stride.set(1 / w, 0);
    this.quad.draw(renderer, this.blur, second);
    this.blur.uniforms.picture!.value = second.texture;
    stride.set(0, 1 / h);
    this.quad.draw(renderer, this.blur, first);
    uniforms.blurred.value = first.texture;
  }

  /** Lays the people as they were found last, or all but them, over what stands on the canvas. */
  lay(renderer: WebGLRenderer, inverted: boolean): void {
    this.uniforms.inverted.value = inverted;
    this.cut.blending = CustomBlending;
    this.quad.draw(renderer, this.cut, renderer.getRenderTarget());
  }

  /**
   * Writes them, or all but them, with alpha, into a target of their own; `asFound` with the edge as it came, whatever
   * is asked of it.
   */
  write(renderer: WebGLRenderer, into: WebGLRenderTarget, inverted: boolean, asFound: boolean): void {
    const { plain } = this.uniforms;
    const edited = plain.value;
    plain.value ||= asFound;
    this.uniforms.inverted.value = inverted;
    this.cut.blending = NoBlending;
    this.quad.draw(renderer, this.cut, into);
    plain.value = edited;
  }

  private fit(renderer: WebGLRenderer, width: number, height: number): void {
    if (this.people?.width === width && this.people.height === height) return;
    this.people?.dispose();
    // Smooth edges, as the canvas has them.
    this.people = new WebGLRenderTarget(width, height, {
      samples: renderer.getContextAttributes().antialias ? 4 : 0,
      minFilter: LinearFilter,
      magFilter: LinearFilter,
    });
  }

  private blurred(
    renderer: WebGLRenderer,
    width: number,
    height: number,
  ): readonly [WebGLRenderTarget, WebGLRenderTarget] {
    if (this.blurs && this.blurs[0].width === width && this.blurs[0].height === height) return this.blurs;
    this.blurs?.forEach((t) => t.dispose());
    return (this.blurs = [fineTarget(renderer, width, height), fineTarget(renderer, width, height)]);
  }

  dispose(): void {
    this.people?.dispose();
    this.blurs?.forEach((t) => t.dispose());
    for (const m of [this.start, this.blur, this.cut]) m.dispose();
    this.quad.dispose();
  }
}
