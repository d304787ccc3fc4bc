/** Flattens the layers of a face into maps when they change, so that the face is drawn in one pass. */
import {
  AddEquation,
  Color,
  CustomBlending,
  DstColorFactor,
  Mesh,
  OneFactor,
  OneMinusSrcAlphaFactor,
  OneMinusSrcColorFactor,
  OrthographicCamera,
  PlaneGeometry,
  Scene,
  Vector2,
  Vector3,
  Vector4,
  ZeroFactor,
  type BlendingDstFactor,
  type BlendingSrcFactor,
  type ShaderMaterial,
  type Texture,
  type WebGLRenderer,
  type WebGLRenderTarget,
} from 'three';
import type { BlendMode, Layer } from '../../core/document/schema';
import { rgbOf } from '../../core/maths/srgb';
import { isAffine } from '../../core/makeup/affine';
import { packTiles, type Tile } from '../../core/makeup/atlas';
import { surfaceOf } from '../../core/kinds/objects/finish';
import { planLook, type Step } from '../../core/makeup/plan';
import type { Bounds } from '../../core/face/region-mask';
import type { FaceRegion } from '../../core/face/region-names';
import type { AssetPicture } from '../effect/asset-picture';
import { fineTarget, passMaterial, texture, value } from '../passes';
import { FLATTEN_FRAGMENT, FLATTEN_VERTEX, OUTPUTS, type Output } from './flatten-shader';
import { limitUniforms, setLimit, type LayerMask } from './limit-shader';
import { paintedBounds } from './painted-bounds';
import type { RegionTextures } from './region-textures';
import type { SkinNow } from './skin-surface';

/** A material on a layer, at the moment. */
export type SkinOf = Pick<SkinNow, 'material' | 'effect' | 'time'>;

/** A layer as it is now. */
export interface LayerNow extends LayerMask {
  readonly opacity: number;
  readonly picture: AssetPicture | null;
  /** Changes with the moment of a video. */
  readonly moment: number;
  readonly limit: LayerMask | null;
  /** What it is made of; null is colour. */
  readonly skin: SkinOf | null;
}

export interface FlatStep {
  readonly mode: BlendMode | 'affine';
  readonly bounds: Bounds;
  /** From the layout to the maps: offset, scale. */
  readonly toTile: readonly [number, number, number, number];
  readonly givesWay: boolean;
  readonly onTeeth: boolean;
  readonly beyondLips: boolean;
}

const LARGEST = 4096;
const WHITE = new Color(1, 1, 1);
const NONE = new Color(0, 0, 0);

type Factors = readonly [BlendingSrcFactor, BlendingDstFactor];
/** How the blend unit joins a layer's factor and addition with those of the layers beneath. */
const JOINS: Record<'factor' | 'plus', (mode: BlendMode) => Factors | null> = {
  factor: (mode) =>
    mode === 'multiply'
      ? [DstColorFactor, ZeroFactor]
      : mode === 'screen'
        ? [ZeroFactor, OneMinusSrcColorFactor]
        : mode === 'plus-lighter'
          ? null
          : [ZeroFactor, OneMinusSrcAlphaFactor],
  plus: (mode) =>
    mode === 'multiply'
      ? [DstColorFactor, ZeroFactor]
      : mode === 'screen'
        ? [OneFactor, OneMinusSrcColorFactor]
        : mode === 'plus-lighter'
          ? [OneFactor, OneFactor]
          : [OneFactor, OneMinusSrcAlphaFactor],
};

const same = (a: readonly LayerNow[], b: readonly LayerNow[]): boolean =>
  a.length === b.length &&
  a.every((x, i) => {
    const y = b[i]!;
    return (
      x.layer === y.layer &&
      x.opacity === y.opacity &&
      x.painted === y.painted &&
      x.version === y.version &&
      x.moment === y.moment &&
      x.picture?.texture === y.picture?.texture &&
      x.picture?.rect.join() === y.picture?.rect.join() &&
      x.limit?.layer === y.limit?.layer &&
      x.limit?.painted === y.limit?.painted &&
      x.limit?.version === y.limit?.version
    );
  });

/** Teeth are told by the picture; a layer on them lies in the mouth whether it covers that or not. */
const onTeeth = (layer: Layer): boolean => layer.region === 'teeth';

