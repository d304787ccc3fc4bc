import { afterEach, expect, test } from '@jest/globals';
import { choosePeople, chosenPeople } from './chosen-people';

const browser = globalThis as { localStorage?: unknown };
afterEach(() => void delete browser.localStorage);

test('what was chosen holds; in full otherwise', () => {
  const kept = new Map<string, string>();
  browser.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
  expect(chosenPeople()).toBe('full');
  choosePeople('plain');
  expect(chosenPeople()).toBe('plain');
  choosePeople('full');
  expect(chosenPeople()).toBe('full');
});

test('a browser that lets pages keep nothing draws them in full', () => {
  const refuse = (): never => {
    throw new DOMException('The operation is insecure.', 'SecurityError');
  };
  browser.localStorage = { getItem: refuse, setItem: refuse };
  expect(() => choosePeople('plain')).not.toThrow();
  expect(chosenPeople()).toBe('full');
});
