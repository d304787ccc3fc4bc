import { z } from 'zod';
import { MOST_FACES } from '../../schema/anchor-schema';
import { number } from '../../schema/properties';
import { HEAD_GESTURES } from './gestures';
import { defineTrigger } from './trigger-kind';

/** The number of a face. */
export const faceNumber = () =>
  number({ name: 'Number of the face', low: 1, high: MOST_FACES, unit: 'count', whole: true, mark: 'face' });

export const head = defineTrigger({
  kind: 'head',
  fields: { gesture: z.enum(HEAD_GESTURES), face: faceNumber() },
  words: ({ gesture, face }) => `head ${gesture}s${face > 1 ? ` (face ${face})` : ''}`,
  gist: ({ gesture }) => gesture,
  needs: () => ['faces'],
  watch: ({ gesture, face }, { happened }) =>
    happened.headGestures.some((g) => g.face === face && g.gesture === gesture),
});
