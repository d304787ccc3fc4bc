/**
 * Exact masks of a take: which part of the scene each pixel shows. They belong to the same instant as the truth,
 * so that segmentation can be judged against them.
 */
import {
  Color,
  Mesh,
  MeshBasicMaterial,
  NearestFilter,
  NoToneMapping,
  WebGLRenderTarget,
  type Material,
  type Side,
  type Texture,
  type WebGLRenderer,
} from 'three';
import type { TrackFrame } from '../core/tracking/track-frame';
import { partOf, PARTS, type Part } from './parts';
import type { TakePicture } from './take-picture';

export interface PartMap {
  readonly width: number;
  readonly height: number;
  /** Index into PARTS for each pixel, from the top left. */
  readonly parts: Uint8Array;
  /** 1 where the head would be seen if nothing were in front of it. */
  readonly head: Uint8Array;
}

/** What belongs to a person. */
const PERSON: readonly Part[] = ['skin', 'hair', 'eyes', 'body', 'hand', 'worn'];

/** Hair is cut out by alpha: half there counts as there. */
const SOLID = 0.5;
const STEP = 16;

interface Painted {
  readonly mesh: Mesh;
  readonly own: Material | Material[];
  readonly visible: boolean;
}

export class TakeMasks {
  private readonly target = new WebGLRenderTarget(1, 1, {
    minFilter: NearestFilter,
    magFilter: NearestFilter,
  });
  private readonly flat = new Map<Mesh, MeshBasicMaterial | null>();

  constructor(private readonly picture: TakePicture) {}

  /** A plain material in the part's colour; null for what is only a tint or a shade over something else. */
  private flatOf(mesh: Mesh): MeshBasicMaterial | null {
    const kept = this.flat.get(mesh);
    if (kept !== undefined) return kept;
    const own = [mesh.material].flat()[0] as Material & { map?: Texture | null };
    const shade = own.transparent && own.alphaTest === 0;
    let flat: MeshBasicMaterial | null = null;
    if (!shade) {
      const map = own.alphaTest > 0 ? (own.map ?? null) : null;
      flat = new MeshBasicMaterial({
        color: new Color().setRGB((PARTS.indexOf(partOf(mesh)) * STEP) / 255, 0, 0),
        ...(map ? { map, alphaTest: SOLID } : {}),
        side: own.side as Side,
        toneMapped: false,
      });
      flat.onBeforeCompile = (shader, renderer) => {
        // Loose hair hangs where its own material puts it.
        own.onBeforeCompile(shader, renderer);
        shader.fragmentShader = shader.fragmentShader.replace(
          '#include <alphatest_fragment>',
          '#include <alphatest_fragment>\n\tdiffuseColor = vec4( diffuse, 1.0 );',
        );
      };
      const key = own.customProgramCacheKey();
      flat.customProgramCacheKey = () => `mask ${key}`;
    }
    this.flat.set(mesh, flat);
    return flat;
  }

  private read(renderer: WebGLRenderer, width: number, height: number): Uint8Array {
    renderer.setRenderTarget(this.target);
    renderer.setClearColor(0x000000, 1);
    renderer.clear();
    renderer.render(this.picture.scene, this.picture.camera);
    const pixels = new Uint8Array(width * height * 4);
    renderer.readRenderTargetPixels(this.target, 0, 0, width, height, pixels);
    const out = new Uint8Array(width * height);
    // WebGL reads from the bottom up.
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        out[y * width + x] = Math.round(pixels[4 * ((height - 1 - y) * width + x)]! / STEP);
    return out;
  }

  render(renderer: WebGLRenderer, frame: TrackFrame, width: number, height: number): PartMap {
    const { picture } = this;
    picture.pose(frame, width / height);
    this.target.setSize(width, height);
    const painted: Painted[] = [];
    picture.scene.traverse((object) => {
      if (!(object instanceof Mesh)) return;
      painted.push({ mesh: object, own: object.material as Material, visible: object.visible });
    });
    const before = {
      target: renderer.getRenderTarget(),
      tone: renderer.toneMapping,
      clear: renderer.getClearColor(new Color()),
      alpha: renderer.getClearAlpha(),
      shadows: renderer.shadowMap.enabled,
    };
    renderer.toneMapping = NoToneMapping;
    renderer.shadowMap.enabled = false;
    try {
      for (const { mesh } of painted) {
        const flat = this.flatOf(mesh);
        if (flat) mesh.material = flat;
        else mesh.visible = false;
      }
      const parts = this.read(renderer, width, height);
      for (const { mesh } of painted) if (mesh.userData.head !== true) mesh.visible = false;
      const head = this.read(renderer, width, height).map((part) => (part === PARTS.indexOf('skin') ? 1 : 0));
      return { width, height, parts, head };
    } finally {
      for (const { mesh, own, visible } of painted) {
        mesh.material = own;
        mesh.visible = visible;
      }
      renderer.setRenderTarget(before.target);
      renderer.toneMapping = before.tone;
      renderer.setClearColor(before.clear, before.alpha);
      renderer.shadowMap.enabled = before.shadows;
    }
  }

  dispose(): void {
    this.target.dispose();
    for (const material of this.flat.values()) material?.dispose();
  }
}

/** 1 where the pixel shows one of these parts. */
export const maskOf = ({ parts }: PartMap, wanted: readonly Part[]): Uint8Array => {
  const indices = new Set(wanted.map((p) => PARTS.indexOf(p)));
  return parts.map((part) => (indices.has(part) ? 1 : 0));
};
export const personMask = (map: PartMap): Uint8Array => maskOf(map, PERSON);
/** 1 where something else is seen before the head: a hand, hair, a mug, glasses. */
export const coverMask = (map: PartMap): Uint8Array =>
  map.parts.map((part, i) => (map.head[i] === 1 && PARTS[part] !== 'skin' && PARTS[part] !== 'eyes' ? 1 : 0));
