/** A material of the document as one of three's, on one object: made anew only when its code changes. */
import {
  DoubleSide,
  FrontSide,
  Matrix3,
  MeshBasicMaterial,
  MeshDepthMaterial,
  MeshPhysicalMaterial,
  MeshStandardMaterial,
  Vector2,
  Vector3,
  Vector4,
  type Material as ThreeMaterial,
  type Texture,
} from 'three';
import type { Material, PictureSource } from '../../core/document/schema';
import { linearOf, rgbOf } from '../../core/maths/srgb';
import type { CompiledSurface } from '../../core/surface/compile';
import type { Blended } from '../effect/blended';
import type { ViewTools } from '../effect/objects/object-view';
import { compiledOf, markOf } from './compiled-surfaces';
import { shownPicture, type ShownPicture } from './surface-pictures';
import { patchSurface } from './surface-shader';
import type { SurfaceCut, SurfaceNow, WornSurface } from './worn-surface';

type Lit = MeshStandardMaterial | MeshPhysicalMaterial;
type Uniforms = Record<string, { value: unknown }>;

export class SurfaceMaterial implements WornSurface {
  /** Draws with it; changes when the kind of material changes. */
  three: ThreeMaterial | null = null;
  /** Throws the shadow of what is cut out or shaped. */
  shadow: MeshDepthMaterial | null = null;
  /** Its light, when it takes it from the camera. */
  private readonly shade: { value: Vector3[] } = { value: PLAIN_SHADE };
  private made = '';
  private features = '';
  private readonly uniforms: Uniforms = {
    sfUv: { value: new Matrix3() },
    sfOpacity: { value: 1 },
    sfCutoff: { value: 0.5 },
    sfGlow: { value: new Vector3() },
    sfBase: { value: null },
    sfBasePart: { value: new Vector4() },
    sfGlowMap: { value: null },
    sfGlowPart: { value: new Vector4() },
    sfMask: { value: null },
    sfMaskPart: { value: new Vector4() },
    sfMaskBy: { value: new Vector2() },
    sfThrough: { value: new Vector4() },
    sfTime: { value: 0 },
    sfNumbers: { value: new Float32Array(4) },
  };

  constructor(
    private readonly tools: Pick<ViewTools, 'stores' | 'beneath' | 'camera'>,
    private readonly blended: Blended,
    /** Whether the geometry has tangents of its own; else green of a normal picture points the other way. */
    private readonly tangents: boolean = false,
    private readonly cut: SurfaceCut | null = null,
  ) {}

  /** Brings it up to date, and gives what to draw with. */
  update(now: SurfaceNow): ThreeMaterial {
    const { material, effect } = now;
    let surface = compiledOf(effect, material);
    // What this machine's graphics refuse is left out; the bench says so.
    if (surface && this.tools.stores.faults.has(markOf(surface))) surface = null;
    this.make(material, surface);
    const base = this.pictureOf(material.maps.base, now) ?? ownPicture(now);
    const glow = this.pictureOf(material.maps.glow, now);
    const mask = material.mask ? this.pictureOf(material.mask.picture, now) : null;
    this.lay('sfBase', 'sfBasePart', base);
    this.lay('sfGlowMap', 'sfGlowPart', glow);
    this.lay('sfMask', 'sfMaskPart', mask);
    const maps =
      this.three instanceof MeshStandardMaterial
        ? this.style(this.three, material, now)
        : this.unlit(material);
    this.setNumbers(material, now);
    if (material.shading === 'camera' && this.tools.camera)
      this.shade.value = this.tools.camera.lit().uniform.value;
    if (surface) this.setCircuit(surface, now);
    const through = material.transmission > 0 && material.shading !== 'unlit';
    const clear =
      now.opacity < 1 ||
      this.cut !== null ||
      (material.alpha === 'blend' && (material.opacity < 1 || !!base || !!mask || !!surface));
    const defines = {
      ...(base ? { SF_BASE: '' } : {}),
      ...(glow ? { SF_GLOW: '' } : {}),
      ...(mask ? { SF_MASK: '' } : {}),
      ...(material.alpha === 'opaque' ? { SF_OPAQUE: '' } : {}),
      ...(material.alpha === 'cutoff' ? { SF_CUTOFF: '' } : {}),
      ...(material.shading === 'unlit' ? { SF_UNLIT: '' } : {}),
      ...(material.shading === 'camera' ? { SF_CAMERA_LIT: '' } : {}),
      ...(through ? { SF_THROUGH: '' } : {}),
    };
    this.define(defines, maps);
    const three = this.three!;
    three.opacity = now.opacity;
    three.depthTest = now.depthTest;
    three.depthWrite = now.depthWrite && material.alpha !== 'blend';
    three.side = material.doubleSided ? DoubleSide : FrontSide;
    this.blended.style(three as never, now.blend, clear || through, through);
    return three;
  }

