/** Then halves of recipes: what happens to an object. */
import { type BeatParts } from '../../document/new-cues';
import { newAction } from '../../kinds/actions/actions';
import { kindOf } from '../../kinds/objects/objects';
import type { Action, ActionKind, Cue, EffectObject } from '../../document/schema';

/** What a half is made with. */
export interface Making {
  readonly object: EffectObject;
  readonly newId: (prefix: string) => string;
}

export interface ResponseHalf {
  /** "pop in with overshoot" */
  readonly name: string;
  readonly make: (
    making: Making,
  ) => { readonly beats: readonly BeatParts[] } & Partial<Pick<Cue, 'fires' | 'again' | 'cooldown'>>;
  /** The object is hidden, or transparent, until then. */
  readonly hiddenBefore?: boolean;
  /** What would play by itself stands, so that it is the cue that moves it. */
  readonly stands?: boolean;
  /** Only for these kinds; without, for all that has a place. */
  readonly kinds?: readonly EffectObject['kind'][];
}

type Part = readonly [ActionKind, Partial<Action>?];
const beat = ({ object, newId }: Making, parts: readonly Part[], begins = 1): BeatParts => ({
  id: newId('beat'),
  begins,
  actions: parts.map(([kind, more]) => ({ ...newAction(newId('act'), kind, object.id), ...more }) as Action),
});
const once =
  (...parts: readonly Part[]): ResponseHalf['make'] =>
  (making) => ({ beats: [beat(making, parts)] });

/** Once round: what is flat turns in its own plane, like a wheel; everything else about its upright axis. */
const roundOnce = (object: EffectObject): [number, number, number] =>
  kindOf(object).drawn === 'flat' ? [0, 0, 360] : [0, 360, 0];

const FADES: readonly EffectObject['kind'][] = [
  'card',
  'live',
  'fill',
  'layer',
  'iris',
  'lashes',
  'hair',
  'retouch',
  'morph',
  'cutout',
  'model',
  'part',
  'solid',
  'text',
  'group',
  'grade',
  'sound',
];

