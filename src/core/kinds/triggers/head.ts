import { z } from 'zod';
import { faceNumber } from '../signals/face-number';
import { HEAD_GESTURES } from './gestures';
import { defineTrigger } from './trigger-kind';

export const head = defineTrigger({
  kind: 'head',
  fields: { gesture: z.enum(HEAD_GESTURES), face: faceNumber() },
  words: ({ gesture, face }) => `head ${gesture}s${face > 1 ? ` (face ${face})` : ''}`,
  gist: ({ gesture }) => gesture,
  needs: () => ['faces'],
  watch: ({ gesture, face }, { happened }) =>
    happened.headGestures.some((g) => g.face === face && g.gesture === gesture),
});
