/** What nodes about places in the world are called. */
import type { BODY_NODES } from '../body-nodes';
import type { OBJECT_NODES, OBJECT_WRITERS } from '../object-nodes';
import type { PLACED_NODES, WORLD_NODES } from '../world-nodes';
import type { WordsOf } from './node-words-kind';

const PLACES = 'Places in the world';
const OBJECTS = 'Objects and pictures';

export const WORLD_WORDS: WordsOf<typeof WORLD_NODES & typeof PLACED_NODES> = {
  facePlace: {
    name: 'Place of a face',
    group: PLACES,
    note: 'Where a point of a face is, by the number of the face.',
    also: 'head nose eye mouth position rotation tracked',
  },
  handPlace: {
    name: 'Place of a hand',
    group: PLACES,
    note: 'Where a point of a hand is, by the number of the hand.',
    also: 'finger tip palm position rotation tracked',
  },
  picturePlace: {
    name: 'Place of a printed picture',
    group: PLACES,
    note: 'Where a printed picture lies, while it is seen.',
    also: 'target poster card position rotation tracked',
  },
  surfacePlace: {
    name: 'Place of a surface',
    group: PLACES,
    note: 'Where the floor, a table or a wall is, once it is found.',
    also: 'ground plane position rotation tracked',
  },
  viewerPlace: {
    name: 'Place of the viewer',
    group: PLACES,
    note: 'Where the camera is, and how it is turned.',
    also: 'phone position rotation eye',
  },
  pictureLight: {
    name: 'Light of the picture',
    group: PLACES,
    note: 'What the camera picture says about the light: its colour, how bright it is, and where it comes from.',
    also: 'camera colour brightness dark bright estimate',
  },
  pictureColour: {
    name: 'Colour of the picture',
    group: PLACES,
    note: 'What colour the camera picture has around a point of it, and how bright it looks there.',
    also: 'camera pixel pick eyedropper sample clothes background brightness at a point',
  },
  tapPlace: {
    name: 'Tap into the world',
    group: PLACES,
    note: 'Where the picture was tapped last, the ray from there, and the object that it met.',
    also: 'touch press click screen ray which object',
  },
  pictureRay: {
    name: 'Ray of the picture',
    group: PLACES,
    note: 'From the viewer through a point of the picture: shares of it from the top left.',
    also: 'screen unproject direction',
  },
  onPicture: {
    name: 'On the picture',
    group: PLACES,
    note: 'Where a place of the world is seen: shares of the picture from the top left.',
    also: 'screen project across down',
  },
  rayToPlane: {
    name: 'Ray to a plane',
    group: PLACES,
    note: 'Where a ray meets a plane through a point, given which way is up from it.',
    also: 'intersect floor wall hit tap',
  },
  rayToBall: {
    name: 'Ray to a ball',
    group: PLACES,
    note: 'Where a ray meets a ball first.',
    also: 'intersect sphere hit',
  },
  rayToObject: {
    name: 'Ray to an object',
    group: PLACES,
    note: 'Where a ray meets an object, by its touch area or its size.',
    also: 'intersect hit pick tap',
  },
  objectPlace: {
    name: 'Place of an object',
    group: OBJECTS,
    note: 'Where an object is and how it is turned; on the screen, on that.',
    also: 'position rotation world',
  },
  copiesOf: {
    name: 'Copies of an object',
    group: OBJECTS,
    note: 'How many places an object is at, as one on every face is, and where: a list for each axis.',
    also: 'each every instances count positions',
  },
  objectsApart: {
    name: 'Objects apart',
    group: OBJECTS,
    note: 'How far two objects are from each other.',
    also: 'distance near between',
  },
  nearestObject: {
    name: 'Nearest object',
    group: OBJECTS,
    note: 'Which of some objects is nearest to a place, and how far.',
    also: 'closest distance',
  },
};

export const OBJECT_WORDS: WordsOf<typeof OBJECT_NODES & typeof OBJECT_WRITERS> = {
  theObject: { name: 'Object', group: OBJECTS, note: 'An object of the effect.', also: 'thing reference' },
  whichObject: {
    name: 'Which object',
    group: OBJECTS,
    note: 'One of some objects, by its number from 1.',
    also: 'choose select pick switch',
  },
  sameObject: {
    name: 'Same object',
    group: OBJECTS,
    note: 'Yes where both are one and the same object.',
    also: 'equal compare is',
  },
  thePicture: {
    name: 'Picture',
    group: OBJECTS,
    note: 'A picture or a sequence that was brought in.',
    also: 'image asset texture',
  },
  whichPicture: {
    name: 'Which picture',
    group: OBJECTS,
    note: 'One of some pictures, by its number from 1.',
    also: 'choose select image switch',
  },
  writeOf: {
    name: 'Write to an object',
    group: 'Write and do',
    note: 'Writes a number of whichever object comes in, while it is yes.',
    also: 'set drive property move size opacity',
  },
  writePicture: {
    name: 'Show a picture',
    group: 'Write and do',
    note: 'Lets a card show another picture, as wide as it is, while it is yes.',
    also: 'set image texture swap change',
  },
};

export const BODY_WORDS: WordsOf<typeof BODY_NODES> = {
  body: {
    name: 'Thrown body',
    group: 'Bodies',
    note: 'A ball that is let go of: it falls, and bounces off a floor, a ball such as a head, and a box.',
    also: 'physics gravity drop collide throw bounce sphere head',
  },
  string: {
    name: 'String',
    group: 'Bodies',
    note: 'A string that hangs from a place and swings: its end, its middle and all its points.',
    also: 'rope physics hang earring chain swing pendulum thread',
  },
};
