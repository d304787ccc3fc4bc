/** Ready-made behaviours: a when half and a then half, joined to an ordinary cue. Any two halves can be joined. */
import { edit, type Edit } from '../../document/edit';
import { newBeat } from '../../document/new-cues';
import { anchorOf, cueOrder } from '../../document/queries';
import {
  MOST_CUES,
  MOST_TRIGGERS,
  type Cue,
  type CueId,
  type Effect,
  type EffectObject,
  type ObjectId,
  type Trigger,
} from '../../document/schema';
import { IconiaError } from '../../errors';
import { RESPONSE_HALVES, responseSuits, type ResponseHalf, type ResponseHalfName } from './response-halves';
import { TRIGGER_HALVES, triggersOf, type TriggerHalfName } from './trigger-halves';

export interface Recipe {
  readonly when: TriggerHalfName;
  readonly then: ResponseHalfName;
  /** More words it is found by. */
  readonly words?: string;
}

export const RECIPES: readonly Recipe[] = [
  { when: 'whileMouthOpen', then: 'show' },
  { when: 'whilePuckered', then: 'show', words: 'kiss' },
  { when: 'whileSmiling', then: 'show', words: 'happy' },
  { when: 'whileEyesClosed', then: 'show', words: 'sleep blink' },
  { when: 'whileBrowsRaised', then: 'show', words: 'surprise' },
  { when: 'whileFace', then: 'show' },
  { when: 'whileRecording', then: 'show' },
  { when: 'whileNear', then: 'show' },
  { when: 'start', then: 'popIn', words: 'appear' },
  { when: 'mouthOpens', then: 'popIn', words: 'appear' },
  { when: 'tap', then: 'popIn', words: 'appear' },
  { when: 'smile', then: 'popIn', words: 'appear' },
  { when: 'start', then: 'fadeIn' },
  { when: 'later', then: 'fadeOut' },
  { when: 'start', then: 'dropIn', words: 'fall' },
  { when: 'nod', then: 'dropIn', words: 'fall' },
  { when: 'tap', then: 'toggle', words: 'switch' },
  { when: 'tapIt', then: 'hide', words: 'vanish disappear' },
  { when: 'tap', then: 'hide', words: 'vanish disappear' },
  { when: 'mouthOpens', then: 'hide', words: 'vanish disappear' },
  { when: 'later', then: 'hide', words: 'vanish disappear' },
  { when: 'whilePicture', then: 'show', words: 'printed picture is found target' },
  { when: 'pictureFound', then: 'popIn', words: 'printed picture is found target appear' },
  { when: 'surfaceFound', then: 'popIn', words: 'floor is found surface ground appear' },
  { when: 'tapIt', then: 'popOut', words: 'collect pop' },
  { when: 'wink', then: 'flash' },
  { when: 'near', then: 'flyOff', words: 'shy escape' },
  { when: 'blow', then: 'flyOff', words: 'blow away' },
  { when: 'start', then: 'circle', words: 'orbit around the head ring' },
  { when: 'start', then: 'circleViewer', words: 'orbit' },
  { when: 'start', then: 'sway', words: 'plant hang' },
  { when: 'start', then: 'drift', words: 'float hover' },
  { when: 'start', then: 'pulse', words: 'heart breathe' },
  { when: 'start', then: 'spin', words: 'rotate' },
  { when: 'tapIt', then: 'spinOnce', words: 'rotate' },
  { when: 'start', then: 'faceViewer', words: 'billboard look at' },
  { when: 'start', then: 'followViewer' },
  { when: 'shake', then: 'shake', words: 'wobble' },
  { when: 'loud', then: 'nudge', words: 'music beat jump' },
  { when: 'again', then: 'nudge', words: 'hop' },
  { when: 'browsRise', then: 'rise', words: 'lift' },
  { when: 'whileMouthOpen', then: 'growTo', words: 'bigger' },
  { when: 'tap', then: 'nextPicture', words: 'sequence step carousel' },
  { when: 'record', then: 'playOnce', words: 'clip video sound' },
  { when: 'tapIt', then: 'playOnce', words: 'clip video sound' },
  { when: 'pucker', then: 'burst', words: 'bubbles particles kiss' },
  { when: 'tap', then: 'burst', words: 'particles confetti' },
  { when: 'whileMouthOpen', then: 'flowOn', words: 'breathe particles' },
  { when: 'thumb', then: 'flow', words: 'particles' },
];

