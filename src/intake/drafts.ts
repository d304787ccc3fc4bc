/** What reading a file gives: an asset in all but its id, with the bytes that are to be kept. */
import type { GridGuess } from '../core/assets/frames/guess-grid';
import type { ModelPart } from '../core/assets/models/inspect';
import type { Deviation } from '../core/maths/surface-distance';
import type { Asset, AssetKind, BlendMode, FileMime, PartFacts } from '../core/document/schema';
import type { Unit } from '../core/units';

export interface KeptBytes {
  readonly bytes: Uint8Array;
  readonly mime: FileMime;
}

type WithoutFiles<A> = A extends unknown
  ? Omit<A, 'id' | 'name' | 'files' | 'original' | 'preview' | 'from'>
  : never;
/** What was measured, by kind. */
export type AssetFacts = WithoutFiles<Asset>;

export interface AssetDraft {
  readonly name: string;
  readonly facts: AssetFacts;
  readonly files: readonly KeptBytes[];
  readonly original: readonly KeptBytes[] | null;
  readonly preview: KeptBytes | null;
  readonly from: Asset['from'];
}

export interface LayerDraft {
  readonly key: string;
  readonly name: string;
  readonly opacity: Unit;
  readonly blend: BlendMode;
  readonly visible: boolean;
  /** Which of the drafts shows it. */
  readonly draft: number;
}

export interface ReadResult {
  readonly drafts: readonly AssetDraft[];
  /** Layers from the top, when the file was layered artwork. */
  readonly artwork: {
    readonly width: number;
    readonly height: number;
    readonly layers: readonly LayerDraft[];
  } | null;
  /** Sentences on what is odd about the file itself. */
  readonly notes: readonly string[];
  /** A picture that looks like a sprite sheet. */
  readonly sheet: GridGuess | null;
}

export const result = (drafts: readonly AssetDraft[], notes: readonly string[] = []): ReadResult => ({
  drafts,
  notes,
  artwork: null,
  sheet: null,
});

/** What a preparation gives: the draft as it would be, and what it did. */
export interface PreparedDraft {
  readonly draft: AssetDraft;
  /** How far a simplified surface moved. */
  readonly deviation: Deviation | null;
}

/** A sculpted mesh laid onto the face; `moves` as `packMoves` writes them. */
export interface FittedFace {
  readonly moves: string;
  readonly error: number;
  readonly by: 'layout' | 'surface';
}

/** A model that was opened: its parts as lists show them, and as they are measured. */
export interface ModelInside {
  readonly parts: readonly ModelPart[];
  readonly tree: PartFacts[];
}

export const kindOf = (draft: AssetDraft): AssetKind => draft.facts.kind;
