/** The texts of ready prompts in all languages that ship. Whoever needs only one fetches only that, from the folder beside this. */
import type { Prompt } from '../document/schema';
import { promptIn, type PromptLanguage, type PromptTexts } from './prompt-languages';
import { TEXTS as EN } from './prompt-texts/en';
import { TEXTS as DE } from './prompt-texts/de';
import { TEXTS as FR } from './prompt-texts/fr';
import { TEXTS as ES } from './prompt-texts/es';
import { TEXTS as PT } from './prompt-texts/pt';
import { TEXTS as JA } from './prompt-texts/ja';

const TEXTS: Readonly<Record<PromptLanguage, PromptTexts>> = {
  en: EN,
  de: DE,
  fr: FR,
  es: ES,
  pt: PT,
  ja: JA,
};

/** What a prompt says in a language. */
export const promptText = (prompt: Pick<Prompt, 'text'>, language: PromptLanguage): string =>
  promptIn(prompt, TEXTS[language]);
