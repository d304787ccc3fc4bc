/** A copy of what has been drawn so far, for cards that blend with it. */
import { FramebufferTexture, Vector2, type ShaderMaterial, type WebGLRenderer } from 'three';

export class Beneath {
  private texture: FramebufferTexture | null = null;
  private readonly size = new Vector2();

  /** Copies the drawing buffer and hands it to the material that is about to draw. */
  copyFor(renderer: WebGLRenderer, material: ShaderMaterial): void {
    renderer.getDrawingBufferSize(this.size);
    const { x: width, y: height } = this.size;
    if (this.texture?.image.width !== width || this.texture.image.height !== height) {
      this.texture?.dispose();
      this.texture = new FramebufferTexture(width, height);
    }
    renderer.copyFramebufferToTexture(this.texture);
    material.uniforms.beneath!.value = this.texture;
    (material.uniforms.bufferSize!.value as Vector2).copy(this.size);
    material.uniformsNeedUpdate = true;
  }

  dispose(): void {
    this.texture?.dispose();
    this.texture = null;
  }
}
