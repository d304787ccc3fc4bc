/** The document of a released effect. What brings older ones up, and says what is wrong with a broken one, is fetched when it is needed. */
import { effectSchema, SCHEMA_VERSION, type Effect } from '../core/document/schema';

/** Throws `IconiaError` as `readEffect` does. */
export const readDocument = async (json: unknown): Promise<Effect> => {
  const isCurrent = (json as { schema?: unknown } | null)?.schema === SCHEMA_VERSION;
  const parsed = isCurrent ? effectSchema.safeParse(json) : null;
  if (parsed?.success) return parsed.data as Effect;
  const { readEffect } = await import('../core/document/migrations');
  return readEffect(json);
};
