/** All that can be driven, in one menu: a group for each kind of writable. */
import { computed } from 'vue';
import { circuitInputs } from '../../../../../core/behave/circuit-inputs';
import { cueOrder } from '../../../../../core/document/queries';
import type { CueId, MaterialId, NodeId, ObjectId, VariableId } from '../../../../../core/document/schema';
import {
  WRITABLE_KINDS,
  writableKind,
  type Writable,
  type WritableKind,
  type WritableNamed,
} from '../../../../../core/kinds/writables/writables';
import { actionSummary, circuitInputWords, cueName, targetsWords } from '../../../../behave-words';
import { useEffectStore } from '../../../../stores/effect';
import { useChoices } from '../../../common/choices';

/** A line of the menu, with what is driven when it is chosen. */
interface Offer {
  readonly label: string;
  readonly writable: Writable;
}
/** Tells the lines apart: of a number it is the object, whichever number of it is driven. */
const LINES: { readonly [K in WritableKind]: (writable: WritableNamed<K>) => string | null } = {
  number: ({ objects }) => objects[0] ?? null,
  duration: ({ cue, action }) => cue && `${cue} ${action}`,
  variable: ({ variable }) => variable,
  circuit: ({ material, node, port }) => material && `${material} ${node} ${port}`,
};
const lineOf = (writable: Writable): string | null => LINES[writable.kind](writable as never);

export const useWritables = () => {
  const effectStore = useEffectStore();
  const choices = useChoices();
  const offers: { readonly [K in WritableKind]: () => readonly Offer[] } = {
    number: () =>
      choices.objects.value.map(({ value, label }) => ({
        label,
        writable: { kind: 'number', objects: [value as ObjectId], property: 'size' },
      })),
    duration: () =>
      cueOrder(effectStore.effect).flatMap((cue) =>
        cue.beats.flatMap((beat) =>
          beat.actions
            .filter((action) => action.duration > 0)
            .map((action) => ({
              label: `${targetsWords(effectStore.effect, action)} ${actionSummary(effectStore.effect, action)} (${cueName(effectStore.effect, cue.id)})`,
              writable: { kind: 'duration' as const, cue: cue.id as CueId, action: action.id },
            })),
        ),
      ),
    variable: () =>
      choices.variables.value.map(({ value, label }) => ({
        label,
        writable: { kind: 'variable', variable: value as VariableId },
      })),
    circuit: () =>
      circuitInputs(effectStore.effect).map(({ material, node, port }) => ({
        label: circuitInputWords(effectStore.effect, material as MaterialId, node as NodeId, port),
        writable: { kind: 'circuit', material, node, port },
      })),
  };
  const groups = computed(() =>
    WRITABLE_KINDS.map((kind) => ({
      label: writableKind(kind).group,
      options: offers[kind]().map((offer) => ({ ...offer, value: lineOf(offer.writable)! })),
    })),
  );
  return {
    groups,
    lineOf,
    /** What is driven when a line of the menu is chosen. */
    chosen: (line: string): Writable | undefined =>
      groups.value.flatMap(({ options }) => options).find(({ value }) => value === line)?.writable,
  };
};
