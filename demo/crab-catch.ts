/** Crab Catch, first version: crabs fall, an open mouth catches them, for twenty seconds. No cue is in it: a circuit and a script do all. */
import { blankEffect } from '../src/core/document/defaults';
import { newBoardNote, type BoardNote, type BoardNoteId } from '../src/core/document/board-note-schema';
import { newCircuit } from '../src/core/document/new-circuit';
import { boundReads } from '../src/core/document/script-names';
import { formulaNames } from '../src/core/document/formula-names';
import { namesIn } from '../src/atelier/when-words';
import { newFountain } from '../src/core/kinds/objects/fountain';
import { newLight } from '../src/core/kinds/objects/light';
import { newModel } from '../src/core/kinds/objects/model';
import { newSolid } from '../src/core/kinds/objects/solid';
import { newText } from '../src/core/kinds/objects/text';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../src/core/kinds/nodes/nodes';
import { newPort, type DeclaredPort } from '../src/core/kinds/nodes/declared-ports';
import { readyTrigger } from '../src/core/kinds/triggers/ready-triggers';
import type {
  Anchor,
  CircuitId,
  Effect,
  EffectObject,
  ModelAsset,
  NodeId,
  ObjectId,
  PictureAsset,
} from '../src/core/document/schema';
import { byId } from './acting';

export interface CrabAssets {
  readonly crab: ModelAsset;
  readonly icon: PictureAsset;
}

const SCREEN: Anchor = { kind: 'screen', pin: 'centre' };
const MOUTH: Anchor = { kind: 'head', face: 1, point: 'mouth', grows: false };
const id = (name: string): ObjectId => `obj_${name}` as ObjectId;
const node = (name: string): NodeId => `node_${name}` as NodeId;

const GAME = `// Crabs fall over the picture. One is caught where the ring is, by an open mouth.
const TOP = 0.092;
const BOTTOM = -0.092;

export const state = {
  playing: false, left: 0, score: 0, best: 0, games: 0,
  x: 0, y: TOP, speed: 0.07, turn: 0, burst: 0,
};

export function step({ inputs, read, state, dt, random, log }) {
  const drop = () => {
    state.x = (random() * 2 - 1) * 0.026;
    state.y = TOP;
    state.turn = random() * 360;
  };
  let caught = false;
  let over = false;
  state.burst = Math.max(0, state.burst - dt);
  if (inputs.tap && !state.playing) {
    Object.assign(state, { playing: true, left: inputs.seconds, score: 0, speed: 0.07 });
    drop();
    log('begins');
  } else if (state.playing) {
    state.left = Math.max(0, state.left - dt);
    state.y -= state.speed * dt;
    state.turn += 140 * dt;
    // Both are places on the screen: shares of its width, and of its height.
    const across = (read.crabOnTheScreenAcross - read.ringOnTheScreenAcross) * 0.56;
    const down = read.crabOnTheScreenDown - read.ringOnTheScreenDown;
    caught = Math.hypot(across, down) < 0.08 && read.jawOpen > 0.25;
    if (caught) {
      state.score += 1;
      state.speed = Math.min(0.16, state.speed + 0.006);
      state.burst = 0.25;
      log('caught', state.score);
    }
    if (caught || state.y < BOTTOM) drop();
    over = state.left < 1e-6;
    if (over) {
      state.playing = false;
      state.games += 1;
      state.best = Math.max(state.best, state.score);
      log('over with', state.score);
    }
  }
  const seconds = Math.ceil(state.left - 1e-6);
  return {
    x: state.x,
    y: state.y,
    turn: state.turn,
    title: state.playing ? String(seconds) : state.games === 0 ? 'Crab Catch' : 'The tide is in',
    below: state.playing
      ? \`\${state.score}\`
      : state.games === 0
        ? 'Tap, then catch crabs with your mouth'
        : \`You caught \${state.score}. Best: \${state.best}. Tap for another\`,
    playing: state.playing,
    sparkles: state.burst > 0,
    caught,
    over,
  };
}
`;

const takes: DeclaredPort[] = [
  newPort('tap', 'event'),
  { ...newPort('seconds'), usual: 20, unit: 'seconds', low: 5, high: 60 },
];
const gives: DeclaredPort[] = [
  { ...newPort('x'), unit: 'centimetres' },
  { ...newPort('y'), unit: 'centimetres' },
  { ...newPort('turn'), unit: 'degrees' },
  newPort('title', 'text'),
  newPort('below', 'text'),
  newPort('playing', 'truth'),
  newPort('sparkles', 'truth'),
  newPort('caught', 'event'),
  newPort('over', 'event'),
];

