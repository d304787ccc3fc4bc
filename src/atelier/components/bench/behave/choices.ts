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
  const document = useEffectStore();
  const named = (list: readonly { readonly id: string; readonly name: string }[]): Choice[] =>
    list.map(({ id, name }) => ({ value: id, label: name || 'Without a name' }));
  return {
    objects: computed(() => named(stackOrder(document.effect).filter((o) => o.kind !== 'occluder'))),
    ofKind: (kind: ObjectKind) => named(stackOrder(document.effect).filter((o) => o.kind === kind)),
    cues: computed(() =>
      cueOrder(document.effect).map((c) => ({
        value: c.id as string,
        label: cueName(document.effect, c.id),
      })),
    ),
    controls: computed(() => named(byOrder(document.effect.controls))),
    variables: computed(() => named(byOrder(document.effect.variables))),
    prompts: computed(() =>
      byOrder(document.effect.prompts).map((p) => ({
        value: p.id as string,
        label: promptName(document.effect, p.id),
      })),
    ),
    scenes: computed(() => named(sceneOrder(document.effect))),
    targets: computed(() => named(targetOrder(document.effect))),
  };
};
