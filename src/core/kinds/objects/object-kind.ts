/**
 * What a kind of object is. A kind is one file beside this one, listed in `objects.ts`: from there the schema of the document, what can be
 * driven, what is touched, what is missing and what an effect needs follow by themselves.
 */
import { z } from 'zod';
import type { Asset, AssetId } from '../../schema/asset-schema';
import { placedSchema } from '../../schema/placed-schema';
import type { Box } from '../../maths/box';
import type { DrawingPart, Need } from '../needs';
import type { Ground, RestStyle } from './resting';

/** The assets of a document. */
export type Assets = Readonly<Record<AssetId, Asset>>;

/** What there is of a document around an object. */
export interface Around {
  readonly assets: Assets;
  readonly objects: Readonly<
    Record<
      string,
      { readonly kind: string; readonly parent: string | null; readonly asset?: AssetId | null } | undefined
    >
  >;
}

type ObjectOf<K extends string, F extends z.core.$ZodLooseShape> = z.infer<
  z.ZodObject<typeof placedSchema & { kind: z.ZodLiteral<K> } & F, z.core.$strict>
>;

/** What a kind says of its objects; `O` is one of them. */
export interface ObjectSpec<O> {
  /** A viewer sees it, or what it does to the picture; else it holds, hides or lights other things. */
  readonly isSeen: boolean;
  /**
   * How it stands in the picture: flat things cover by their place in the Stack; solid ones by depth, and are lit; a ground is lit and lies
   * behind both; others are no things of their own.
   */
  readonly drawn: 'flat' | 'solid' | 'ground' | 'otherwise';
  /** What draws it, beside what every page can: pictures, colours, what hides. */
  readonly drawnBy: readonly DrawingPart[];
  /** It is touched by its shape; else a finger goes through unless it is given a touch area. */
  readonly isTouched: boolean;
  /** It lies on the face as a whole, by its layout and features, and has no place of its own. */
  readonly onFace: boolean;
  /** Kinds of assets it can show. */
  readonly shows?: readonly Asset['kind'][];
  /** It is there to show one. */
  readonly isShowing?: boolean;
  /**
   * What may hang in it, moves, fades and hides with it: `things` that have a place, what is `worn` by a face as a whole, `parts` of a model.
   * Nothing unless it says so.
   */
  readonly holds?: readonly ('things' | 'worn' | 'parts')[];
  /** It is a part of the model that it hangs in, and hangs in nothing else. */
  readonly isPart?: boolean;
  /** How it comes to lie on what it sticks to. */
  readonly rests: RestStyle;
  readonly ground?: (object: O, assets: Assets) => Ground;
  /** The box around it in its own space, metres; null where nobody can say. */
  readonly bounds: (object: O, around: Around) => Box | null;
  /** What it needs to know of the world beside where its anchor is. */
  readonly needs?: (object: O) => readonly Need[];
}

interface Definition<
  K extends string,
  F extends z.core.$ZodLooseShape,
  Face extends boolean,
> extends ObjectSpec<ObjectOf<K, F>> {
  readonly kind: K;
  /** What it has besides what all objects have; see `schema/properties.ts` for fields that describe themselves. */
  readonly fields: F;
  readonly onFace: Face;
}

/** Makes a kind: its schema is that of all objects with its own fields. */
export const defineObject = <
  const K extends string,
  const F extends z.core.$ZodLooseShape,
  const Face extends boolean,
>(
  definition: Definition<K, F, Face>,
) => ({
  ...definition,
  schema: z.strictObject({ ...placedSchema, kind: z.literal(definition.kind), ...definition.fields }),
});
