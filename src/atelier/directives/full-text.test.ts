/**
 * Words that are cut are read whole by whoever points at them.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { expect, test } from '@jest/globals';
import { showCutWords } from './full-text';

showCutWords(document);
const words = (html: string, fits: boolean): HTMLElement => {
  document.body.innerHTML = html;
  const element = document.querySelector<HTMLElement>('.cut')!;
  Object.defineProperty(element, 'clientWidth', { value: 100, configurable: true });
  Object.defineProperty(element, 'scrollWidth', { value: fits ? 100 : 180, configurable: true });
  return element;
};
const pointAt = (element: Element): boolean =>
  element.dispatchEvent(new MouseEvent('mouseover', { bubbles: true }));

test('what is cut says all of it, what fits says nothing more', () => {
  const cut = words('<em class="cut">when <b>Tide card</b> is found</em>', false);
  pointAt(cut.querySelector('b')!);
  expect(cut.title).toBe('when Tide card is found');
  Object.defineProperty(cut, 'scrollWidth', { value: 90 });
  pointAt(cut);
  expect(cut.hasAttribute('title')).toBe(false);
  const whole = words('<em class="cut">on top</em>', true);
  pointAt(whole);
  expect(whole.hasAttribute('title')).toBe(false);
});

test('new words are read, not those before; a title that says more stays', () => {
  const cut = words('<em class="cut">under Salt crystals</em>', false);
  pointAt(cut);
  cut.textContent = 'under Salt on the lids';
  pointAt(cut);
  expect(cut.title).toBe('under Salt on the lids');
  const told = words('<span class="cut" title="Two metres wide">Lantern, two m</span>', false);
  pointAt(told);
  expect(told.title).toBe('Two metres wide');
});
