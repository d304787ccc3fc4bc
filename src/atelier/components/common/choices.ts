/** What can be chosen for what cues name: objects, cues, controls and so on. */
import { computed } from 'vue';
import { cueOrder, inOrder, sceneOrder, stackOrder, targetOrder } from '../../../core/document/queries';
import type { ObjectKind } from '../../../core/document/schema';
import type { Referred } from '../../../core/schema/referred';
import { cueName, promptName } from '../../behave-words';
import { useEffectStore } from '../../stores/effect';

export interface Choice {
  readonly value: string;
  readonly label: string;
}

export const useChoices = () => {
  const effectStore = useEffectStore();
  const named = (list: readonly { readonly id: string; readonly name: string }[]): Choice[] =>
    list.map(({ id, name }) => ({ value: id, label: name || 'Without a name' }));
  const all = {
    objects: computed(() => named(stackOrder(effectStore.effect).filter((o) => o.kind !== 'occluder'))),
    cues: computed(() =>
      cueOrder(effectStore.effect).map((c) => ({
        value: c.id as string,
        label: cueName(effectStore.effect, c.id),
      })),
    ),
    controls: computed(() => named(inOrder(effectStore.effect.controls))),
    variables: computed(() => named(inOrder(effectStore.effect.variables))),
    prompts: computed(() =>
      inOrder(effectStore.effect.prompts).map((p) => ({
        value: p.id as string,
        label: promptName(effectStore.effect, p.id),
      })),
    ),
    scenes: computed(() => named(sceneOrder(effectStore.effect))),
    assets: computed(() =>
      named(
        Object.values(effectStore.effect.assets).filter(
          (a) => a.kind === 'picture' || a.kind === 'sequence' || a.kind === 'video',
        ),
      ),
    ),
    targets: computed(() => named(targetOrder(effectStore.effect))),
  };
  return {
    ...all,
    ofKind: (kind: ObjectKind) => named(stackOrder(effectStore.effect).filter((o) => o.kind === kind)),
    /** What there is of something that can be named; nothing of what is not chosen from a list. */
    of: (to: Referred): readonly Choice[] => (to in all ? all[to as keyof typeof all].value : []),
  };
};