  /** Throws away what cannot be changed, and makes what is needed instead. */
  private make(material: Material, surface: CompiledSurface | null): void {
    const rich = material.clearcoat > 0 || material.sheen !== '#000000';
    const kind = material.shading === 'unlit' ? 'unlit' : rich ? 'rich' : 'plain';
    const shaped = material.alpha === 'cutoff' || material.alpha === 'blend' || surface?.vertex != null;
    const wanted = `${kind} ${shaped} ${surface?.key ?? ''}`;
    if (wanted === this.made) return;
    if (this.three) this.blended.forget(this.three);
    this.three?.dispose();
    this.shadow?.dispose();
    this.made = wanted;
    this.features = '';
    const three =
      kind === 'unlit'
        ? new MeshBasicMaterial({ toneMapped: false })
        : kind === 'rich'
          ? new MeshPhysicalMaterial()
          : new MeshStandardMaterial();
    this.three = three;
    this.shadow = shaped ? new MeshDepthMaterial() : null;
    for (const one of [three, this.shadow]) {
      if (!one) continue;
      one.onBeforeCompile = (shader) => {
        Object.assign(shader.uniforms, this.uniforms, this.blended.uniforms);
        Object.assign(shader.uniforms, this.cut?.uniforms, { sfShade: this.shade });
        patchSurface(shader, surface, surface ? markOf(surface) : 'plain surface', this.cut);
      };
      one.customProgramCacheKey = () => `surface ${this.cut?.key ?? ''} ${surface?.key ?? ''}`;
    }
    this.blended.prepare(three);
  }

  private style(three: Lit, material: Material, now: SurfaceNow): string {
    three.color.set(material.colour);
    three.roughness = material.roughness;
    three.metalness = material.metalness;
    // A shared picture may hold all three, each in its channel.
    three.normalMap = this.mapOf(material.maps.normal, now);
    three.aoMap = this.mapOf(material.maps.occlusion, now);
    three.roughnessMap = this.mapOf(material.maps.roughness, now);
    three.metalnessMap = this.mapOf(material.maps.metalness, now);
    const steep = material.normalStrength;
    const up = material.normalDown ? -1 : 1;
    three.normalScale.set(steep, steep * up * (this.tangents ? 1 : -1));
    three.aoMapIntensity = material.occlusionStrength;
    if (three instanceof MeshPhysicalMaterial) {
      three.clearcoat = material.clearcoat;
      three.clearcoatRoughness = material.clearcoatRoughness;
      three.sheen = material.sheen === '#000000' ? 0 : 1;
      three.sheenColor.set(material.sheen);
      three.sheenRoughness = material.sheenRoughness;
      three.ior = material.ior;
    }
    return [three.normalMap, three.aoMap, three.roughnessMap, three.metalnessMap].map(Boolean).join();
  }

  private unlit(material: Material): string {
    (this.three as MeshBasicMaterial).color.set(material.colour);
    return '';
  }

  private setNumbers(material: Material, now: SurfaceNow): void {
    const { offset, repeat, turn } = material.uv;
    // KHR_texture_transform turns about the corner; pictures are turned about the middle here.
    (this.uniforms.sfUv!.value as Matrix3).setUvTransform(
      offset[0],
      offset[1],
      repeat[0],
      repeat[1],
      (turn * Math.PI) / 180,
      0.5,
      0.5,
    );
    this.uniforms.sfOpacity!.value = material.alpha === 'opaque' ? 1 : material.opacity;
    this.uniforms.sfCutoff!.value = material.cutoff;
    const glow = new Vector3(...glowOf(material));
    (this.uniforms.sfGlow!.value as Vector3).copy(glow);
    (this.uniforms.sfMaskBy!.value as Vector2).set(
      material.mask?.by === 'alpha' ? 1 : 0,
      material.mask?.invert ? 1 : 0,
    );
    (this.uniforms.sfThrough!.value as Vector4).set(
      material.transmission,
      material.ior,
      material.thickness,
      material.roughness,
    );
    this.uniforms.sfTime!.value = now.time;
  }

