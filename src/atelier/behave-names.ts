/** What things are called where cues name them. */
import { promptText } from '../core/behave/prompt-texts';
import { type Effect } from '../core/document/schema';

export const named = (
  map: Readonly<Record<string, { readonly name: string }>>,
  id: string | null,
  what: string,
): string =>
  id === null ? `${article(what)} to be chosen` : (map[id]?.name ?? `a deleted ${what}`) || article(what);
const article = (what: string): string => (/^[aeiou]/.test(what) ? `an ${what}` : `a ${what}`);
export const objectName = (effect: Effect, id: string | null): string => named(effect.objects, id, 'object');
export const promptName = (effect: Effect, id: string | null): string => {
  const prompt = id === null ? undefined : effect.prompts[id as keyof Effect['prompts']];
  if (!prompt) return id === null ? 'a prompt to be chosen' : 'a deleted prompt';
  return promptText(prompt, 'en') || 'empty prompt';
};
