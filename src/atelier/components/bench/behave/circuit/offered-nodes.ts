/** What can be put on a board: kinds of nodes, and nodes that are set already. */
import { findRecipes, recipeName, type Recipe } from '../../../../../core/behave/recipes/recipes';
import type { KeptCompound } from '../../../../../core/contract/contract';
import { inOrder } from '../../../../../core/document/queries';
import { useOf } from '../../../../../core/edits/compound-edits';
import type { CompoundId, Effect, EffectObject, NodeId } from '../../../../../core/document/schema';
import { colourOf } from '../../../../../core/kinds/colour-of';
import { fittingPort } from '../../../../../core/kinds/nodes/fitting';
import { NODE_KINDS, nodeKind, portsOf, type NodeKind } from '../../../../../core/kinds/nodes/nodes';
import { NODE_WORDS } from '../../../../../core/kinds/nodes/words/node-words';
import { NODE_GROUPS } from '../../../../../core/kinds/nodes/words/node-words-kind';
import { numberName, offeredNumbers } from '../../../../../core/kinds/numbers';
import { offeredSignals } from '../../../../../core/kinds/signals/offered';
import { newSignal, type Signal } from '../../../../../core/kinds/signals/signals';
import { READY, READY_NAMES, readyTrigger } from '../../../../../core/kinds/triggers/ready-triggers';
import type { BoardThing } from '../../../../stores/board-thing';
import type { LooseWire } from './loose-wire';

/** What becomes of what is chosen: a node, a compound from the shelf, or the cue of a recipe. */
export type Offer =
  | { readonly kind: NodeKind; readonly set: object | null }
  | { readonly kept: string }
  | { readonly recipe: Recipe };
export interface Offered {
  /** Tells it apart from all others. */
  readonly value: string;
  readonly label: string;
  /** More words it is sought by. */
  readonly seek?: string;
  readonly offer: Offer;
}
export interface OfferedGroup {
  readonly label: string;
  readonly options: readonly Offered[];
}

/** Put onto boards in ways of their own. */
const OWN: ReadonlySet<NodeKind> = new Set(['compound', 'enter', 'leave']);
const made = (kind: NodeKind, set: object | null): Offer => ({ kind, set });
const noted = (name: string, note: string): string => (note ? `${name}: ${note}` : name);

/** All that there is; what does not fit the wire that hangs loose is left out. `own` is the object that is worked on. */
export const offeredNodes = (
  effect: Effect,
  own: EffectObject | null,
  loose: LooseWire | null,
  kept: readonly KeptCompound[],
): readonly OfferedGroup[] => {
  const fits = (kind: NodeKind, set?: object): boolean =>
    !loose ||
    fittingPort(set ? portsOf({ kind, set } as never) : nodeKind(kind), loose.type, loose.way) !== null;
  const kinds = NODE_GROUPS.map((group) => ({
    label: group as string,
    options: NODE_KINDS.filter(
      (kind) => !OWN.has(kind) && NODE_WORDS[kind].group === group && fits(kind),
    ).map((kind): Offered => {
      const { name, note, also = '' } = NODE_WORDS[kind];
      return { value: kind, label: `${name}: ${note}`, seek: `${group} ${also}`, offer: made(kind, null) };
    }),
  }));
  const compounds = inOrder(effect.compounds).flatMap(({ id, name, note }): Offered[] => {
    const { set } = useOf(effect, id as CompoundId, 'node_made' as NodeId, [0, 0]);
    if (!fits('compound', set)) return [];
    return [
      { value: `compound:${id}`, label: noted(name, note), seek: 'compound', offer: made('compound', set) },
    ];
  });
  const shelf = loose
    ? []
    : kept.map(({ id, name, note }): Offered => ({
        value: `kept:${id}`,
        label: noted(name, note),
        seek: 'compound shelf',
        offer: { kept: id },
      }));
  const recipes =
    loose || !own
      ? []
      : findRecipes('', own).map((recipe): Offered => ({
          value: `recipe:${recipe.when} ${recipe.then}`,
          label: recipeName(recipe),
          seek: `recipe ready-made cue ${recipe.words ?? ''}`,
          offer: { recipe },
        }));
  return [
    ...kinds,
    { label: 'Compounds of this effect', options: compounds },
    { label: 'Compounds on your shelf', options: shelf },
    {
      label: 'Variables and controls',
      options: valuesOf(effect).filter(({ offer }) => 'kind' in offer && fits(offer.kind)),
    },
    { label: 'Signals', options: fits('signal') ? signalsOf(own) : [] },
    { label: 'Triggers', options: fits('trigger') ? TRIGGERS : [] },
    { label: own ? `Recipes for ${own.name}` : 'Recipes', options: recipes },
  ].filter(({ options }) => options.length > 0);
};

