/** What can be chosen for what cues name: objects, cues, controls and so on. */
import { computed } from 'vue';
import { cueOrder, sceneOrder, stackOrder, targetOrder } from '../../../../core/document/queries';
import type { ObjectKind } from '../../../../core/document/schema';
import { cueName, promptName } from '../../../behave-words';
import { useEffectStore } from '../../../stores/effect';

export interface Choice {
  readonly value: string;
  readonly label: string;
}

const byOrder = <T extends { readonly order: number; readonly id: string }>(map: Record<string, T>): T[] =>
  Object.values(map).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export const useChoices = () => {
  const effectStore = useEffectStore();
  const named = (list: readonly { readonly id: string; readonly name: string }[]): Choice[] =>
    list.map(({ id, name }) => ({ value: id, label: name || 'Without a name' }));
  return {
    objects: computed(() => named(stackOrder(effectStore.effect).filter((o) => o.kind !== 'occluder'))),
    ofKind: (kind: ObjectKind) => named(stackOrder(effectStore.effect).filter((o) => o.kind === kind)),
    cues: computed(() =>
      cueOrder(effectStore.effect).map((c) => ({
        value: c.id as string,
        label: cueName(effectStore.effect, c.id),
      })),
    ),
    controls: computed(() => named(byOrder(effectStore.effect.controls))),
    variables: computed(() => named(byOrder(effectStore.effect.variables))),
    prompts: computed(() =>
      byOrder(effectStore.effect.prompts).map((p) => ({
        value: p.id as string,
        label: promptName(effectStore.effect, p.id),
      })),
    ),
    scenes: computed(() => named(sceneOrder(effectStore.effect))),
    targets: computed(() => named(targetOrder(effectStore.effect))),
  };
};
