/** The takes that ship with Iconia. */
import { PERFORMERS } from './performers';
import type { CastMember, TakeSpec } from '../take';

/** A head this far before the front camera fills the picture as one's own does. */
const ARM: [number, number, number] = [0, 0.004, -0.56];

/** At half the distance, so that what is to be judged is in the middle: eyes, lips, skin. */
const CLOSE_EYES: [number, number, number] = [0, -0.026, -0.28];
const CLOSE_LIPS: [number, number, number] = [0, 0.04, -0.28];
const CLOSE_SKIN: [number, number, number] = [0, 0.004, -0.3];

/** A step further back, so that hands have room. */
const STEP_BACK: [number, number, number] = [0, 0.02, -0.74];

const member = (
  performer: string,
  performance: string,
  { place = ARM, shift = 0, present = [0, 1] }: Partial<CastMember> = {},
): CastMember => ({ performer, performance, place, shift, present });

const faces = (
  id: string,
  name: string,
  about: string,
  goodFor: string,
  duration: number,
  cast: CastMember[],
  more: Partial<TakeSpec> = {},
): TakeSpec => ({
  id,
  name,
  about,
  goodFor,
  duration,
  cast,
  room: 'living-room',
  light: 'window',
  camera: 'front-still',
  pictures: null,
  taps: [],
  ...more,
});
const world = (
  id: string,
  name: string,
  about: string,
  goodFor: string,
  duration: number,
  room: string,
  camera: string,
  more: Partial<TakeSpec> = {},
): TakeSpec => faces(id, name, about, goodFor, duration, [], { room, camera, light: 'overcast', ...more });

/** One performer of each skin tone, one after the other. */
const tones = ['wren', 'ines', 'marin', 'asha', 'odile', 'tobe'];

