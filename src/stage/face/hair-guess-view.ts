/** Hair in a camera picture in which nobody knows it, judged once a frame on a small copy of the picture, and laid along the edges of the whole one. */
import {
  DataTexture,
  DataUtils,
  HalfFloatType,
  LinearFilter,
  RGBAFormat,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { guessHair } from '../../core/face/seen/hair-guess';
import { hairMatte, MATTE_EDGE } from '../../core/face/seen/hair-matte';
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
const MATTE = /* glsl */ `
  uniform sampler2D picture;
  uniform sampler2D matte;
  varying vec2 vUv;
  void main() {
    vec4 counts = texture2D(matte, vUv);
    float hair = dot(texture2D(picture, vUv).rgb, counts.rgb) + counts.a;
    gl_FragColor = vec4(vec3(smoothstep(${MATTE_EDGE[0]}, ${MATTE_EDGE[1]}, hair)), 1.0);
  }
`;

export class HairGuessView {
  private readonly target = byteTarget(1, 1);
  private readonly quad = new PassQuad();
  private readonly copy = passMaterial(COPY, { picture: texture() });
  private readonly pass = passMaterial(MATTE, { picture: texture(), matte: texture() });
  private matte: DataTexture | null = null;
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
    this.matte?.dispose();
    this.matte = new DataTexture(
      Uint16Array.from(hairMatte({ data, width, height }, all), DataUtils.toHalfFloat),
      width,
      height,
      RGBAFormat,
      HalfFloatType,
    );
    this.matte.minFilter = this.matte.magFilter = LinearFilter;
    this.matte.needsUpdate = true;
  }

  /** Draws hair in white into what is drawn into now; `whole` is the picture that was looked at. */
  draw(renderer: WebGLRenderer, whole: Texture): void {
    if (!this.matte) return;
    this.pass.uniforms.picture!.value = whole;
    this.pass.uniforms.matte!.value = this.matte;
    this.quad.draw(renderer, this.pass, renderer.getRenderTarget());
  }

  dispose(): void {
    this.target.dispose();
    this.matte?.dispose();
    this.quad.dispose();
    this.copy.dispose();
    this.pass.dispose();
  }
}
