/** What can be named in a document: its maps, and nodes of circuits. */
export type Referred =
  | 'objects'
  | 'scenes'
  | 'targets'
  | 'assets'
  | 'materials'
  | 'looks'
  | 'cues'
  | 'variables'
  | 'controls'
  | 'prompts'
  | 'drives'
  | 'circuits'
  | 'compounds'
  | 'performances'
  | 'rehearsals'
  | 'nodes';