export const TAKE_SPECS: readonly TakeSpec[] = [
  faces(
    'solo-turn-and-mouth',
    'Turn and mouth',
    'Slow turn, mouth opens, lips pucker, blinks',
    'for a first look: most of what a face does in twelve seconds',
    12,
    [member('marin', 'turn-and-mouth')],
  ),
  faces('neutral', 'Neutral', 'Looks into the camera and blinks', 'to place things in peace', 10, [
    member('asha', 'neutral'),
  ]),
  faces(
    'slow-turn',
    'Slow turn',
    'The head turns to 48 degrees on both sides',
    'to see make-up at the edge of the face, and what goes behind the head',
    14,
    [member('odile', 'slow-turn')],
    { light: 'studio', room: 'paper' },
  ),
  faces(
    'nod-and-tilt',
    'Nod and tilt',
    'Nods twice, then leans to both sides',
    'to see hats, chins and things that dangle',
    12,
    [member('jun', 'nod-and-tilt')],
  ),
  faces(
    'mouth',
    'Mouth open and close',
    'The mouth opens a little, half, and wide',
    'to set how far a mouth must open, and to see lips and teeth',
    10,
    [member('nkem', 'mouth')],
    { light: 'studio', room: 'paper' },
  ),
  faces(
    'pucker-and-blow',
    'Pucker and blow',
    'Lips pucker, then blow with full cheeks',
    'to try what a kiss or a breath sets off',
    10,
    [member('wren', 'pucker-and-blow')],
  ),
  faces(
    'smile-and-wink',
    'Smile and wink',
    'Smiles with teeth, winks left, winks right',
    'to see folds by the eyes, and make-up on lids',
    10,
    [member('ines', 'smile-and-wink')],
  ),
  faces(
    'talking',
    'Talking',
    'Talks in three sentences',
    'to see that nothing fires by chance while someone talks',
    12,
    [member('tomas', 'talking')],
  ),
  faces(
    'brows',
    'Brows',
    'Brows rise, knit, and rise in the middle',
    'to see foreheads, lines and brow make-up',
    9,
    [member('piet', 'brows')],
  ),
  faces(
    'eyes-shut',
    'Eyes shut',
    'Eyes shut for some seconds, twice, then a squint',
    'to see eye shadow and lashes',
    10,
    [member('halima', 'eyes-shut')],
  ),
  faces(
    'close-and-far',
    'Close and far',
    'Comes to 32 cm and steps back to 1.6 m',
    'to see sizes hold, and fine work from close up',
    14,
    [member('tobe', 'close-and-far')],
    { camera: 'front-held' },
  ),
  faces(
    'close-eyes',
    'Eyes from close by',
    'Looks down, up and aside, shuts the eyes slowly; in soft, dim, hard and coloured light',
    'to judge lids, lashes, brows and irises at half the distance',
    16,
    [member('asha', 'close-eyes', { place: CLOSE_EYES })],
    { light: 'in-turn' },
  ),
  faces(
    'close-lips',
    'Lips from close by',
    'Speaks, purses and parts the lips, smiles; in soft, dim, hard and coloured light',
    'to judge lip colour, its rim and gloss at half the distance',
    16,
    [member('nkem', 'close-lips', { place: CLOSE_LIPS })],
    { light: 'in-turn' },
  ),
  faces(
    'close-skin',
    'Skin from close by',
    'Turns a little, smiles, raises and knits the brows; in soft, dim, hard and coloured light',
    'to judge blush, highlight, retouch and freckles at half the distance',
    16,
    [member('wren', 'close-skin', { place: CLOSE_SKIN })],
    { light: 'in-turn' },
  ),
  faces(
    'hand-over-face',
    'Hand over face',
    'A hand passes, then covers the mouth and cheek',
    'to see what an effect does when something is in front of the face',
    12,
    [member('asha', 'hand-over-face', { place: STEP_BACK })],
  ),
  faces(
    'gestures',
    'Hand signs',
    'Palm, fist, thumb, a finger that points, a pinch, two fingers',
    'to try what a hand sign sets off',
    16,
    [member('odile', 'gestures', { place: STEP_BACK })],
  ),
  faces('drink', 'A mug', 'Drinks from a mug', 'to see what an effect does behind an object', 10, [
    member('jun', 'drinks', { place: STEP_BACK }),
  ]),
  faces(
    'two-people',
    'Two people',
    'Side by side; they look at each other and laugh',
    'to see what two people do, and which face gets what',
    12,
    [
      member('marin', 'looks-left', { place: [-0.1, 0.01, -0.86] }),
      member('tomas', 'looks-right', { place: [0.14, 0.05, -1.14], shift: 0.06 }),
    ],
    { camera: 'front-held' },
  ),
  faces(
    'three-people',
    'Three people, entering and leaving',
    'One stays, one comes from the left, one from the right',
    'to see faces appear and leave',
    14,
    [
      member('halima', 'neutral', { place: [0, 0, -0.9] }),
      member('wren', 'comes-from-left', { place: [-0.2, 0.03, -1.2] }),
      member('piet', 'comes-from-right', { place: [0.25, 0.09, -1.5] }),
    ],
  ),
  faces(
    'dim-room',
    'Dim room',
    'One warm lamp from the side that flickers a little',
    'to see whether colours and glow still read in poor light',
    12,
    [member('nkem', 'slow-turn')],
    { light: 'dim', room: 'night' },
  ),
  faces(
    'low-sun',
    'Low sun',
    'Hard warm light from one side, by the sea',
    'to see make-up and shading under hard light',
    12,
    [member('anselm', 'talking')],
    { light: 'low-sun', room: 'shore', camera: 'front-held' },
  ),
  faces(
    'skin-tones',
    'Every skin tone in turn',
    'Six performers, Fitzpatrick I to VI, two and a half seconds each',
    'to see a colour, a blend mode or make-up on every skin',
    15,
    tones.map((id, i) =>
      member(id, 'neutral', { shift: i / 6, present: [i / tones.length, (i + 1) / tones.length] }),
    ),
    { light: 'studio', room: 'paper' },
  ),
  world(
    'walk-floor',
    'Walk over a floor',
    'Two steps forward over boards, and back',
    'to see things stand on the ground',
    14,
    'hall',
    'walk-floor',
  ),
  world(
    'round-table',
    'Round a table',
    'Once round a table',
    'to see a thing from all sides',
    16,
    'kitchen',
    'round-table',
  ),
  world(
    'along-wall',
    'Along a wall',
    'To and fro before a wall',
    'to see pictures and portals hang',
    12,
    'gallery',
    'along-wall',
  ),
  world(
    'garden-path',
    'Outdoors path',
    'Three metres along a path in sunshine, and back',
    'to see large things in daylight',
    16,
    'garden',
    'garden-walk',
    { light: 'low-sun' },
  ),
  world(
    'picture-in-hand',
    'Picture in hand',
    'Your printed picture, held and turned a little',
    'to see how a printed picture comes alive',
    12,
    'hall',
    'rear-held',
    { pictures: 'in-hand' },
  ),
  world(
    'picture-on-table',
    'Picture on a table',
    'Your printed picture on a table, walked around',
    'to see what stands on a printed picture from all sides',
    14,
    'kitchen',
    'round-picture',
    { pictures: 'on-table' },
  ),
  world(
    'picture-tilting',
    'Picture tilting',
    'Tilts to 70 degrees and to the side',
    'to see how far tracking holds',
    12,
    'hall',
    'rear-held',
    { pictures: 'tilting' },
  ),
  world(
    'picture-covered',
    'Picture covered in part',
    'A card slides over up to 60 percent of it',
    'to see tracking hold when something lies on the picture',
    12,
    'hall',
    'rear-held',
    { pictures: 'covered' },
  ),
  world(
    'picture-leaving',
    'Picture leaving and returning',
    'Leaves the view and comes back',
    'to see what happens when the picture is lost and found',
    12,
    'hall',
    'rear-held',
    { pictures: 'leaving' },
  ),
  world(
    'two-pictures',
    'Two pictures',
    'Two printed pictures on a table',
    'to see which picture gets what',
    14,
    'kitchen',
    'round-picture',
    { pictures: 'two' },
  ),
];

/** Every performer in the neutral performance, for contact sheets and measurements. */
export const screenTest = (performer: string, performance = 'neutral', duration = 10): TakeSpec =>
  faces(`screen-test-${performer}`, `Screen test of ${performer}`, '', '', duration, [
    member(performer, performance),
  ]);
export const SCREEN_TESTS: readonly TakeSpec[] = PERFORMERS.map((p) => screenTest(p.id));
