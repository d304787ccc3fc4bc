/** Brings what stands on the canvas into a framebuffer of the browser's own, of the same size: the screen of a device. */
import { FramebufferTexture, type WebGLRenderer } from 'three';
import { copyDrawn } from './passes';

export class ShownElsewhere {
  private copy: FramebufferTexture | null = null;
  private from: WebGLFramebuffer | null = null;

  constructor(private readonly renderer: WebGLRenderer) {}

  show(into: WebGLFramebuffer, width: number, height: number): void {
    const { renderer } = this;
    const gl = renderer.getContext() as WebGL2RenderingContext;
    if (this.copy?.image.width !== width || this.copy.image.height !== height) {
      this.copy?.dispose();
      this.copy = new FramebufferTexture(width, height);
    }
    // By way of a texture: a canvas with smooth edges cannot be brought into another kind of picture at once.
    copyDrawn(renderer, this.copy);
    const texture = (renderer.properties.get(this.copy) as { __webglTexture: WebGLTexture }).__webglTexture;
    this.from ??= gl.createFramebuffer();
    renderer.state.bindFramebuffer(gl.READ_FRAMEBUFFER, this.from);
    gl.framebufferTexture2D(gl.READ_FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0);
    renderer.state.bindFramebuffer(gl.DRAW_FRAMEBUFFER, into);
    renderer.state.disable(gl.SCISSOR_TEST);
    gl.blitFramebuffer(0, 0, width, height, 0, 0, width, height, gl.COLOR_BUFFER_BIT, gl.NEAREST);
    renderer.state.bindFramebuffer(gl.READ_FRAMEBUFFER, null);
    renderer.state.bindFramebuffer(gl.DRAW_FRAMEBUFFER, null);
  }

  dispose(): void {
    this.copy?.dispose();
    if (this.from) this.renderer.getContext().deleteFramebuffer(this.from);
  }
}
