/** How a schema is made up, for what walks values by their schema. */
import type { z } from 'zod';

/** The parts of a schema that tell how a value is made up. */
export interface Def {
  readonly type: string;
  readonly shape?: Record<string, z.ZodType>;
  readonly element?: z.ZodType;
  readonly items?: readonly z.ZodType[];
  readonly options?: readonly z.ZodType[];
  readonly keyType?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly discriminator?: string;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
}
/** How a schema is made up. */
export const defOf = (schema: z.ZodType): Def => schema.def as unknown as Def;
