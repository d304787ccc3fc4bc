/** Blurs a picture with holes in it: what is transparent adds nothing to what is beside it. */
import {
  Vector2,
  type ShaderMaterial,
  type Texture,
  type WebGLRenderTarget,
  type WebGLRenderer,
} from 'three';
import { byteTarget, passMaterial, PassQuad, texture, value } from '../passes';
import { DIVIDE_FRAGMENT, MASK_BLUR_FRAGMENT, MOST_DEVIATION, PREMULTIPLY_FRAGMENT } from './mask-shader';

/** A blurred room closes over where people stood, so that no rim of them is left in it. */
const ROOM_SPREAD = 8;
/** Deviation of the strongest blur, in shares of the height. */
const BLUR_MOST = 0.06;

interface BlurSize {
  readonly width: number;
  readonly height: number;
  /** In pixels of that size. */
  readonly deviation: number;
}

/** How large a picture of `width` x `height` is blurred by `blur`, 0 to 1: the stronger, the smaller. */
export const blurSize = (width: number, height: number, blur: number): BlurSize => {
  const deviation = Math.max(0.5, blur * BLUR_MOST * height);
  const scale = Math.min(1, MOST_DEVIATION / deviation);
  const scaled = (n: number): number => Math.max(8, Math.round(n * scale));
  return { width: scaled(width), height: scaled(height), deviation: deviation * scale };
};

export class PictureBlur {
  private readonly quad = new PassQuad();
  private targets: readonly [WebGLRenderTarget, WebGLRenderTarget] | null = null;
  private readonly premultiply = passMaterial(PREMULTIPLY_FRAGMENT, { picture: texture() });
  private readonly stride = value(new Vector2());
  private readonly deviation = value(1);
  private readonly blur = passMaterial(MASK_BLUR_FRAGMENT, {
    picture: texture(),
    stride: this.stride,
    deviation: this.deviation,
  });
  private readonly spread = value(1);
  private readonly divide = passMaterial(DIVIDE_FRAGMENT, { picture: texture(), spread: this.spread });

  /** Blurs `picture` into `into`, by a deviation in its pixels. `closed`: over the holes too. */
  draw(
    renderer: WebGLRenderer,
    picture: Texture,
    deviation: number,
    into: WebGLRenderTarget,
    closed: boolean,
  ): void {
    const pass = (by: ShaderMaterial, from: Texture, to: WebGLRenderTarget): void => {
      by.uniforms.picture!.value = from;
      this.quad.draw(renderer, by, to);
    };
    const [first, second] = this.between(into.width, into.height);
    pass(this.premultiply, picture, first);
    this.deviation.value = deviation;
    this.stride.value.set(1 / into.width, 0);
    pass(this.blur, first.texture, second);
    this.stride.value.set(0, 1 / into.height);
    pass(this.blur, second.texture, first);
    this.spread.value = closed ? ROOM_SPREAD : 1;
    pass(this.divide, first.texture, into);
  }

  private between(width: number, height: number): readonly [WebGLRenderTarget, WebGLRenderTarget] {
    if (this.targets?.[0].width !== width || this.targets[0].height !== height) {
      this.targets?.forEach((t) => t.dispose());
      this.targets = [byteTarget(width, height), byteTarget(width, height)];
    }
    return this.targets;
  }

  dispose(): void {
    this.quad.dispose();
    this.targets?.forEach((t) => t.dispose());
    for (const material of [this.premultiply, this.blur, this.divide]) material.dispose();
  }
}