const reads = (signal: Signal): Offer => made('signal', { signal });
/** Each variable, read and written, and each control. */
const valuesOf = (effect: Effect): readonly Offered[] => [
  ...inOrder(effect.variables).flatMap(({ id, name }): Offered[] => [
    {
      value: `read:${id}`,
      label: `Read ${name}`,
      seek: 'variable get',
      offer: reads({ kind: 'variable', variable: id }),
    },
    {
      value: `write:${id}`,
      label: `Write ${name}`,
      seek: 'variable set',
      offer: made('write', { to: { kind: 'variable', variable: id } }),
    },
  ]),
  ...inOrder(effect.controls).map(({ id, name }): Offered => ({
    value: `read:${id}`,
    label: `Read ${name}`,
    seek: 'control slider switch',
    offer: reads({ kind: 'control', control: id }),
  })),
];
const signalsOf = (own: EffectObject | null): readonly Offered[] =>
  offeredSignals(own).map(({ key, words, group, seek, signal }) => ({
    value: `signal:${key}`,
    label: group === 'Others' ? words : `${group}: ${words}`,
    seek,
    offer: reads(signal),
  }));
const TRIGGERS: readonly Offered[] = READY_NAMES.map((name) => ({
  value: `trigger:${name}`,
  label: `When ${READY[name].words}`,
  offer: made('trigger', { trigger: readyTrigger(name) }),
}));

/** What an object, or a number of it, can become on a board: what is read of it, what is written into it. */
export const offeredOfThing = (effect: Effect, { object, property }: BoardThing): readonly OfferedGroup[] => {
  const own = effect.objects[object];
  if (!own) return [];
  const writes = (path: string): Offered => ({
    value: `write:${path}`,
    label: `Write ${numberName(own, path)} of ${own.name}`,
    offer: made('write', { to: { kind: 'number', objects: [object], property: path } }),
  });
  if (property !== null)
    return [{ label: own.name, options: [readsNumber(own, property), writes(property)] }];
  const read = signalsOf(own).filter(
    ({ offer }) => 'kind' in offer && 'object' in (offer.set as { signal: object }).signal,
  );
  const itself: Offered = {
    value: 'itself',
    label: `${own.name} itself`,
    seek: 'object thing',
    offer: made('theObject', { object }),
  };
  const lays: Offered[] = [
    ...(own.kind === 'card'
      ? [
          {
            value: 'picture',
            label: `Show a picture in ${own.name}`,
            offer: made('writePicture', { object }),
          },
        ]
      : []),
    ...(own.kind === 'text'
      ? [{ value: 'text', label: `Write a text into ${own.name}`, offer: made('writeText', { object }) }]
      : []),
    ...(colourOf(own) === null
      ? []
      : [
          { value: 'colour', label: `Write a colour of ${own.name}`, offer: made('writeColour', { object }) },
        ]),
  ];
  return [
    { label: 'Read', options: [...read.map((one) => ({ ...one, label: `Read ${one.label}` })), itself] },
    { label: 'Write', options: [...lays, ...offeredNumbers(own).map(writes)] },
  ];
};
const readsNumber = (own: EffectObject, path: string): Offered => ({
  value: `read:${path}`,
  label: `Read ${numberName(own, path)} of ${own.name}`,
  offer: reads({ ...newSignal('objectNumber', own.id), property: path } as Signal),
});
