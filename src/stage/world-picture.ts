/** The picture of a camera that measures the room: a texture of the browser's own, new in each of its frames. */
import { ExternalTexture, type WebGLRenderer } from 'three';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraPicture } from './picture';
import { PassQuad, passMaterial, value } from './passes';

export class WorldPicture implements CameraPicture {
  private readonly texture = new ExternalTexture();
  private readonly quad = new PassQuad();
  private readonly material = passMaterial(
    /* glsl */ `
    uniform sampler2D map;
    varying vec2 vUv;
    void main() { gl_FragColor = vec4(texture2D(map, vUv).rgb, 1.0); }
  `,
    { map: value(this.texture) },
  );

  /** What is drawn from now on; valid as long as the browser says. */
  show(image: WebGLTexture): void {
    this.texture.sourceTexture = image;
  }

  /** The picture is what the view shows: nothing of it is cut off. */
  viewFovY(frame: TrackFrame): number {
    return frame.camera.fovY;
  }

  draw(renderer: WebGLRenderer): void {
    if (this.texture.sourceTexture) this.quad.draw(renderer, this.material, renderer.getRenderTarget());
  }

  readonly knowsPeople = false;
  drawPeople(): void {}
  readonly knowsCover = false;
  drawCover(): void {}
  readonly knowsHair = false;
  drawHair(): void {}

  dispose(): void {
    this.quad.dispose();
    this.material.dispose();
  }
}