const LIPS: ReadonlySet<FaceRegion> = new Set(['lips', 'upperLip', 'lowerLip', 'lipLiner']);
/** A mask that is painted for the lips may draw fuller ones. */
export const beyondLips = ({ layer, painted }: Pick<LayerNow, 'layer' | 'painted'>): boolean =>
  painted !== null && LIPS.has(layer.region);

/** Its surface does more than take part in the colour. */
const isFinished = ({ layer }: LayerNow): boolean => layer.finish !== 'painted';

type Planned = LayerNow & {
  readonly blend: BlendMode;
  readonly bounds: Bounds;
  readonly givesWay: boolean;
  readonly onTeeth: boolean;
  readonly beyondLips: boolean;
};

export class LookFlattener {
  steps: readonly FlatStep[] = [];
  /** Whether any layer catches light. */
  finished = false;
  /** How often layers were flattened; for tests and benches. */
  flattened = 0;
  private layers: readonly LayerNow[] = [];
  private density = 0;
  private maps: readonly WebGLRenderTarget[] = [];
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly material: ShaderMaterial;

  /** `inOpenings` flattens what lies over the eyes and the mouth, else what lies on the skin. */
  constructor(
    private readonly regions: RegionTextures,
    private readonly inOpenings: boolean,
  ) {
    this.material = passMaterial(
      FLATTEN_FRAGMENT,
      {
        bounds: value(new Vector4()),
        toTile: value(new Vector4()),
        kind: value(0),
        region: texture(),
        painted: texture(),
        isPainted: value(false),
        ...limitUniforms(),
        inOpenings: value(inOpenings),
        covers: value(new Vector2()),
        picture: texture(),
        hasPicture: value(false),
        rect: value(new Vector4(0, 0, 1, 1)),
        tint: value(new Vector3()),
        opacity: value(1),
        multiplies: value(false),
        gloss: value(new Vector3()),
        sparkle: value(new Vector3()),
      },
      FLATTEN_VERTEX,
    );
    Object.assign(this.material, {
      transparent: true,
      blending: CustomBlending,
      blendEquation: AddEquation,
      blendSrcAlpha: OneFactor,
      blendDstAlpha: OneMinusSrcAlphaFactor,
    });
    const quad = new Mesh(new PlaneGeometry(2, 2), this.material);
    quad.frustumCulled = false;
    this.scene.add(quad);
  }

  map(output: Output): Texture | null {
    return this.maps[OUTPUTS.indexOf(output)]?.texture ?? null;
  }

  /**
   * Brings the maps up to date. `layers` run from the lowest to the topmost, `density` is the pixels along a side of the
   * whole layout. True when anything had to be flattened.
   */
  update(renderer: WebGLRenderer, layers: readonly LayerNow[], density: number): boolean {
    if (density === this.density && same(layers, this.layers)) return false;
    [this.layers, this.density] = [layers, density];
    const shown = layers.filter(({ layer: l }) =>
      this.inOpenings ? onTeeth(l) || l.coversEyes || l.coversMouth : !onTeeth(l),
    );
    this.finished = shown.some(isFinished);
    const planned = shown.map((now): Planned => {
      const { layer } = now;
      const { bounds } = this.regions.get(layer.region, layer.softness);
      return {
        ...now,
        blend: layer.blend,
        bounds: now.painted ? paintedBounds(now.painted) : bounds,
        givesWay: layer.givesWay,
        onTeeth: onTeeth(layer),
        beyondLips: beyondLips(now),
      };
    });
    const steps = planLook(planned);
    this.flatten(renderer, steps, density);
    this.flattened++;
    return true;
  }

