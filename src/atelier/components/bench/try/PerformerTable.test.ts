/**
 * The table of performers: figures of each, and the weak ones marked.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount } from '@vue/test-utils';
import { blankEffect } from '../../../../core/document/defaults';
import type { SurveyMoment } from '../../../../core/tracking/survey';
import { useSurveyStore } from '../../../stores/survey';
import { mounted, openEffect } from '../../testing';
import PerformerTable from './PerformerTable.vue';

enableAutoUnmount(afterEach);

const moment = (time: number, angle: number | null): SurveyMoment => ({
  time,
  milliseconds: 40,
  faces: {
    inSight: 1,
    found: angle === null ? 0 : 1,
    error:
      angle === null
        ? null
        : { angle, position: 0.004, landmarks: 0.006, expression: { name: 'jawOpen', off: 0.1 } },
  },
  hands: { inSight: 0, found: 0, error: null },
  pictures: { inSight: 0, found: 0, error: null },
  surfaces: { inSight: 0, found: 0, error: null },
});

test('what was found of each, how far off, and whom the tracker fails on', () => {
  openEffect(blankEffect('Table'));
  const table = mounted(PerformerTable);
  expect(table.find('table').exists()).toBe(false);
  useSurveyStore().performers = [
    { id: 'marin', name: 'Marin', moments: [moment(0, 1), moment(1, 2), moment(2, 3)] },
    { id: 'anselm', name: 'Anselm', moments: [moment(0, 1), moment(1, 7), moment(2, null)] },
  ];
  const shown = mounted(PerformerTable);
  const cells = (id: string) => shown.findAll(`[data-performer="${id}"] td`).map((cell) => cell.text());
  expect(cells('marin')).toEqual(['3 of 3', '2.0°', '3.0°', '6.0 mm', '0.10']);
  expect(cells('anselm')).toEqual(['2 of 3', '7.0°', '7.0°', '6.0 mm', '0.10']);
  expect(shown.findAll('.weak').map((row) => row.attributes('data-performer'))).toEqual(['anselm']);
});
