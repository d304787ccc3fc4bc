/** @jest-environment ./scripts/jest-page.mjs */
import { expect, test } from '@jest/globals';
import { belongsToControl, isTyping } from './keys';

const made = (html: string): HTMLElement => {
  const box = document.createElement('div');
  box.innerHTML = html;
  return box.firstElementChild as HTMLElement;
};
const pressed = (key: string, target: HTMLElement): KeyboardEvent => {
  const event = new KeyboardEvent('keydown', { key });
  Object.defineProperty(event, 'target', { value: target });
  return event;
};

test.each([
  ['<input>', true],
  ['<input type="search">', true],
  ['<textarea></textarea>', true],
  // A list that is only chosen from, a switch, a slider, a button: letters write nothing there.
  ['<input readonly role="combobox">', false],
  ['<input type="checkbox">', false],
  ['<input type="range">', false],
  ['<button>Play</button>', false],
  ['<div></div>', false],
])('%s: writes text %s', (html, writes) => expect(isTyping(made(html))).toBe(writes));
test('a key that goes to nothing writes nothing', () => expect(isTyping(null)).toBe(false));

test('Space and arrows belong to what has the focus, letters and digits do not', () => {
  const button = made('<button><b>Play</b></button>').querySelector('b')!;
  expect(belongsToControl(pressed(' ', button))).toBe(true);
  expect(belongsToControl(pressed('2', button))).toBe(false);
  expect(belongsToControl(pressed('ArrowDown', made('<input readonly role="combobox">')))).toBe(true);
  expect(belongsToControl(pressed(' ', made('<div></div>')))).toBe(false);
});
test('letters belong to a list that is open', () => {
  const list = (open: boolean) => made(`<input readonly role="combobox" aria-expanded="${open}">`);
  expect(belongsToControl(pressed('l', list(true)))).toBe(true);
  expect(belongsToControl(pressed('l', list(false)))).toBe(false);
});