const RESPONSES: Readonly<Record<ResponseHalfName, ResponseHalf>> = RESPONSE_HALVES;

/** "Pop in with overshoot on a tap on the screen" */
export const recipeName = ({ when, then }: Pick<Recipe, 'when' | 'then'>): string => {
  const name = `${RESPONSES[then].name} ${TRIGGER_HALVES[when].name}`;
  return name[0]!.toUpperCase() + name.slice(1);
};

/** Those that suit the object and hold all the words: first those that begin with them, then in their order. */
export const findRecipes = (text: string, object: EffectObject): readonly Recipe[] => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const begins = (recipe: Recipe): boolean => recipeName(recipe).toLowerCase().startsWith(words.join(' '));
  const found = RECIPES.filter((recipe) => {
    const all = `${recipeName(recipe)} ${recipe.words ?? ''}`.toLowerCase();
    return responseSuits(recipe.then, object) && words.every((w) => all.includes(w));
  });
  return [...found.filter(begins), ...found.filter((recipe) => !begins(recipe))];
};

/** The cue that two halves make, changed like any other. */
export const cueOfRecipe = (
  recipe: Pick<Recipe, 'when' | 'then'>,
  object: EffectObject,
  id: CueId,
  order: number,
  newId: (prefix: string) => string,
): Cue => {
  // Without a name of its own it is called after what sets it off, whatever that becomes.
  const { when, until } = triggersOf(recipe.when, object);
  const { beats, ...options } = RESPONSES[recipe.then].make({ object, newId });
  return {
    id,
    name: '',
    order,
    enabled: true,
    group: '',
    note: '',
    colour: null,
    triggers: when,
    conditions: [],
    match: 'all',
    fires: 'each',
    cooldown: 0,
    again: 'restart',
    resets: until,
    beats: beats.map((b) => ({ ...newBeat(b.id, b.actions), ...b })),
    ...options,
  };
};

/** The same for several objects: what sets it off may be about any of them. */
const forAll = (cue: Cue, others: readonly Cue[], ids: readonly ObjectId[]): Cue => {
  const distinct = (list: readonly Trigger[]): Trigger[] =>
    [...new Map(list.map((t) => [JSON.stringify(t), t])).values()].slice(0, MOST_TRIGGERS);
  return {
    ...cue,
    triggers: distinct([cue, ...others].flatMap((c) => c.triggers)),
    resets: distinct([cue, ...others].flatMap((c) => c.resets)),
    beats: cue.beats.map((beat) => ({
      ...beat,
      actions: beat.actions.map((action) =>
        action.targets.length > 0 ? { ...action, targets: [...ids] } : action,
      ),
    })),
  };
};

/** Adds one cue for the objects, and hides them at the start where that belongs to it. */
export const addRecipe = (
  effect: Effect,
  recipe: Pick<Recipe, 'when' | 'then'>,
  objectIds: readonly ObjectId[],
  newId: (prefix: string) => string,
  made: CueId[] = [],
): Edit =>
  edit(`Add “${recipeName(recipe)}”`, (d) => {
    const objects = objectIds.flatMap((id) => effect.objects[id] ?? []);
    if (objects.length === 0) return;
    if (Object.keys(effect.cues).length >= MOST_CUES)
      throw new IconiaError(
        'effect.too-many-cues',
        `An effect holds ${MOST_CUES} cues. Delete some first; nothing was added.`,
      );
    const id = newId('cue') as CueId;
    const order = (cueOrder(effect).at(-1)?.order ?? 0) + 1;
    const [cue, ...others] = objects.map((object) =>
      cueOfRecipe(recipe, { ...object, anchor: anchorOf(effect, object) }, id, order, newId),
    );
    d.cues[id] = forAll(
      cue!,
      others,
      objects.map((o) => o.id),
    ) as never;
    if (RESPONSES[recipe.then].hiddenBefore)
      for (const object of objects) d.objects[object.id]!.visible = false;
    if (RESPONSES[recipe.then].stands)
      for (const { id: of } of objects) {
        const draft = d.objects[of]!;
        if (draft.kind === 'card') draft.runs = false;
      }
    made.push(id);
  });
