/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { enableAutoUnmount } from '@vue/test-utils';
import { blankEffect } from '../../../core/document/defaults';
import { mounted, openEffect } from '../testing';
import NumberField from './NumberField.vue';

beforeEach(() => void openEffect(blankEffect('Numbers')));
enableAutoUnmount(afterEach);

describe('a number field', () => {
  const field = (props: object = {}) =>
    mounted(NumberField, { value: 1.5, label: 'Height', unit: 'cm', ...props });
  test('shows its value with its unit, rounded to its digits', () => {
    expect(field({ value: 1.25678, digits: 2 }).get('input').element.value).toBe('1.26cm');
  });
});
