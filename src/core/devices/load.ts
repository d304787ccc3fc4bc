/** What an effect asks of a device, part by part: work of every picture, and what is kept in memory. Known from its document. */
import { assetBytes, usedAssets } from '../document/queries';
import { hasScripts, nodesOf } from '../document/behaviour-queries';
import type { Asset, AssetId, Effect, EffectObject, ObjectId } from '../document/schema';
import { requirementsOf } from '../requirements/requirements';
import { TRACKER_COSTS, trackersOf, type TrackerName } from '../requirements/tracker-costs';
import type { Bytes, Milliseconds } from '../units';
import { costOfObject } from './kind-costs';

/** What a part is: advice goes by it. */
export type PartOf =
  | { readonly of: 'object'; readonly object: ObjectId; readonly kind: EffectObject['kind'] }
  | { readonly of: 'asset'; readonly asset: AssetId; readonly kind: Asset['kind'] }
  | { readonly of: 'tracker'; readonly tracker: TrackerName }
  /** The camera picture itself; telling people from the room; circuits, cues and drives; scripts; what is drawn into. */
  | { readonly of: 'camera' | 'people' | 'behaviour' | 'scripts' | 'surfaces' };

export type LoadPart = PartOf & {
  /** On the machine that was measured. */
  readonly code: Milliseconds;
  /** Pixels, as full pictures of plain colour. */
  readonly screens: number;
  readonly triangles: number;
  readonly bytes: Bytes;
  /** Bytes for every pixel that is drawn. */
  readonly bytesPerPixel: number;
};

const part = (of: PartOf, cost: Partial<Omit<LoadPart, 'of'>>): LoadPart => ({
  code: 0,
  screens: 0,
  triangles: 0,
  bytes: 0,
  bytesPerPixel: 0,
  ...cost,
  ...of,
});

/** Milliseconds of a step of one node, of one script, of a particle, on the machine that was measured (`bench/circuit.ts`, `bench/script.ts`, `bench/fountain.ts`). */
const NODE = 0.0003;
const SCRIPT = 0.11;
const PARTICLE = 0.001;
const CUE = 0.003;
/** A texture with all its smaller copies, in its own bytes. */
const WITH_COPIES = 4 / 3;
const RGBA = 4;
const VERTEX_BYTES = 48;
/** A tracker unpacked, with what it works in, in its bytes on the way. */
const TRACKER_GROWS = 3;
/** Triangles of what lies on a face as a whole; of a solid; of a particle. */
const FACE_TRIANGLES = 900;
const SOLID_TRIANGLES = 600;

/** Bytes an asset takes once it is unpacked. An upper bound where its file may be kept packed. */
const unpackedBytes = (asset: Asset): Bytes => {
  switch (asset.kind) {
    case 'picture':
      return asset.width * asset.height * RGBA * WITH_COPIES;
    case 'sequence':
      return (
        Math.ceil(asset.frames / (asset.grid.columns * asset.grid.rows)) *
        asset.sheet[0] *
        asset.sheet[1] *
        RGBA
      );
    case 'video':
      // A picture that is shown, one that is read, one in the decoder.
      return asset.width * asset.height * RGBA * 3;
    case 'model':
      return asset.textures * asset.texturePixels ** 2 * RGBA * WITH_COPIES + asset.vertices * VERTEX_BYTES;
    case 'sound':
      return asset.duration * asset.sampleRate * asset.channels * 4;
    case 'surroundings':
      return asset.width * asset.height * 8 * 1.5;
    case 'table':
      return RGBA * asset.size ** asset.dimensions;
    case 'font':
      return assetBytes(asset);
  }
};

const trianglesOf = (effect: Effect, object: EffectObject): number => {
  switch (object.kind) {
    case 'model': {
      const asset = object.asset ? effect.assets[object.asset] : undefined;
      return asset?.kind === 'model' ? asset.triangles : 0;
    }
    case 'solid':
      return SOLID_TRIANGLES;
    case 'fountain':
      return particlesOf(object) * 2;
    case 'layer':
    case 'iris':
    case 'lashes':
    case 'retouch':
    case 'morph':
    case 'occluder':
      return FACE_TRIANGLES;
    default:
      return 2;
  }
};

/** Most that are there at once: what is born while one lives, and no more than it may have. */
export const particlesOf = ({ rate, life, most }: Extract<EffectObject, { kind: 'fountain' }>): number =>
  Math.min(most, rate * Math.max(...life));

const ofObject = (effect: Effect, object: EffectObject): LoadPart => {
  const cost = costOfObject(effect, object);
  const particles = object.kind === 'fountain' ? particlesOf(object) : 0;
  return part(
    { of: 'object', object: object.id, kind: object.kind },
    {
      code: cost.code + particles * PARTICLE,
      screens: cost.screens,
      triangles: trianglesOf(effect, object),
      // What is drawn apart, before it is laid over the picture.
      bytesPerPixel: object.kind === 'grade' || object.kind === 'retouch' ? 12 : 0,
    },
  );
};

/** All parts. Objects that are hidden now count: they may be shown at any moment. */
export const loadOf = (effect: Effect): readonly LoadPart[] => {
  const needs = requirementsOf(effect);
  const nodes = nodesOf(effect).length;
  const scripts = nodesOf(effect).filter(({ kind }) => kind === 'script').length;
  const cues = Object.keys(effect.cues).length + Object.keys(effect.drives).length;
  return [
    part({ of: 'camera' }, { code: 0.6, screens: 1.6, bytes: 0, bytesPerPixel: 4 }),
    // Two pictures to show by turns, with their depth.
    part({ of: 'surfaces' }, { bytesPerPixel: 12 }),
    ...(needs.people ? [part({ of: 'people' }, { code: 0.6, screens: 120, bytesPerPixel: 8 })] : []),
    ...(nodes + cues > 0 ? [part({ of: 'behaviour' }, { code: nodes * NODE + cues * CUE })] : []),
    ...(hasScripts(effect) ? [part({ of: 'scripts' }, { code: scripts * SCRIPT, bytes: 8e6 })] : []),
    ...Object.values(effect.objects).map((object) => ofObject(effect, object)),
    ...usedAssets(effect).flatMap((id) => {
      const asset = effect.assets[id];
      return asset
        ? [part({ of: 'asset', asset: id, kind: asset.kind }, { bytes: unpackedBytes(asset) })]
        : [];
    }),
    ...trackersOf(needs).map((tracker) =>
      part({ of: 'tracker', tracker }, { bytes: TRACKER_COSTS[tracker].bytes * TRACKER_GROWS }),
    ),
  ];
};
