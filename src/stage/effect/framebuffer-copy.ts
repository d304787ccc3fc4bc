/** A copy of what has been drawn so far, for cards that blend with it. */
import { FramebufferTexture, Vector2, type ShaderMaterial, type Texture, type WebGLRenderer } from 'three';
import { copyDrawn } from '../passes';

/** Where the copy goes. */
export interface BeneathUniforms {
  readonly beneath: { value: Texture | null };
  /** Pixels. */
  readonly bufferSize: { value: Vector2 };
}

export class FramebufferCopy {
  private texture: FramebufferTexture | null = null;
  private readonly size = new Vector2();

  /** Copies the drawing buffer and hands it to the material that is about to draw. */
  copyFor(renderer: WebGLRenderer, material: ShaderMaterial): void {
    this.copyInto(renderer, material.uniforms as unknown as BeneathUniforms);
    material.uniformsNeedUpdate = true;
  }

  /** Copies the drawing buffer for a shader. */
  copyInto(renderer: WebGLRenderer, uniforms: BeneathUniforms): void {
    renderer.getDrawingBufferSize(this.size);
    const { x: width, y: height } = this.size;
    if (this.texture?.image.width !== width || this.texture.image.height !== height) {
      this.texture?.dispose();
      this.texture = new FramebufferTexture(width, height);
    }
    copyDrawn(renderer, this.texture);
    uniforms.beneath.value = this.texture;
    uniforms.bufferSize.value.copy(this.size);
  }

  dispose(): void {
    this.texture?.dispose();
    this.texture = null;
  }
}
