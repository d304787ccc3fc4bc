/** Files that hang over the atelier and are dropped on it: where they go, said in words before they are let go. */
import { useEventListener } from '@vueuse/core';
import { computed, ref, shallowRef, type Ref } from 'vue';
import type { Anchor, ObjectId } from '../../core/document/schema';
import type { Pointed } from '../../core/placing/pointed';
import { destination } from '../commands/place-commands';
import { carriesFiles } from '../intake/dropped';
import { spotAround, type DraggedTypes } from '../intake/drop-spots';
import type { Landing } from '../intake/land';
import { useEffectStore } from '../stores/effect';
import { useImportsStore } from '../stores/imports';
import { landingWords } from '../words';

/** What the Viewfinder shows under the pointer. */
export interface UnderPointer {
  readonly pointed: Pointed | null;
  readonly object: ObjectId | null;
}

interface Aim {
  readonly landing: Landing;
  readonly says: string;
  /** What takes the files, to be marked. */
  readonly element: Element | null;
}

const typesOf = (event: DragEvent): DraggedTypes =>
  [...(event.dataTransfer?.items ?? [])].filter((i) => i.kind === 'file').map((i) => i.type);

export const useFileDrop = (under: (event: DragEvent) => UnderPointer | null, dropped: () => void) => {
  const imports = useImportsStore();
  const effectStore = useEffectStore();
  /** Counts enter and leave of nested elements: above zero, files hang over the window. */
  const depth = ref(0);
  const aim = shallowRef<Aim | null>(null);

  const onAnchor = (
    named: Anchor | null,
    more: Partial<Landing> = {},
    element: Element | null = null,
  ): Aim => ({
    landing: { place: true, on: named, ...more },
    says: landingWords(effectStore.effect, destination(named).anchor),
    element,
  });
  const aimAt = (event: DragEvent): Aim => {
    const over = event.target instanceof Element ? event.target : null;
    const taking = spotAround(over, typesOf(event));
    if (taking)
      return {
        landing: { place: false, spot: taking.spot },
        says: taking.spot.says,
        element: taking.element,
      };
    const keeps = over?.closest('[data-keeps]') ?? null;
    if (keeps)
      return {
        landing: { place: false },
        says: 'It is kept with the assets, to be placed later.',
        element: keeps,
      };
    const lane = over?.closest<HTMLElement>('[data-anchor]') ?? null;
    if (lane) {
      // Maps on the row of a thing are its material's, whatever else is selected.
      const object = (lane.dataset.of as ObjectId | undefined) ?? null;
      return onAnchor(JSON.parse(lane.dataset.anchor!) as Anchor, { object }, lane);
    }
    const seen = under(event);
    if (!seen) return onAnchor(null);
    const { pointed, object } = seen;
    return onAnchor(pointed?.anchor ?? null, { at: pointed?.at ?? null, object });
  };
  const mark = (to: Aim | null): void => {
    if (aim.value?.element !== to?.element) {
      aim.value?.element?.removeAttribute('data-aimed');
      to?.element?.setAttribute('data-aimed', '');
    }
    aim.value = to;
  };
  const end = (): void => {
    depth.value = 0;
    mark(null);
  };
  const onDragEnter = (event: DragEvent): void => {
    if (carriesFiles(event)) depth.value++;
  };
  const onDragLeave = (event: DragEvent): void => {
    if (!carriesFiles(event)) return;
    depth.value = Math.max(0, depth.value - 1);
    if (depth.value === 0) mark(null);
  };
  const onDragOver = (event: DragEvent): void => {
    if (carriesFiles(event)) mark(aimAt(event));
  };
  const onDrop = async (event: DragEvent): Promise<void> => {
    const to = event.dataTransfer && carriesFiles(event) ? aimAt(event) : null;
    end();
    if (!to) return;
    dropped();
    await imports.bringInDrop(event.dataTransfer!, to.landing);
  };
  // A drop that another part takes over ends the hovering too.
  useEventListener('drop', end);
  const says: Ref<string | null> = computed(() => (depth.value > 0 ? (aim.value?.says ?? null) : null));
  return { says, onDragEnter, onDragLeave, onDragOver, onDrop };
};
