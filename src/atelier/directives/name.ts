/**
 * `v-name="'Easing'"`: the accessible name of a composed control. The component library puts `aria-label` on
 * the outermost element, where assistive technology does not look; this puts it on what has the focus.
 */
import type { Directive } from 'vue';

const apply = (element: HTMLElement, name: string): void => {
  const focused = 'input, [role="slider"]';
  // A plain field is the outermost element itself.
  const field = element.matches(focused) ? element : element.querySelector(focused);
  field?.setAttribute('aria-label', name);
};

export const nameDirective: Directive<HTMLElement, string> = {
  mounted: (element, { value }) => apply(element, value),
  updated: (element, { value }) => apply(element, value),
};
