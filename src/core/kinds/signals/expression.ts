/** What a face does: one of its expression coefficients, or what several of them make. */
import { EXPRESSION_NAMES, expressionWords } from '../../tracking/expression-names';
import { expression as coefficient } from '../../tracking/track-frame';
import { choice } from '../../schema/properties';
import { faceMeasure, isMeasure, MEASURE_WORDS, type FaceMeasure } from './face-measures';
import { faceNumber, ofFace } from './face-number';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

type Coefficient = (typeof EXPRESSION_NAMES)[number];
/** The 52 coefficients keep their names, written as words: "jaw open", "eye blink left". */
const COEFFICIENTS = Object.fromEntries(
  EXPRESSION_NAMES.map((name) => [name, expressionWords(name)]),
) as Record<Coefficient, string>;
const WORDS: Record<FaceMeasure | Coefficient, string> = { ...MEASURE_WORDS, ...COEFFICIENTS };

export const expression = defineSignal({
  kind: 'expression',
  name: 'Expression',
  fields: { name: choice('Expression', WORDS), face: faceNumber() },
  fresh: { face: 1, name: 'jawOpen' },
  words: ({ name, face }) => `${WORDS[name]}${ofFace(face)}`,
  measures: () => 'share',
  read: ({ name, face }, from) => {
    const found = from.face(face);
    if (!found) return NaN;
    return isMeasure(name) ? faceMeasure(found, name) : coefficient(found, name);
  },
  reach: () => ZERO_TO_ONE,
  needs: () => ['faces'],
  parts: {
    field: 'name',
    also: {
      jawOpen: 'mouth open opens',
      mouthPucker: 'lips kiss',
      smile: 'happy',
      eyesClosed: 'sleep blink',
      eyeBlinkLeft: 'eye closed',
      eyeBlinkRight: 'eye closed',
      browsRaised: 'surprise eyebrows',
      cheekPuff: 'blow cheeks',
    },
  },
  gist: ({ name }) => name,
  // A face that is gone shows no expression.
  whenAbsent: 0,
});