export const RESPONSE_HALVES = {
  show: { name: 'show', hiddenBefore: true, make: once(['show']) },
  hide: { name: 'hide', make: once(['hide']) },
  toggle: { name: 'show or hide by turns', make: once(['toggle']) },
  flash: {
    name: 'show for a second',
    hiddenBefore: true,
    make: once(['show', { duration: 1, after: 'return' }]),
  },
  fadeIn: {
    name: 'fade in',
    hiddenBefore: true,
    kinds: FADES,
    make: (making) => ({
      beats: [
        beat(making, [['fade', { opacity: 0, duration: 0 }], ['show']] as Part[]),
        beat(making, [
          [
            'fade',
            {
              opacity: 'opacity' in making.object ? making.object.opacity || 1 : 1,
              duration: 0.6,
            } as Partial<Action>,
          ],
        ]),
      ],
    }),
  },
  fadeOut: {
    name: 'fade out',
    kinds: FADES,
    make: once(['fade', { opacity: 0, duration: 0.6 } as Partial<Action>]),
  },
  popIn: {
    name: 'pop in with overshoot',
    hiddenBefore: true,
    make: once(
      ['show'],
      ['size', { mode: 'from', factor: 0, duration: 0.5, easing: 'overshoot' } as Partial<Action>],
    ),
  },
  popOut: {
    name: 'shrink away',
    make: (making) => ({
      beats: [
        beat(making, [['size', { mode: 'to', factor: 0, duration: 0.35, easing: 'in' } as Partial<Action>]]),
        beat(making, [['hide']]),
      ],
    }),
  },
  dropIn: {
    name: 'drop in from above',
    hiddenBefore: true,
    make: (making) => ({
      beats: [
        beat(making, [['move', { mode: 'by', by: [0, 0.15, 0], duration: 0 } as Partial<Action>], ['show']]),
        beat(making, [
          ['move', { mode: 'by', by: [0, -0.15, 0], duration: 0.6, easing: 'out' } as Partial<Action>],
        ]),
      ],
    }),
  },
  flyOff: {
    name: 'fly off and vanish',
    make: (making) => ({
      again: 'ignore' as const,
      beats: [
        beat(making, [
          ['move', { mode: 'by', by: [0, 0.4, 0.2], duration: 0.9, easing: 'in' } as Partial<Action>],
          ['size', { mode: 'by', factor: 0.4, duration: 0.9, easing: 'in' } as Partial<Action>],
        ]),
        beat(making, [['hide']]),
      ],
    }),
  },
  pulse: {
    name: 'pulse',
    make: once([
      'size',
      {
        mode: 'by',
        factor: 1.15,
        duration: 0.35,
        easing: 'inOut',
        thereAndBack: true,
        repeat: 0,
      } as Partial<Action>,
    ]),
  },
  nudge: {
    name: 'jump once',
    make: once(['bounce', { height: 0.04, duration: 0.5, repeat: 1 } as Partial<Action>]),
  },
  bounce: { name: 'bounce', make: once(['bounce']) },
  sway: { name: 'sway', make: once(['sway']) },
  shake: { name: 'shake for a second', make: once(['shake', { duration: 1, repeat: 1 }]) },
  tremble: { name: 'tremble', make: once(['shake', { distance: 0.001, angle: 1 } as Partial<Action>]) },
  spinOnce: {
    name: 'turn round once',
    make: (making) => ({
      beats: [
        beat(making, [
          ['turn', { by: roundOnce(making.object), duration: 1, easing: 'inOut' } as Partial<Action>],
        ]),
      ],
    }),
  },
  spin: {
    name: 'turn round and round',
    make: (making) => ({
      beats: [
        beat(making, [
          [
            'turn',
            { by: roundOnce(making.object), duration: 4, easing: 'steady', repeat: 0 } as Partial<Action>,
          ],
        ]),
      ],
    }),
  },
  circle: { name: 'circle its middle', make: once(['circle']) },
  circleViewer: {
    name: 'circle the viewer',
    make: once(['circle', { around: 'viewer', duration: 8 } as Partial<Action>]),
  },
  followViewer: { name: 'follow the viewer', make: once(['follow']) },
  faceViewer: { name: 'face the viewer', make: once(['face']) },
  growTo: {
    name: 'grow to 160 %',
    make: once(['size', { mode: 'to', factor: 1.6, duration: 0.5 } as Partial<Action>]),
  },
  rise: {
    name: 'rise there and back',
    make: once([
      'move',
      { mode: 'by', by: [0, 0.04, 0], duration: 0.8, easing: 'inOut', thereAndBack: true } as Partial<Action>,
    ]),
  },
  drift: {
    name: 'drift up and down',
    make: once([
      'move',
      {
        mode: 'by',
        by: [0, 0.02, 0],
        duration: 1.6,
        easing: 'inOut',
        thereAndBack: true,
        repeat: 0,
      } as Partial<Action>,
    ]),
  },
  nextPicture: { name: 'next picture', stands: true, kinds: ['card', 'layer'], make: once(['picture']) },
  playOnce: { name: 'play once', kinds: ['card', 'model', 'layer', 'sound'], make: once(['play']) },
  playOn: {
    name: 'play without end',
    kinds: ['card', 'model', 'layer', 'sound'],
    make: once(['play', { times: 0 } as Partial<Action>]),
  },
  burst: { name: 'burst', kinds: ['fountain'], make: once(['burst']) },
  flow: { name: 'flow for 3 s', kinds: ['fountain'], make: once(['flow']) },
  flowOn: {
    name: 'flow',
    kinds: ['fountain'],
    make: once(['flow', { duration: 1, repeat: 0, after: 'stay' }]),
  },
} as const satisfies Record<string, ResponseHalf>;
export type ResponseHalfName = keyof typeof RESPONSE_HALVES;
export const RESPONSE_HALF_NAMES = Object.keys(RESPONSE_HALVES) as readonly ResponseHalfName[];

/** Whether a response can be given to such an object. */
export const responseSuits = (name: ResponseHalfName, object: EffectObject): boolean => {
  const { kinds }: ResponseHalf = RESPONSE_HALVES[name];
  return kinds === undefined || kinds.includes(object.kind);
};