  private setCircuit(surface: CompiledSurface, now: SurfaceNow): void {
    this.uniforms.sfNumbers!.value = surface.numbers;
    surface.signals.forEach((name, i) => this.set(`sfSignal${i}`, signalOf(name, now)));
    surface.pictures.forEach(({ source }, i) => {
      const shown = this.pictureOf(source, now);
      this.set(`sfPicture${i}`, shown?.texture ?? null);
      this.set(`sfPicture${i}_part`, new Vector4(...(shown?.part ?? [0, 0, 1, 1])));
      this.set(`sfPicture${i}_kind`, new Vector2(...(shown?.kind ?? [1, 0])));
    });
    surface.texts.forEach(({ text }, i) => {
      const { texts, fonts } = this.tools.stores;
      const field = texts.get(text, fonts.get(null));
      this.set(`sfText${i}`, field?.texture ?? null);
      this.set(
        `sfText${i}_size`,
        new Vector2(
          (field?.field.width ?? 1) / (field?.line ?? 1),
          (field?.field.height ?? 1) / (field?.line ?? 1),
        ),
      );
    });
  }

  private set(name: string, value: unknown): void {
    const uniform = (this.uniforms[name] ??= { value });
    uniform.value = value;
  }

  private lay(sampler: string, part: string, shown: ShownPicture | null): void {
    this.uniforms[sampler]!.value = shown?.texture ?? null;
    if (shown) (this.uniforms[part]!.value as Vector4).set(...shown.part);
  }

  private pictureOf(source: PictureSource | null, now: SurfaceNow): ShownPicture | null {
    return shownPicture(this.tools, source, now);
  }

  /** Data, not seen as it is: only what was brought in. */
  private mapOf(source: PictureSource | null, now: SurfaceNow): Texture | null {
    return source?.from === 'asset' ? (this.pictureOf(source, now)?.texture ?? null) : null;
  }

  private define(defines: Record<string, string>, maps: string): void {
    const features = `${Object.keys(defines).join()} ${maps}`;
    if (features === this.features) return;
    this.features = features;
    for (const one of [this.three, this.shadow]) {
      if (!one) continue;
      const own = Object.entries((one.defines ?? {}) as Record<string, string>).filter(
        ([name]) => !name.startsWith('SF_'),
      );
      one.defines = {
        ...Object.fromEntries(own),
        ...defines,
        ...(one === this.shadow ? { SF_SHADOW: '' } : {}),
      };
      one.needsUpdate = true;
    }
  }

  dispose(): void {
    if (this.three) this.blended.forget(this.three);
    this.three?.dispose();
    this.shadow?.dispose();
    this.three = this.shadow = null;
    this.made = '';
  }
}

/** Where there is no camera picture (Space). */
const PLAIN_SHADE = [
  new Vector3(0.75, 0.75, 0.75),
  new Vector3(-0.1, -0.1, -0.1),
  new Vector3(0.22, 0.22, 0.22),
  new Vector3(0.1, 0.1, 0.1),
];

const ownPicture = ({ picture }: SurfaceNow): ShownPicture | null =>
  picture ? { texture: picture.texture, part: picture.rect, kind: [1, 0] } : null;

/** Amounts of light. */
const glowOf = (material: Material): [number, number, number] => {
  const [r, g, b] = linearOf(rgbOf(material.glow));
  return [r * material.glowStrength, g * material.glowStrength, b * material.glowStrength];
};

/** What a signal of a circuit is now. */
export const signalOf = (name: string, now: Pick<SurfaceNow, 'opacity' | 'face'>): number =>
  name === 'opacity' ? now.opacity : (now.face?.expressions[name as never] ?? 0);
