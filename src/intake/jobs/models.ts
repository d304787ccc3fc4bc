/** Models of all formats become GLB; repairs are made from the GLB as it came in. */
import type { Document } from '@gltf-transform/core';
import { companionsOf } from '../../core/assets/models/companions';
import { inspectModel, partsOf } from '../../core/assets/models/inspect';
import { partFacts } from '../../core/assets/models/part-facts';
import { readObj } from '../../core/assets/models/obj';
import { openGlb, openGltf, writeGlb } from '../../core/assets/models/open-model';
import { plainDocument } from '../../core/assets/models/plain-model';
import { isAsItIs } from '../../core/assets/models/as-it-is';
import { prepareModel } from '../../core/assets/models/prepare';
import { settleModel } from '../../core/assets/models/settle';
import { readStl } from '../../core/assets/models/stl';
import { packMoves } from '../../core/face/morph/packed-moves';
import { transferMesh } from '../../core/face/morph/sculpted';
import { sculptedMeshOf } from '../../core/assets/models/sculpted-mesh';
import { refuse } from '../../core/assets/refuse';
import { KIND_WORDS, sniff } from '../../core/assets/sniff';
import type { ModelPrep } from '../../core/document/schema';
import { browserCodec } from '../browser-codec';
import { decodeKtx2, modelDecoders, simplifier } from '../decoders';
import {
  result,
  type AssetDraft,
  type FittedFace,
  type KeptBytes,
  type ModelInside,
  type PreparedDraft,
  type ReadResult,
} from '../drafts';
import type { IntakeHooks } from '../hooks';
import { modelPreview } from '../model-preview';

const glbFile = (bytes: Uint8Array): KeptBytes => ({ bytes, mime: 'model/gltf-binary' });

const open = async (
  bytes: Uint8Array,
  name: string,
  files: ReadonlyMap<string, Uint8Array>,
  folder: string,
): Promise<{ document: Document; notes: string[]; untouched: boolean }> => {
  const companions = companionsOf(files, folder);
  const kind = sniff(bytes);
  switch (kind) {
    case 'glb':
      return { document: await openGlb(bytes, name, modelDecoders), notes: [], untouched: true };
    case 'gltf':
      return { ...(await openGltf(bytes, name, companions, modelDecoders)), untouched: false };
    case 'obj': {
      const model = readObj(bytes, name, companions);
      return {
        document: plainDocument(model.meshes, model.materials),
        notes: [...model.notes],
        untouched: false,
      };
    }
    case 'stl': {
      const model = readStl(bytes, name);
      return { document: plainDocument(model.meshes, new Map()), notes: [...model.notes], untouched: false };
    }
    case 'fbx': {
      const { fbxToGlb } = await import('./fbx');
      const { glb, notes } = await fbxToGlb(bytes, name, companions);
      return { document: await openGlb(glb, name, modelDecoders), notes: [...notes], untouched: false };
    }
    default:
      return refuse('model.unknown', `${name} is ${KIND_WORDS[kind]}, not a model.`);
  }
};

const draftOf = async (
  document: Document,
  bytes: Uint8Array,
  { name, from }: Pick<AssetDraft, 'name' | 'from'>,
  prep: ModelPrep | null,
): Promise<AssetDraft> => ({
  name,
  facts: { kind: 'model', ...inspectModel(document), tree: partFacts(document), prep },
  files: [glbFile(bytes)],
  original: null,
  preview: await modelPreview(bytes),
  from,
});

/** Compression needs a decoder on every page, so a compressed GLB is written anew. */
const needsDecoder = (document: Document): boolean =>
  document
    .getRoot()
    .listExtensionsUsed()
    .some((e) => /draco|meshopt|basisu/i.test(e.extensionName));

/** `files` are what came along, by path; `folder` is where the model lies. */
export const readModel = async (
  bytes: Uint8Array,
  name: string,
  files: ReadonlyMap<string, Uint8Array>,
  folder: string,
  hooks: IntakeHooks,
): Promise<ReadResult> => {
  const opened = await open(bytes, name, files, folder);
  hooks.progress(0.4);
  const packed = needsDecoder(opened.document);
  const settled = await settleModel(opened.document, name, { codec: browserCodec, ktx2: decodeKtx2 });
  hooks.progress(0.7);
  const notes = [...opened.notes, ...settled];
  const keepAsItIs = opened.untouched && !packed && settled.length === 0;
  const glb = keepAsItIs ? bytes : await writeGlb(opened.document);
  const asset = name.replace(/\.(gltf|obj|stl|fbx)$/i, '.glb');
  return result(
    [await draftOf(opened.document, glb, { name: asset, from: { file: name, layer: null } }, null)],
    notes,
  );
};

export const prepareModelAsset = async (
  { name, from }: Pick<AssetDraft, 'name' | 'from'>,
  original: KeptBytes,
  prep: ModelPrep,
  hooks: Pick<IntakeHooks, 'progress'>,
): Promise<PreparedDraft> => {
  const document = await openGlb(original.bytes, name, modelDecoders);
  if (isAsItIs(prep))
    return { draft: await draftOf(document, original.bytes, { name, from }, null), deviation: null };
  const prepared = await prepareModel(document, prep, {
    codec: browserCodec,
    simplifier,
    progress: (share) => hooks.progress(share * 0.9),
  });
  const glb = await writeGlb(prepared.document);
  return {
    draft: await draftOf(prepared.document, glb, { name, from }, prep),
    deviation: prepared.deviation,
  };
};

export const lookInside = async (file: KeptBytes, name: string): Promise<ModelInside> => {
  const document = await openGlb(file.bytes, name, modelDecoders);
  return { parts: partsOf(document), tree: partFacts(document) };
};

/** How a sculpted face reshapes faces. Throws `IconiaError`: `morph.*`, `model.*`. */
export const fitFace = async (file: KeptBytes, name: string): Promise<FittedFace> => {
  const document = await openGlb(file.bytes, name, modelDecoders);
  const { moves, error, by } = transferMesh(sculptedMeshOf(document), name);
  return { moves: packMoves(moves), error, by };
};
