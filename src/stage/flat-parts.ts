/** Draws a take's scene with every part in one plain colour: for masks. */
import {
  Color,
  Mesh,
  MeshBasicMaterial,
  NoToneMapping,
  type Material,
  type Object3D,
  type Side,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { partOf, type Part } from './parts';

/** Hair is cut out by alpha: half there counts as there. */
const SOLID = 0.5;

export interface FlatOptions {
  /** What is cut out by alpha counts where it is more than this. */
  readonly solid?: number;
  /** What lets something shine through counts as far as it covers that, instead of all or nothing. */
  readonly soft?: boolean;
}

export class FlatParts {
  private readonly flat = new Map<Mesh, MeshBasicMaterial | null>();

  private readonly solid: number;
  private readonly soft: boolean;

  constructor(
    private readonly colourOf: (part: Part) => Color,
    { solid = SOLID, soft = false }: FlatOptions = {},
  ) {
    this.solid = solid;
    this.soft = soft;
  }

  /** A plain material in the part's colour; null for what is only a tint or a shade over something else. */
  private flatOf(mesh: Mesh): MeshBasicMaterial | null {
    const kept = this.flat.get(mesh);
    if (kept !== undefined) return kept;
    const own = [mesh.material].flat()[0] as Material & { map?: Texture | null };
    const shade = own.transparent && own.alphaTest === 0;
    let flat: MeshBasicMaterial | null = null;
    if (!shade) {
      const map = own.alphaTest > 0 ? (own.map ?? null) : null;
      const soft = this.soft && own.transparent;
      flat = new MeshBasicMaterial({
        color: this.colourOf(partOf(mesh)),
        ...(map ? { map, alphaTest: soft ? own.alphaTest : this.solid } : {}),
        transparent: soft,
        forceSinglePass: own.forceSinglePass,
        depthWrite: own.depthWrite,
        side: own.side as Side,
        toneMapped: false,
      });
      flat.onBeforeCompile = (shader, renderer) => {
        // Loose hair hangs where its own material puts it.
        own.onBeforeCompile(shader, renderer);
        shader.fragmentShader = shader.fragmentShader.replace(
          '#include <alphatest_fragment>',
          `#include <alphatest_fragment>\n\tdiffuseColor = vec4( diffuse, ${soft ? 'diffuseColor.a' : '1.0'} );`,
        );
      };
      const key = own.customProgramCacheKey();
      flat.customProgramCacheKey = () => `mask ${soft} ${key}`;
    }
    this.flat.set(mesh, flat);
    return flat;
  }

  /** Runs `draw` while everything below `root` is flat; `keep` leaves meshes out. */
  during(
    renderer: WebGLRenderer,
    root: Object3D,
    draw: () => void,
    keep: (mesh: Mesh) => boolean = () => true,
  ): void {
    const painted: { mesh: Mesh; own: Material | Material[]; visible: boolean }[] = [];
    root.traverse((object) => {
      if (object instanceof Mesh)
        painted.push({ mesh: object, own: object.material as Material, visible: object.visible });
    });
    const before = { tone: renderer.toneMapping, shadows: renderer.shadowMap.enabled };
    renderer.toneMapping = NoToneMapping;
    renderer.shadowMap.enabled = false;
    try {
      for (const { mesh } of painted) {
        const flat = keep(mesh) ? this.flatOf(mesh) : null;
        if (flat) mesh.material = flat;
        else mesh.visible = false;
      }
      draw();
    } finally {
      for (const { mesh, own, visible } of painted) {
        mesh.material = own;
        mesh.visible = visible;
      }
      renderer.toneMapping = before.tone;
      renderer.shadowMap.enabled = before.shadows;
    }
  }

  dispose(): void {
    for (const material of this.flat.values()) material?.dispose();
    this.flat.clear();
  }
}
