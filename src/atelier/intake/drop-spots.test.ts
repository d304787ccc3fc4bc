/** @jest-environment ./scripts/jest-page.mjs */
import { expect, test } from '@jest/globals';
import type { AssetKind } from '../../core/document/schema';
import { mayHold, spotAround, takesDirective, type DropSpot } from './drop-spots';

const spot = (kinds: AssetKind[], says: string): DropSpot => ({ kinds, says, put: () => {} });
const takes = (element: HTMLElement, value: DropSpot | null): void => {
  const { mounted } = takesDirective as { mounted: (e: HTMLElement, b: { value: DropSpot | null }) => void };
  mounted(element, { value });
};

test('a browser tells pictures, sounds and videos apart before they are dropped, and leaves the rest open', () => {
  expect(mayHold(['image/png'], ['picture'])).toBe(true);
  expect(mayHold(['image/png'], ['model'])).toBe(false);
  expect(mayHold(['audio/wav'], ['picture', 'video'])).toBe(false);
  expect(mayHold(['video/mp4'], ['sound'])).toBe(true);
  // Models and colour tables have no type that browsers know.
  expect(mayHold([''], ['model'])).toBe(true);
  expect(mayHold(['audio/wav', 'image/png'], ['picture'])).toBe(true);
  expect(mayHold([], ['table'])).toBe(true);
});

test('the innermost place that may take what hangs over it does', () => {
  const row = document.createElement('div');
  const field = row.appendChild(document.createElement('div'));
  const inner = field.appendChild(document.createElement('span'));
  document.body.append(row);
  takes(row, spot(['picture', 'video'], 'row'));
  takes(field, spot(['picture'], 'field'));
  expect(spotAround(inner, ['image/png'])?.spot.says).toBe('field');
  expect(spotAround(inner, ['video/mp4'])?.spot.says).toBe('row');
  expect(spotAround(inner, ['audio/wav'])).toBeNull();
  takes(field, null);
  expect(spotAround(inner, ['image/png'])?.spot.says).toBe('row');
  expect(spotAround(null, [])).toBeNull();
  row.remove();
});
