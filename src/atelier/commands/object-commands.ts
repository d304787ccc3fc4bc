/** What can be done to the selected object, for buttons, keys and the palette alike. */
import { changeObject, duplicateObject, removeObject } from '../../core/document/edits';
import type { ObjectId } from '../../core/document/schema';
import type { Placed } from '../../stage/handles';
import { newObjectId } from '../api/ids';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';

export const toggleVisible = (id: ObjectId): void => {
  const document = useEffectStore();
  const object = document.effect.objects[id];
  if (object)
    document.edit(
      changeObject(document.effect, id, { visible: !object.visible }, object.visible ? 'Hide' : 'Show'),
    );
};

const selectedObject = () => {
  const desk = useDeskStore();
  const document = useEffectStore();
  return desk.selected ? document.effect.objects[desk.selected] : undefined;
};

export const duplicateSelected = (): void => {
  const object = selectedObject();
  if (!object) return;
  const document = useEffectStore();
  const copies = new Map<ObjectId, ObjectId>();
  document.edit(
    duplicateObject(document.effect, object.id, (of) => {
      copies.set(of, newObjectId());
      return copies.get(of)!;
    }),
  );
  useDeskStore().selected = copies.get(object.id) ?? null;
};

export const removeSelected = (): void => {
  const object = selectedObject();
  if (!object) return;
  const document = useEffectStore();
  document.edit(removeObject(document.effect, object.id));
  useDeskStore().selected = null;
};

export const toggleSelectedVisible = (): void => {
  const object = selectedObject();
  if (object) toggleVisible(object.id);
};

const HANDLE_WORDS = { move: 'Move', turn: 'Turn', size: 'Size' } as const;

/** Takes over what a drag of the handles made; one drag in one view is one undo step. */
export const placeSelected = (placed: Placed, view: 'viewfinder' | 'space'): void => {
  const object = selectedObject();
  if (!object) return;
  const document = useEffectStore();
  const { move, turn, scale } = placed;
  const label = HANDLE_WORDS[useDeskStore().handleMode];
  document.edit(
    changeObject(document.effect, object.id, { move: [...move], turn: [...turn], scale: [...scale] }, label),
    view,
  );
};
