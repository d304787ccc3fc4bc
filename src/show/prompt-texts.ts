/** What prompts say, fetched in the viewer's language alone. */
import { promptLanguage, type PromptLanguage, type PromptTexts } from '../core/behave/prompt-languages';

const TEXTS_IN: Readonly<Record<PromptLanguage, () => Promise<{ TEXTS: PromptTexts }>>> = {
  en: () => import('../core/behave/prompt-texts/en'),
  de: () => import('../core/behave/prompt-texts/de'),
  fr: () => import('../core/behave/prompt-texts/fr'),
  es: () => import('../core/behave/prompt-texts/es'),
  pt: () => import('../core/behave/prompt-texts/pt'),
  ja: () => import('../core/behave/prompt-texts/ja'),
};

export const promptTexts = async (): Promise<PromptTexts> =>
  (await TEXTS_IN[promptLanguage(navigator.languages)]()).TEXTS;
