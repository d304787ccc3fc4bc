/** What nodes are called, what they do, and what they are sought by: only whoever builds circuits needs it, so it is not fetched by the show page. */
import type { NodeKind } from '../nodes';
import { EFFECT_WORDS } from './effect-words';
import { LOGIC_WORDS } from './logic-words';
import { EVENT_WORDS } from './event-words';
import { TIME_WORDS } from './time-words';
import { CHANGE_WORDS } from './change-words';
import { NUMBER_WORDS } from './number-words';
import { VECTOR_WORDS } from './vector-words';
import { ROTATION_WORDS } from './rotation-words';
import { COLOUR_WORDS } from './colour-words';
import { TEXT_WORDS } from './text-words';
import { LIST_WORDS } from './list-words';
import { COMPOUND_WORDS } from './compound-words';
import { SCRIPT_WORDS } from './script-words';
import { BODY_WORDS, OBJECT_WORDS, WORLD_WORDS } from './world-words';
import type { NodeWords } from './node-words-kind';

/** Within a group in the order of the menu. */
export const NODE_WORDS: Readonly<Record<NodeKind, NodeWords>> = {
  ...EFFECT_WORDS,
  ...OBJECT_WORDS,
  ...WORLD_WORDS,
  ...BODY_WORDS,
  ...LOGIC_WORDS,
  ...EVENT_WORDS,
  ...TIME_WORDS,
  ...CHANGE_WORDS,
  ...NUMBER_WORDS,
  ...VECTOR_WORDS,
  ...ROTATION_WORDS,
  ...COLOUR_WORDS,
  ...TEXT_WORDS,
  ...LIST_WORDS,
  ...SCRIPT_WORDS,
  ...COMPOUND_WORDS,
};
