/** What is put on the board: chosen from what is offered, hung on a loose wire, dropped from the Stack. */
import { onBeforeUnmount, ref } from 'vue';
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import type { Recipe } from '../../../../../core/behave/recipes/recipes';
import type { BehaviourNodes, CompoundId, NodeId } from '../../../../../core/document/schema';
import type { StackRow } from '../../../../../core/document/stack-rows';
import type { BoardId } from '../../../../../core/edits/board-nodes';
import { putCueOnBoard } from '../../../../../core/edits/cue-circuit-edits';
import type { PortOf } from '../../../../../core/edits/graph-edits';
import { textOfCompound } from '../../../../../core/edits/kept-compound';
import type { BoardPlace } from '../../../../../core/graph/graph';
import { fittingPort } from '../../../../../core/kinds/nodes/fitting';
import { inputOf, outputOf, portsOf, type NodeKind } from '../../../../../core/kinds/nodes/nodes';
import { newId } from '../../../../api/ids';
import { addRecipeFor } from '../../../../commands/cue-commands';
import { useBoardThingStore, type BoardThing } from '../../../../stores/board-thing';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { useKeptCompoundsStore } from '../../../../stores/kept-compounds';
import type { LooseWire } from './loose-wire';
import type { Offer } from './offered-nodes';

interface Board {
  nodes(): BehaviourNodes;
  board(): BoardId | null;
  /** Where the board is looked at. */
  middle(): BoardPlace;
  /** The place on the board at a point of the page. */
  placeAt(x: number, y: number): BoardPlace;
  /** Beside the node that is chosen; null while none is, or several are. */
  beside(): BoardPlace | null;
  /** The nearest place where something of this height lies on no node. */
  freePlace(wanted: BoardPlace, height: number): BoardPlace;
  add(kind: NodeKind, at: BoardPlace, set: object | null): { readonly id: NodeId } | null;
  connect(from: PortOf, to: PortOf): void;
  paste(text: string, at: BoardPlace): string[];
  show(ids: readonly string[]): void;
  say(why: string): void;
}

/** Of the nodes that set off and put back a cue, nearly. */
const RECIPE_HEIGHT = 260;

export const useBoardAdding = (on: Board) => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const things = useBoardThingStore();
  const keptCompounds = useKeptCompoundsStore();
  /** A wire that was let go of where nothing is: what can be put there is offered. */
  const loose = ref<LooseWire | null>(null);
  const letGo = (from: PortOf, isOutput: boolean, at: BoardPlace): void => {
    const node = on.nodes()[from.node as NodeId];
    const port = node && (isOutput ? outputOf : inputOf)(node, from.port);
    if (port) loose.value = { from, type: port.type, way: isOutput ? 'fromOutput' : 'fromInput', at };
  };
  const leave = (): void => {
    loose.value = null;
    things.clear();
  };

  /** Where a wire was let go of, with that. */
  const hang = ({ from, type, way, at }: LooseWire, kind: NodeKind, set: object | null): void => {
    effectStore.asOneStep('loose wire', () => {
      const made = on.add(kind, at, set);
      const port = made && fittingPort(portsOf(on.nodes()[made.id]!), type, way);
      if (!made || port === null) return;
      const other = { node: made.id, port };
      if (way === 'fromOutput') on.connect(from, other);
      else on.connect(other, from);
      on.show([made.id]);
    });
    effectStore.endGesture();
  };
  /** The cue of a recipe for what is selected, and the nodes that set it off. */
  const addRecipe = (recipe: Recipe, at: BoardPlace): void => {
    const before = new Set(Object.keys(on.nodes()));
    effectStore.asOneStep('recipe on the board', () => {
      const cue = addRecipeFor(recipe, desk.selection);
      const board = on.board();
      if (cue && board)
        effectStore.edit(putCueOnBoard(effectStore.effect, cue, board, at, () => newId('node') as NodeId));
    });
    effectStore.endGesture();
    on.show(Object.keys(on.nodes()).filter((id) => !before.has(id)));
  };
  /** A compound from the shelf; where this effect has it otherwise, its own is used, and that is said. */
  const addKept = async (id: string, at: BoardPlace): Promise<void> => {
    const board = on.board();
    const text = await keptCompounds.textOf(id);
    // Meant for the board that was open when it was chosen.
    if (on.board() !== board) return;
    if (text === null) return on.say(keptCompounds.error ?? '');
    const item = keptCompounds.items.find((one) => one.id === id);
    const own = item && effectStore.effect.compounds[item.compound as CompoundId];
    const differs = own && textOfCompound(effectStore.effect, own.id) !== text;
    on.show(on.paste(text, at));
    if (differs)
      on.say(
        `“${own.name}” is in this effect already and differs from the one on your shelf. This effect's own is used.`,
      );
  };
  /** Where a wire hangs loose or something was dropped; beside the node that is chosen; else where the board is looked at. */
  const add = (offer: Offer): void => {
    const hanging = loose.value;
    const dropped = things.thing?.at;
    leave();
    const at = dropped ?? on.beside() ?? on.middle();
    if ('kept' in offer) return void addKept(offer.kept, at);
    if ('recipe' in offer) return addRecipe(offer.recipe, on.freePlace(at, RECIPE_HEIGHT));
    if (hanging) return hang(hanging, offer.kind, offer.set);
    const made = on.add(offer.kind, at, offer.set);
    if (made) on.show([made.id]);
  };

  /** Objects of the Stack, and their numbers, are dropped on the board. */
  let stop = (): void => {};
  const thingOf = (data: Record<string | symbol, unknown>): BoardThing | null => {
    if ('thing' in data) return data['thing'] as BoardThing;
    const row = data['row'] as StackRow | undefined;
    return row?.kind === 'object' ? { object: row.object.id, property: null } : null;
  };
  const target = (node: HTMLElement | null): void => {
    stop();
    things.hasBoard = node !== null;
    if (!node) return;
    stop = dropTargetForElements({
      element: node,
      canDrop: ({ source }) => thingOf(source.data) !== null,
      onDrop: ({ source, location }) => {
        const thing = thingOf(source.data);
        const { clientX, clientY } = location.current.input;
        if (thing) things.offer(thing, on.placeAt(clientX, clientY));
      },
    });
  };
  onBeforeUnmount(() => {
    target(null);
    things.clear();
  });
  return { loose, letGo, add, leave, target };
};
