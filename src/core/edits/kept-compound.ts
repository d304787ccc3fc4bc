/** A compound as a creator keeps it for other effects: the text of a use of it, with all that it uses. */
import { blankEffect } from '../document/defaults';
import type { Compound, CompoundId, Effect, NodeId } from '../document/schema';
import { IconiaError } from '../errors';
import { nodesOfText, textOfNodes } from './circuit-text';
import { useOf } from './compound-edits';

/** More letters than this are not kept. */
export const MOST_KEPT_LETTERS = 500_000;

/** The text that is kept of a compound; the same as is copied of one use of it. */
export const textOfCompound = (effect: Effect, id: CompoundId): string =>
  textOfNodes([useOf(effect, id, 'node_kept' as NodeId, [0, 0])], effect);

/**
 * The compound of such a text.
 * Throws `IconiaError`: `circuit.paste` as of any text of nodes; `compound.text`: it is not one use of one compound.
 */
export const compoundOfText = (text: string): Compound => {
  const { nodes, compounds } = nodesOfText(text, blankEffect(''), {}, (kind) => `${kind}_kept`);
  const [node] = nodes;
  const compound =
    nodes.length === 1 && node?.kind === 'compound'
      ? compounds.find(({ id }) => id === node.set.compound)
      : undefined;
  if (!compound)
    throw new IconiaError(
      'compound.text',
      'That is not the text of one compound. Open the compound on its board and keep it from there.',
    );
  return compound;
};
