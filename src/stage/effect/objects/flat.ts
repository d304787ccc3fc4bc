/** Flat things drawn with the card material: cards, texts, hints. */
import {
  BufferAttribute,
  BufferGeometry,
  Mesh,
  MeshDepthMaterial,
  type ShaderMaterial,
  type Texture,
  type Vector2,
  type Vector4,
} from 'three';
import type { BlendMode } from '../../../core/document/schema';
import type { FramebufferCopy } from '../framebuffer-copy';
import { STACK_TOP } from '../drawing-order';
import { createCardMaterial, seesBeneath, styleCardMaterial } from '../card-material';

/** A square of one metre; its texture coordinates run down, as in picture files. */
export const flatGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  const half = 0.5;
  geometry.setAttribute(
    'position',
    new BufferAttribute(
      new Float32Array([-half, half, 0, half, half, 0, -half, -half, 0, half, -half, 0]),
      3,
    ),
  );
  geometry.setAttribute(
    'normal',
    new BufferAttribute(new Float32Array([0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1]), 3),
  );
  geometry.setAttribute('uv', new BufferAttribute(new Float32Array([0, 0, 1, 0, 0, 1, 1, 1]), 2));
  geometry.setIndex([0, 2, 1, 2, 3, 1]);
  return geometry;
};

/** What flat things share. */
export interface FlatTools {
  readonly beneath: FramebufferCopy;
  /** Of one metre: a thousand cards draw the same one. Whoever made it lets it go. */
  readonly square: BufferGeometry;
}

export interface FlatLook {
  readonly tint: string;
  readonly blend: BlendMode;
  readonly doubleSided: boolean;
  readonly depthTest: boolean;
  readonly depthWrite: boolean;
}

/** Opacity of a pixel that is drawn at all; and of one that hides what is behind it. */
const LEAST_SEEN = 0.002;
const LEAST_THAT_HIDES = 0.05;
/** Steps of the depth buffer from one row of the Stack to the next, counted from its top. */
const ONE_ROW = 4;

export const WHOLE = [0, 0, 1, 1] as const;

/** A mesh with the card material. It throws a shadow where its picture is more than half there. */
export class FlatMesh {
  readonly mesh: Mesh<BufferGeometry, ShaderMaterial>;
  private blend: BlendMode = 'normal';
  private readonly shadow = new MeshDepthMaterial();

  /** In one plane what stands higher in the Stack is a little nearer, so that it covers what is below. */
  set order(order: number) {
    this.mesh.renderOrder = order;
    this.mesh.material.polygonOffset = true;
    this.mesh.material.polygonOffsetUnits = (STACK_TOP - order) * ONE_ROW;
  }

  constructor({ beneath, square }: FlatTools) {
    const material = createCardMaterial();
    material.alphaTest = 0.5;
    this.mesh = new Mesh(square, material);
    this.mesh.onBeforeRender = (renderer) => {
      if (seesBeneath(this.blend)) beneath.copyFor(renderer, material);
    };
    const { rect } = material.uniforms;
    this.shadow.onBeforeCompile = (shader) => {
      shader.uniforms.rect = rect!;
      shader.vertexShader = `uniform vec4 rect;\n${shader.vertexShader.replace(
        '#include <uv_vertex>',
        '#include <uv_vertex>\n#ifdef USE_MAP\n\tvMapUv = rect.xy + uv * rect.zw;\n#endif',
      )}`;
    };
    this.mesh.customDepthMaterial = this.shadow;
  }

  style(
    look: FlatLook,
    texture: Texture | null,
    rect: readonly [number, number, number, number],
    opacity: number,
  ): void {
    this.blend = look.blend;
    const { material } = this.mesh;
    styleCardMaterial(material, look, texture, rect);
    material.uniforms.opacity!.value = opacity;
    material.depthTest = look.depthTest;
    // Where it blends with what is behind, the Stack decides what covers what; else what is nearer does.
    const hides = look.depthWrite && look.blend === 'normal' && opacity > 0.99;
    material.depthWrite = hides;
    material.uniforms.leastAlpha!.value = hides ? LEAST_THAT_HIDES : LEAST_SEEN;
    this.mesh.castShadow = opacity > 0.5 && texture !== null;
    // The shadow pass takes map and alpha test over from the material that is seen.
    const seen = material as ShaderMaterial & { map?: Texture | null };
    seen.map = texture;
  }

  /** How often what is shown repeats across and down. */
  set repeat([x, y]: readonly [number, number]) {
    (this.mesh.material.uniforms.repeat!.value as Vector2).set(x, y);
  }

  /** The part of the texture that is shown. */
  get rect(): Vector4 {
    return this.mesh.material.uniforms.rect!.value as Vector4;
  }

  dispose(): void {
    this.mesh.material.dispose();
    this.shadow.dispose();
  }
}
