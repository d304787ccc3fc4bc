/**
 * Takes one rule out of the component library's styles. For each of its components it has "whatever of it lies in something of it is measured by its border", with selectors over parts of class attributes. So
 * whenever any element changes its class the browser styles everything within that element anew: ten thousand elements for a board that is
 * grabbed. All elements are measured by their border anyway (`reset.css`).
 */
import type { Transformer } from 'ant-design-vue';

/** `[class^="ant-select"], [class*=" ant-select"]`. */
const isOfComponent = (selector: string): boolean => selector.startsWith('[class^=');

export const leanRules: Transformer = {
  visit: (rules) =>
    Object.fromEntries(
      Object.entries(rules).map(([selector, rule]) => {
        if (!isOfComponent(selector) || rule === null || typeof rule !== 'object') return [selector, rule];
        return [selector, Object.fromEntries(Object.entries(rule).filter(([inner]) => inner !== selector))];
      }),
    ),
};
