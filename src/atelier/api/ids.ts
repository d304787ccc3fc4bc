/** New ids; chance lives here, not in the core. */
import type {
  AssetId,
  CircuitId,
  CompoundId,
  ControlId,
  CueId,
  DriveId,
  LookId,
  ObjectId,
  PromptId,
  SceneId,
  TargetId,
  VariableId,
} from '../../core/document/schema';

const short = (): string => crypto.randomUUID().replace(/-/g, '').slice(0, 12);

/** An id of any kind: `obj`, `cue`, `beat`, `act`, `scene`, `target`. */
export const newId = (kind: string): string => `${kind}_${short()}`;

export const newObjectId = (): ObjectId => `obj_${short()}` as ObjectId;
export const newAssetId = (): AssetId => `asset_${short()}` as AssetId;
export const newCueId = (): CueId => `cue_${short()}` as CueId;
export const newPartId = (kind: 'beat' | 'act'): string => `${kind}_${short()}`;
export const newSceneId = (): SceneId => `scene_${short()}` as SceneId;
export const newTargetId = (): TargetId => `target_${short()}` as TargetId;
export const newLookId = (): LookId => `look_${short()}` as LookId;
export const newControlId = (): ControlId => `control_${short()}` as ControlId;
export const newVariableId = (): VariableId => `variable_${short()}` as VariableId;
export const newPromptId = (): PromptId => `prompt_${short()}` as PromptId;
export const newCompoundId = (): CompoundId => `compound_${short()}` as CompoundId;
export const newCircuitId = (): CircuitId => `circuit_${short()}` as CircuitId;
export const newDriveId = (): DriveId => `drive_${short()}` as DriveId;
