/** What can be done to what is selected, for buttons, keys and the palette alike. */
import { changeObjects, removeObjects, type Common } from '../../core/edits/object-edits';
import { kindOf } from '../../core/kinds/objects/objects';
import { modelOf } from '../../core/document/part-queries';
import { withDescendants } from '../../core/document/queries';
import type { EffectObject, FaceChoice, ObjectId } from '../../core/document/schema';
import {
  copyToFace,
  duplicateObjects,
  mirrorCopy,
  mirrorObjects,
  type CuesOfCopy,
  type MaterialsOfCopy,
} from '../../core/edits/copy-edits';
import { groupObjects, outermostOf, ungroupObjects } from '../../core/edits/stack-edits';
import { newId, newObjectId } from '../api/ids';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';

/** The selected objects that are still there, the last chosen last. */
export const selectedObjects = (): EffectObject[] => {
  const { effect } = useEffectStore();
  return useDeskStore()
    .selection.map((id) => effect.objects[id])
    .filter((o): o is EffectObject => o !== undefined);
};
const selectedIds = (): ObjectId[] => selectedObjects().map((o) => o.id);

/** Changes fields of everything that is selected; what is locked is left alone unless it is being unlocked. */
export const changeSelected = (
  change: (object: EffectObject) => Common | null,
  label: string,
  gesture: string | null = null,
): void => {
  const effectStore = useEffectStore();
  const changes = new Map<ObjectId, Common>();
  for (const object of selectedObjects()) {
    const wanted = change(object);
    if (wanted) changes.set(object.id, wanted);
  }
  if (changes.size > 0) effectStore.edit(changeObjects(effectStore.effect, changes, label), gesture);
};

export const toggleVisible = (id: ObjectId): void => {
  const effectStore = useEffectStore();
  const object = effectStore.effect.objects[id];
  if (!object) return;
  const change = new Map([[id, { visible: !object.visible }]]);
  effectStore.edit(changeObjects(effectStore.effect, change, object.visible ? 'Hide' : 'Show'));
};

export const toggleLocked = (id: ObjectId): void => {
  const effectStore = useEffectStore();
  const object = effectStore.effect.objects[id];
  if (!object) return;
  const change = new Map([[id, { locked: !object.locked }]]);
  effectStore.edit(changeObjects(effectStore.effect, change, object.locked ? 'Unlock' : 'Lock'));
};

export const toggleSelectedVisible = (): void => {
  const show = selectedObjects().every((o) => !o.visible);
  changeSelected(() => ({ visible: show }), show ? 'Show' : 'Hide');
};

/** Makes copies with an edit and selects them. */
const copied = (
  make: (made: Map<ObjectId, ObjectId>) => Parameters<ReturnType<typeof useEffectStore>['edit']>[0],
): void => {
  const effectStore = useEffectStore();
  const originals = outermostOf(effectStore.effect, selectedIds());
  if (originals.length === 0) return;
  const made = new Map<ObjectId, ObjectId>();
  if (effectStore.edit(make(made))) useDeskStore().selection = originals.flatMap((o) => made.get(o.id) ?? []);
};
export const duplicateSelected = (cues: CuesOfCopy = 'shared', materials: MaterialsOfCopy = 'shared'): void =>
  copied((made) => duplicateObjects(useEffectStore().effect, selectedIds(), newId, cues, made, materials));
export const mirrorCopySelected = (): void =>
  copied((made) => mirrorCopy(useEffectStore().effect, selectedIds(), newId, made));
export const copySelectedToFace = (face: FaceChoice): void =>
  copied((made) => copyToFace(useEffectStore().effect, selectedIds(), face, newId, made));

export const mirrorSelected = (): void => {
  const effectStore = useEffectStore();
  if (selectedIds().length > 0) effectStore.edit(mirrorObjects(effectStore.effect, selectedIds()));
};

export const removeSelected = (): void => {
  const effectStore = useEffectStore();
  const ids = selectedIds();
  if (ids.length === 0) return;
  effectStore.edit(removeObjects(effectStore.effect, ids));
  useDeskStore().selection = [];
};

export const groupSelected = (): void => {
  const effectStore = useEffectStore();
  const group = newObjectId();
  if (selectedIds().length === 0) return;
  if (effectStore.edit(groupObjects(effectStore.effect, selectedIds(), group)))
    useDeskStore().selected = group;
};
export const ungroupSelected = (): void => {
  const effectStore = useEffectStore();
  const groups = selectedObjects().filter((o) => o.kind === 'group');
  if (groups.length === 0) return;
  const held = groups.flatMap((g) =>
    withDescendants(effectStore.effect, g.id)
      .filter((o) => o.parent === g.id)
      .map((o) => o.id),
  );
  if (
    effectStore.edit(
      ungroupObjects(
        effectStore.effect,
        groups.map((g) => g.id),
      ),
    )
  )
    useDeskStore().selection = held;
};

/** Shows nothing but what is selected, with what hangs in it and the groups it hangs in; again shows all. */
export const toggleIsolated = (): void => {
  const desk = useDeskStore();
  const { effect } = useEffectStore();
  if (desk.isolated) {
    desk.isolated = null;
    return;
  }
  const kept = new Set(
    selectedObjects().flatMap((object) => [
      ...withDescendants(effect, object.id).map((o) => o.id),
      // A part is drawn by its model.
      ...(kindOf(object).isPart ? [modelOf(effect, object)?.id ?? object.id] : []),
    ]),
  );
  if (kept.size > 0) desk.isolated = kept;
};
