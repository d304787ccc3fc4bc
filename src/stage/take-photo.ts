/**
 * One moment of a take that is drawn once and then shown as often as wanted: what lies on it can change at the cost of itself alone. What
 * a take knows of its picture (people, hair, what covers a face) is kept beside it.
 */
import { CustomBlending, FramebufferTexture, OneMinusSrcAlphaFactor, SrcAlphaFactor, Vector2 } from 'three';
import type { ShaderMaterial, Texture, WebGLRenderer, WebGLRenderTarget } from 'three';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Degrees } from '../core/units';
import { byteTarget, copyDrawn, onClear, passMaterial, PassQuad, texture } from './passes';
import type { CameraPicture } from './picture';

interface Kept {
  readonly width: number;
  readonly height: number;
  readonly photo: FramebufferTexture;
  readonly people: WebGLRenderTarget;
  readonly cover: WebGLRenderTarget;
  readonly hair: WebGLRenderTarget;
}

const SHOW = /* glsl */ `
  uniform sampler2D photo;
  varying vec2 vUv;
  void main() { gl_FragColor = vec4(texture2D(photo, vUv).rgb, 1.0); }`;
const SHOW_PEOPLE = /* glsl */ `
  uniform sampler2D photo;
  uniform sampler2D mask;
  varying vec2 vUv;
  void main() { gl_FragColor = vec4(texture2D(photo, vUv).rgb, texture2D(mask, vUv).a); }`;

export class TakePhoto implements CameraPicture {
  private kept: Kept | null = null;
  private readonly quad = new PassQuad();
  private readonly shows: ShaderMaterial = passMaterial(SHOW, { photo: texture() });
  private readonly showsPeople: ShaderMaterial = passMaterial(SHOW_PEOPLE, {
    photo: texture(),
    mask: texture(),
  });
  /** How often it was taken; for tests. */
  taken = 0;

  /** `open` gives what is photographed; it is let go as soon as that is done. */
  constructor(private readonly open: () => CameraPicture) {
    Object.assign(this.showsPeople, {
      transparent: true,
      blending: CustomBlending,
      blendSrc: SrcAlphaFactor,
      blendDst: OneMinusSrcAlphaFactor,
    });
  }

  viewFovY(frame: TrackFrame): Degrees {
    return frame.camera.fovY;
  }

  /** Taken when it is drawn first, and again in another size. */
  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void {
    const { x: width, y: height } = renderer.getDrawingBufferSize(new Vector2());
    if (this.kept?.width !== width || this.kept.height !== height)
      this.take(renderer, frame, viewAspect, width, height);
    this.show(renderer, this.shows, this.kept!.photo);
  }

  private take(
    renderer: WebGLRenderer,
    frame: TrackFrame,
    viewAspect: number,
    width: number,
    height: number,
  ): void {
    this.forget();
    const picture = this.open();
    const photo = new FramebufferTexture(width, height);
    const mask = (draw: () => void): WebGLRenderTarget => {
      const into = byteTarget(width, height, true);
      onClear(renderer, into, draw);
      return into;
    };
    picture.draw(renderer, frame, viewAspect);
    copyDrawn(renderer, photo);
    this.kept = {
      width,
      height,
      photo,
      people: mask(() => picture.drawPeople(renderer, frame, viewAspect)),
      cover: mask(() => picture.drawCover(renderer, frame, viewAspect)),
      hair: mask(() => picture.drawHair(renderer, frame, viewAspect)),
    };
    picture.dispose();
    this.taken++;
  }

  private show(renderer: WebGLRenderer, by: ShaderMaterial, what: Texture, mask?: Texture): void {
    by.uniforms.photo!.value = what;
    if (mask) by.uniforms.mask!.value = mask;
    this.quad.draw(renderer, by, renderer.getRenderTarget());
  }

  readonly knowsPeople = true;
  drawPeople(renderer: WebGLRenderer): void {
    if (this.kept) this.show(renderer, this.showsPeople, this.kept.photo, this.kept.people.texture);
  }
  readonly knowsCover = true;
  drawCover(renderer: WebGLRenderer): void {
    if (this.kept) this.show(renderer, this.shows, this.kept.cover.texture);
  }
  readonly knowsHair = true;
  drawHair(renderer: WebGLRenderer): void {
    if (this.kept) this.show(renderer, this.shows, this.kept.hair.texture);
  }

  private forget(): void {
    const { kept } = this;
    if (kept) for (const made of [kept.photo, kept.people, kept.cover, kept.hair]) made.dispose();
    this.kept = null;
  }

  /** A stage that goes over to another picture may come back to this one: `letGo` is for good. */
  dispose(): void {}
  letGo(): void {
    this.forget();
    this.quad.dispose();
    this.shows.dispose();
    this.showsPeople.dispose();
  }
}