  private flatten(renderer: WebGLRenderer, steps: readonly Step<Planned>[], wanted: number): void {
    let density = wanted;
    const most = Math.min(LARGEST, renderer.capabilities.maxTextureSize);
    const boundsAt = (b: Bounds): Bounds => {
      const whole = (x: number, by: number) =>
        Math.min(1, Math.max(0, (by < 0 ? Math.floor : Math.ceil)(x * density + by) / density));
      return [whole(b[0], -1), whole(b[1], -1), whole(b[2], 1), whole(b[3], 1)];
    };
    const sizes = () =>
      steps.map(({ bounds }) => {
        const [left, top, right, bottom] = boundsAt(bounds);
        return { width: Math.round((right - left) * density), height: Math.round((bottom - top) * density) };
      });
    let atlas = packTiles(sizes(), most);
    // A look of many large steps is kept in coarser maps rather than not at all.
    while (!atlas) {
      density /= 2;
      atlas = packTiles(sizes(), most);
    }
    const { width, height, tiles } = atlas;
    if (this.maps[0]?.width !== width || this.maps[0].height !== height) {
      this.maps.forEach((m) => m.dispose());
      this.maps = OUTPUTS.map(() => fineTarget(renderer, width, height));
    }
    this.steps = steps.map(({ mode, bounds, givesWay, onTeeth, beyondLips }, i) => ({
      mode,
      bounds: boundsAt(bounds),
      givesWay,
      onTeeth,
      beyondLips,
      toTile: toTile(tiles[i]!, boundsAt(bounds), density, width, height),
    }));
    const before = {
      target: renderer.getRenderTarget(),
      colour: renderer.getClearColor(new Color()),
      alpha: renderer.getClearAlpha(),
    };
    OUTPUTS.forEach((output, kind) => {
      const isColour = output === 'factor' || output === 'plus';
      if (!isColour && !this.finished) return;
      renderer.setRenderTarget(this.maps[kind]!);
      // Clear colours are multiplied by their alpha.
      const isFactor = output === 'factor';
      renderer.setClearColor(isFactor ? WHITE : NONE, isFactor ? 1 : 0);
      renderer.clear();
      this.material.uniforms.kind!.value = kind;
      steps.forEach(({ layers }, i) => {
        for (const layer of layers) this.layer(renderer, layer, this.steps[i]!, output);
      });
    });
    renderer.setRenderTarget(before.target);
    renderer.setClearColor(before.colour, before.alpha);
  }

  private layer(renderer: WebGLRenderer, now: Planned, step: FlatStep, output: Output): void {
    const { layer, limit, picture } = now;
    // Modes that are no affine map are kept as a colour and an opacity, which is what normal blending keeps.
    const mode = isAffine(layer.blend) ? layer.blend : 'normal';
    if (output === 'factor' || output === 'plus') {
      const factors = JOINS[output](mode);
      if (!factors) return;
      [this.material.blendSrc, this.material.blendDst] = factors;
    } else [this.material.blendSrc, this.material.blendDst] = [OneFactor, OneMinusSrcAlphaFactor];
    const u = this.material.uniforms;
    const surface = surfaceOf(layer.finish, layer.shine);
    (u.bounds!.value as Vector4).set(...now.bounds);
    (u.toTile!.value as Vector4).set(...step.toTile);
    u.region!.value = this.regions.get(layer.region, layer.softness).texture;
    u.painted!.value = now.painted;
    u.isPainted!.value = now.painted !== null;
    setLimit(u, this.regions, limit, layer.maskedOut);
    (u.covers!.value as Vector2).set(
      layer.coversEyes && !onTeeth(layer) ? 1 : 0,
      layer.coversMouth || onTeeth(layer) ? 1 : 0,
    );
    u.picture!.value = picture?.texture ?? null;
    u.hasPicture!.value = picture !== null;
    if (picture) (u.rect!.value as Vector4).set(...picture.rect);
    (u.tint!.value as Vector3).set(...rgbOf(layer.tint));
    u.opacity!.value = now.opacity;
    u.multiplies!.value = mode === 'multiply';
    (u.gloss!.value as Vector3).set(surface.gloss, surface.roughness, surface.metal);
    (u.sparkle!.value as Vector3).set(surface.shimmer, surface.matte, surface.lit);
    this.material.uniformsNeedUpdate = true;
    renderer.render(this.scene, this.camera);
  }

  dispose(): void {
    this.maps.forEach((m) => m.dispose());
    this.material.dispose();
  }
}

const toTile = (
  tile: Tile,
  [left, top]: Bounds,
  density: number,
  width: number,
  height: number,
): FlatStep['toTile'] => [
  (tile.left - left * density) / width,
  (tile.top - top * density) / height,
  density / width,
  density / height,
];
