/** The languages in which ready prompts ship. Others read English. */
import type { Prompt, ReadyPrompt } from '../document/schema';

export const PROMPT_LANGUAGES = ['en', 'de', 'fr', 'es', 'pt', 'ja'] as const;
export type PromptLanguage = (typeof PROMPT_LANGUAGES)[number];
/** What ready prompts say in one language. */
export type PromptTexts = Readonly<Record<ReadyPrompt, string>>;

/** The language to read, of those the viewer prefers: "pt-BR" reads Portuguese. */
export const promptLanguage = (preferred: readonly string[]): PromptLanguage => {
  for (const one of preferred) {
    const short = one.slice(0, 2).toLowerCase();
    const found = PROMPT_LANGUAGES.find((l) => l === short);
    if (found) return found;
  }
  return 'en';
};

/** What a prompt says; own words are the same in all languages. */
export const promptIn = ({ text }: Pick<Prompt, 'text'>, texts: PromptTexts): string =>
  text.kind === 'own' ? text.text : texts[text.key];