export const crabCatch = ({ crab, icon }: CrabAssets): Effect => {
  const longest = Math.max(...crab.high.map((h, i) => h - crab.low[i]!));
  const k = 0.026 / longest;
  const objects: EffectObject[] = [
    {
      ...newModel(id('crab'), crab, 0, SCREEN),
      name: 'Crab',
      move: [0, 0.2, 0],
      turn: [62, 0, 0],
      scale: [k, k, k],
    },
    {
      ...newSolid(id('ring'), 'torus', 1, MOUTH),
      name: 'Ring',
      move: [0, 0, 0.012],
      extent: [0.075, 0.075, 0.004],
      colour: '#ffd27a',
      opacity: 0.75,
    },
    {
      ...newText(id('title'), 'Crab Catch', 2, SCREEN),
      name: 'Title',
      move: [0, 0.058, 0.01],
      size: 0.012,
      outline: 0.1,
    },
    {
      ...newText(id('below'), 'Tap, then catch crabs with your mouth', 3, SCREEN),
      name: 'Score',
      move: [0, -0.066, 0.01],
      size: 0.0048,
      outline: 0.1,
    },
    {
      ...newFountain(id('sparkles'), 4, MOUTH),
      name: 'Sparkles',
      move: [0, 0, 0.02],
      rate: 90,
      life: [0.25, 0.6],
      speed: [0.08, 0.2],
      spread: 180,
      size: 0.006,
      blend: 'plus-lighter',
    },
    { ...newLight(id('sunlight'), 'directional', 6, SCREEN), name: 'Sun' },
    { ...newLight(id('skylight'), 'ambient', 7, SCREEN), name: 'Sky', strength: 0.9 },
  ].map((o, order) => ({ ...o, order }) as EffectObject);

  const effect = {
    ...blankEffect('Crab Catch'),
    objects: byId(objects),
    assets: byId([crab, icon]),
    listing: {
      summary: 'Crabs fall. Catch them with your mouth, for twenty seconds.',
      tags: ['low tide nights', 'crab', 'game'],
      icon: icon.id,
    },
  } as unknown as Effect;

  const from = (of: string, port: string) => ({ node: node(of), port });
  const make = (
    name: string,
    kind: NodeKind,
    at: readonly [number, number],
    set: object,
    inputs: BehaviourNode['inputs'] = {},
    values: BehaviourNode['values'] = {},
  ): BehaviourNode => newBehaviourNode(node(name), kind, at, { set, inputs, values });
  /** What is written stands in two columns. */
  const placeOf = (row: number): readonly [number, number] => [
    660 + 230 * Math.floor(row / 4),
    (row % 4) * 190,
  ];
  const writes = (name: string, row: number, object: string, property: string, port: string): BehaviourNode =>
    make(
      name,
      'write',
      placeOf(row),
      { to: { kind: 'number', objects: [id(object)], property } },
      { value: from('game', port) },
    );
  const area = (
    name: string,
    text: string,
    at: readonly [number, number],
    size: readonly [number, number],
    colour: BoardNote['colour'],
  ): BoardNote => ({ ...newBoardNote(`note_${name}` as BoardNoteId, 'area', at, size), text, colour });
  const known = formulaNames(effect, namesIn(effect));
  const nodes = [
    make('taps', 'trigger', [0, 0], { trigger: readyTrigger('screenTapped') }),
    make(
      'game',
      'script',
      [280, 0],
      { name: 'The game', source: GAME, takes, gives, reads: boundReads(GAME, {}, known) },
      { tap: from('taps', 'event') },
    ),
    writes('falls', 0, 'crab', 'moveY', 'y'),
    writes('across', 1, 'crab', 'moveX', 'x'),
    writes('turns', 2, 'crab', 'turnZ', 'turn'),
    make('says', 'writeText', placeOf(3), { object: id('title') }, { text: from('game', 'title') }),
    make('counts', 'writeText', placeOf(4), { object: id('below') }, { text: from('game', 'below') }),
    writes('shows', 5, 'crab', 'visible', 'playing'),
    writes('rings', 6, 'ring', 'visible', 'playing'),
    writes('sparks', 7, 'sparkles', 'visible', 'sparkles'),
  ];
  const circuit = {
    ...newCircuit('circuit_game' as CircuitId, 'The game', 0),
    nodes: byId(nodes),
    notes: byId([
      area('taps', 'The viewer', [-24, -56], [244, 200], 'tide'),
      area('game', 'Rules and score', [256, -56], [244, 560], 'coral'),
      area('says', 'What is seen of it', [636, -56], [478, 800], 'kelp'),
      {
        ...newBoardNote('note_read' as BoardNoteId, 'note', [-24, 180], [244, 110]),
        text: 'One script keeps the score. Everything it says and moves is a wire, so all of it can be changed without code.',
      },
    ]),
  };
  return { ...effect, circuits: { [circuit.id]: circuit } } as Effect;
};
