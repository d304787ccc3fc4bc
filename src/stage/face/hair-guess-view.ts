/** Hair in a camera picture in which nobody knows it, judged once a frame on a small copy of the picture. */
import {
  DataTexture,
  LinearFilter,
  RedFormat,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { guessHair } from '../../core/face/seen/hair-guess';
import { headSeen } from '../../core/face/seen/head-seen';
import type { TrackFrame } from '../../core/tracking/track-frame';
import { byteTarget, onClear, passMaterial, PassQuad, texture } from '../passes';
import type { CameraPicture } from '../picture';

/** Pixels along the longer side of the small copy. */
const SIDE = 240;

const COPY = /* glsl */ `
  uniform sampler2D picture;
  varying vec2 vUv;
  void main() { gl_FragColor = texture2D(picture, vUv); }
`;
const GREY = /* glsl */ `
  uniform sampler2D picture;
  varying vec2 vUv;
  void main() { gl_FragColor = vec4(vec3(texture2D(picture, vUv).r), 1.0); }
`;

export class HairGuessView {
  private readonly target = byteTarget(1, 1);
  private readonly quad = new PassQuad();
  private readonly copy = passMaterial(COPY, { picture: texture() });
  private readonly grey = passMaterial(GREY, { picture: texture() });
  private mask: DataTexture | null = null;
  private looked = '';

  /** Begins anew, with whatever comes next. */
  forget(): void {
    this.looked = '';
  }

  /** `whole` is the camera picture alone. The same picture is looked at once. */
  look(
    renderer: WebGLRenderer,
    camera: PerspectiveCamera,
    picture: CameraPicture,
    whole: Texture,
    frame: TrackFrame,
    aspect: number,
  ): void {
    const now = `${frame.time} ${picture.shown}`;
    if (now === this.looked) return;
    this.looked = now;
    const [width, height] =
      aspect < 1 ? [Math.round(SIDE * aspect), SIDE] : [SIDE, Math.round(SIDE / aspect)];
    if (this.target.width !== width || this.target.height !== height) this.target.setSize(width, height);
    const read = (draw: () => void): Uint8Array => {
      onClear(renderer, this.target, draw);
      const pixels = new Uint8Array(4 * width * height);
      renderer.readRenderTargetPixels(this.target, 0, 0, width, height, pixels);
      return pixels;
    };
    this.copy.uniforms.picture!.value = whole;
    const data = read(() => this.quad.draw(renderer, this.copy, this.target));
    const seen = read(() => picture.drawPeople(renderer, frame, aspect));
    const people = Uint8Array.from({ length: width * height }, (_, i) => seen[4 * i + 3]!);
    const all = new Uint8Array(width * height);
    for (const face of frame.faces) {
      const head = headSeen(face, frame, camera.fov, aspect, width, height);
      if (head)
        guessHair({ data, width, height }, people, head).forEach((v, i) => (all[i] = Math.max(all[i]!, v)));
    }
    this.mask?.dispose();
    this.mask = new DataTexture(all, width, height, RedFormat);
    this.mask.minFilter = this.mask.magFilter = LinearFilter;
    this.mask.unpackAlignment = 1;
    this.mask.needsUpdate = true;
  }

  /** Draws hair in white into what is drawn into now. */
  draw(renderer: WebGLRenderer): void {
    if (!this.mask) return;
    this.grey.uniforms.picture!.value = this.mask;
    this.quad.draw(renderer, this.grey, renderer.getRenderTarget());
  }

  dispose(): void {
    this.target.dispose();
    this.mask?.dispose();
    this.quad.dispose();
    this.copy.dispose();
    this.grey.dispose();
  }
}
