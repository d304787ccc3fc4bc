import { expect, test } from '@jest/globals';
import { sampleEffect } from '../core/document/sample';
import { readDocument } from './read-document';

test('a document of today is read as it is, an older one is brought up, a broken or newer one is refused with a sentence', async () => {
  const effect = sampleEffect(2, 2);
  expect(await readDocument(effect)).toEqual(effect);
  expect(await readDocument({ ...effect, schema: 17 })).toEqual(effect);
  await expect(readDocument({ ...effect, objects: 3 })).rejects.toThrow(/does not hold together: objects/);
  await expect(readDocument({ ...effect, schema: 99 })).rejects.toThrow(/newer Iconia/);
  await expect(readDocument(null)).rejects.toThrow(/not an Iconia effect/);
});
