/** Passes over a whole picture: a shader drawn on one square, into the canvas or a texture. */
import {
  CustomBlending,
  HalfFloatType,
  LinearFilter,
  Mesh,
  OneFactor,
  OneMinusSrcAlphaFactor,
  OrthographicCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  UnsignedByteType,
  WebGLRenderTarget,
  type Texture,
  type WebGLRenderer,
  type FramebufferTexture,
} from 'three';

export const QUAD_VERTEX = /* glsl */ `
  varying vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = vec4(position.xy, 0.0, 1.0);
  }
`;

/** Blended like what is transparent, the picture staying opaque, but drawn in its turn among what is opaque. */
export const OVER_PICTURE = {
  blending: CustomBlending,
  blendSrcAlpha: OneFactor,
  blendDstAlpha: OneMinusSrcAlphaFactor,
} as const;

/** A uniform. */
export const value = <T>(of: T): { value: T } => ({ value: of });
/** A uniform for a texture that is set before each pass. */
export const texture = (): { value: Texture | null } => ({ value: null });

/** The shader of a pass; `vUv` runs from the lower left. */
export const passMaterial = (
  fragmentShader: string,
  uniforms: ShaderMaterial['uniforms'],
  vertexShader: string = QUAD_VERTEX,
): ShaderMaterial =>
  new ShaderMaterial({
    vertexShader,
    fragmentShader,
    uniforms,
    depthTest: false,
    depthWrite: false,
    toneMapped: false,
  });

/** A texture to draw into, in whole bytes. */
export const byteTarget = (width: number, height: number, depthBuffer = false): WebGLRenderTarget =>
  new WebGLRenderTarget(Math.max(1, width), Math.max(1, height), {
    type: UnsignedByteType,
    depthBuffer,
    minFilter: LinearFilter,
    magFilter: LinearFilter,
  });

/** A texture to draw into with sixteen bits a channel where the machine can: no banding from pass to pass. */
export const fineTarget = (renderer: WebGLRenderer, width: number, height: number): WebGLRenderTarget => {
  const target = byteTarget(width, height);
  if (renderer.extensions.has('EXT_color_buffer_float')) target.texture.type = HalfFloatType;
  return target;
};

export class PassQuad {
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly quad = new Mesh(new PlaneGeometry(2, 2));

  constructor() {
    this.quad.frustumCulled = false;
    this.scene.add(this.quad);
  }

  /** One pass; what was drawn into before is drawn into again afterwards. */
  draw(renderer: WebGLRenderer, by: ShaderMaterial, into: WebGLRenderTarget | null): void {
    const before = renderer.getRenderTarget();
    renderer.setRenderTarget(into);
    this.quad.material = by;
    renderer.render(this.scene, this.camera);
    renderer.setRenderTarget(before);
  }

  dispose(): void {
    this.quad.geometry.dispose();
  }
}

/** Empties a target, alpha too, and draws into it. */
export const onClear = (renderer: WebGLRenderer, into: WebGLRenderTarget, draw: () => void): void => {
  const before = renderer.getRenderTarget();
  const alpha = renderer.getClearAlpha();
  renderer.setRenderTarget(into);
  renderer.setClearAlpha(0);
  renderer.clear();
  renderer.setClearAlpha(alpha);
  draw();
  renderer.setRenderTarget(before);
};

/**
 * Copies what has been drawn into a texture. Three binds the texture to the first unit, but does not make that unit the
 * active one when the texture was bound there before; the copy would then go into whatever the active unit holds.
 */
export const copyDrawn = (renderer: WebGLRenderer, into: FramebufferTexture): void => {
  renderer.state.activeTexture(renderer.getContext().TEXTURE0);
  renderer.copyFramebufferToTexture(into);
};
