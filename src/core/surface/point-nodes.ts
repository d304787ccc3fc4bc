/** Nodes that look at the point, hold a value or a picture; and the surface, in which wires end. */
import { at, c, n, NONE, out, simple, source, v, type SurfaceNodeKinds } from './node-kind';

export const POINT_NODES = {
  surface: {
    name: 'Surface',
    group: 'Surface',
    note: 'what the material looks like',
    inputs: [
      c('colour', '#ffffff', { open: true }),
      n('opacity', 1, { open: true }),
      n('roughness', 0.7, { open: true }),
      n('metalness', 0, { open: true }),
      c('glow', '#000000', { open: true }),
      n('bulge', 0, { open: true, label: 'bulge, m' }),
      v('offset', { open: true, label: 'offset, m' }),
    ],
    outputs: NONE,
    settings: NONE,
    compute: (i) => i,
    glsl: (i) => i,
  },
  place: source(
    { name: 'Place', group: 'From the point', note: 'where on the surface, 0 to 1 from the upper left' },
    'at',
    'p',
    (point) => point.place,
    'sfPlace',
  ),
  position: source(
    { name: 'Position', group: 'From the point', note: 'where in the object, in metres' },
    'position',
    'v',
    (point) => point.position,
    'sfPosition',
  ),
  normal: source(
    { name: 'Normal', group: 'From the point', note: 'which way it faces, in the object' },
    'normal',
    'v',
    (point) => point.normal,
    'sfNormal',
  ),
  facing: source(
    { name: 'Facing', group: 'From the point', note: '1 towards the viewer, 0 at the rim' },
    'facing',
    'n',
    (point) => [point.facing],
    'sfFacing',
  ),
  view: source(
    { name: 'View', group: 'From the point', note: 'the direction towards the viewer, in the object' },
    'view',
    'v',
    (point) => point.view,
    'sfView',
  ),
  time: source(
    { name: 'Time', group: 'From the point', note: 'seconds since the effect started' },
    'seconds',
    'n',
    (point) => [point.time],
    'sfTime',
  ),
  signal: {
    name: 'Signal',
    group: 'From the point',
    note: 'an expression of the face, or the opacity',
    inputs: NONE,
    outputs: [out('value', 'n')],
    settings: [{ name: 'signal', kind: 'signal', usual: 'jawOpen' }],
    compute: (_i, s, point) => ({ value: [point.signal(s.signal!)] }),
    glsl: (_i, _s, { signal }) => ({ value: signal }),
  },
  number: simple(
    { name: 'Number', group: 'Values', note: 'a number to drag' },
    [n('value', 0.5)],
    ['value', 'n'],
    (x) => x,
    (x) => x,
  ),
  colour: simple(
    { name: 'Colour', group: 'Values', note: 'a colour to choose' },
    [c('colour', '#e0a042')],
    ['colour', 'c'],
    (x) => x,
    (x) => x,
  ),
  picture: {
    name: 'Picture',
    group: 'Values',
    note: 'a picture, or the camera',
    inputs: [at],
    outputs: [out('colour', 'c'), out('opacity', 'n')],
    settings: NONE,
    compute: (i, _s, point, node) => {
      const seen = point.picture(node, i.at as [number, number]);
      return { colour: seen.slice(0, 3), opacity: [seen[3]] };
    },
    glsl: (i, _s, { sampler }) => ({
      colour: `${sampler}At(${i.at}).rgb`,
      opacity: `${sampler}At(${i.at}).a`,
    }),
  },
} satisfies SurfaceNodeKinds;
