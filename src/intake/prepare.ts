/** Prepares an asset anew from its original: smaller, lighter, repaired, or as it came. */
import { browserCodec } from './browser-codec';
import type { AssetDraft, KeptBytes, PreparedDraft } from './drafts';
import type { IntakeHooks } from './hooks';
import { prepareSound } from './jobs/media';
import { prepareModelAsset } from './jobs/models';
import { prepareSurroundings } from './jobs/others';
import { encodePicture, pictureDraft } from './jobs/pictures';
import { prepareSequence } from './jobs/sequences';
import type {
  ModelPrep,
  PicturePrep,
  SequencePrep,
  SoundPrep,
  SurroundingsPrep,
} from '../core/document/schema';
import { AS_IT_IS } from '../core/assets/models/as-it-is';
import { refuse } from '../core/assets/refuse';

/** What is to be prepared: the asset without its files, and the files it came as. */
export interface PrepareRequest extends Pick<AssetDraft, 'name' | 'facts' | 'from'> {
  readonly originals: readonly KeptBytes[];
  /** Of the asset's kind; null leaves it as it is. */
  readonly prep: PicturePrep | SequencePrep | ModelPrep | SoundPrep | SurroundingsPrep | null;
}

const plain = (draft: AssetDraft): PreparedDraft => ({ draft, deviation: null });

const preparePicture = async (request: PrepareRequest, prep: PicturePrep | null): Promise<AssetDraft> => {
  const [original] = request.originals;
  const raster = await browserCodec.decode(original!.bytes, original!.mime);
  const { facts, name, from } = request;
  const layer = facts.kind === 'picture' && facts.layer ? { layer: facts.layer } : {};
  if (!prep) return pictureDraft(name, raster, original!, { from, ...layer });
  const encoded = await encodePicture(raster, prep);
  return pictureDraft(name, encoded.raster, encoded.file, { original: original!, prep, from, ...layer });
};

export const prepareAsset = async (
  request: PrepareRequest,
  hooks: Pick<IntakeHooks, 'progress'>,
): Promise<PreparedDraft> => {
  const { facts, originals, prep } = request;
  const [first] = originals;
  switch (facts.kind) {
    case 'picture':
      return plain(await preparePicture(request, prep as PicturePrep | null));
    case 'sequence':
      return plain(
        await prepareSequence(
          { ...request, facts },
          originals,
          (prep as SequencePrep | null) ?? { longest: null, quality: 100, every: 1 },
          hooks,
        ),
      );
    case 'model':
      return prepareModelAsset(request, first!, (prep as ModelPrep | null) ?? AS_IT_IS, hooks);
    case 'sound':
      return plain(await prepareSound(request, first!, prep as SoundPrep | null, facts.loop, hooks));
    case 'surroundings':
      return plain(await prepareSurroundings(request, first!, prep as SurroundingsPrep | null));
    default:
      return refuse(
        'prepare.none',
        `${request.name} is left as it is: there is nothing to prepare about its kind.`,
      );
  }
};
