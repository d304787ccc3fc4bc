/** What is said of a kind of node. */
/** Where a node stands in the menu, in its order. */
export const NODE_GROUPS = [
  'Read',
  'Write and do',
  'Objects and pictures',
  'Places in the world',
  'Logic',
  'Events',
  'Time',
  'Numbers',
  'Change with time',
  'Bodies',
  'Points and vectors',
  'Rotations',
  'Colours',
  'Texts',
  'Lists',
  'Scripts',
  'Compounds',
] as const;
export type NodeGroup = (typeof NODE_GROUPS)[number];

export interface NodeWords {
  readonly name: string;
  readonly group: NodeGroup;
  /** What it does, in a sentence. */
  readonly note: string;
  /** More words it is sought by. */
  readonly also?: string;
}
/** Of a family of kinds. */
export type WordsOf<Family> = Readonly<Record<keyof Family, NodeWords>>;
