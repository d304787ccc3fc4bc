/** Nodes that look at the point, hold a value or a picture; and the surface, in which wires end. */
import { at, c, n, NONE, out, simple, source, v, type NodeKinds } from './node-kind';

export const POINT_NODES = {
  surface: {
    inputs: [
      c('colour', '#ffffff', { open: true }),
      n('opacity', 1, { open: true }),
      n('roughness', 0.7, { open: true }),
      n('metalness', 0, { open: true }),
      c('glow', '#000000', { open: true }),
      n('bulge', 0, { open: true }),
      v('offset', { open: true }),
    ],
    outputs: NONE,
    settings: NONE,
    compute: (i) => i,
    glsl: (i) => i,
  },
  place: source('at', 'p', (point) => point.place, 'sfPlace'),
  position: source('position', 'v', (point) => point.position, 'sfPosition'),
  normal: source('normal', 'v', (point) => point.normal, 'sfNormal'),
  facing: source('facing', 'n', (point) => [point.facing], 'sfFacing'),
  view: source('view', 'v', (point) => point.view, 'sfView'),
  time: source('seconds', 'n', (point) => [point.time], 'sfTime'),
  signal: {
    inputs: NONE,
    outputs: [out('value', 'n')],
    settings: [{ name: 'signal', kind: 'signal', usual: 'jawOpen' }],
    compute: (_i, s, point) => ({ value: [point.signal(s.signal!)] }),
    glsl: (_i, _s, { signal }) => ({ value: signal }),
  },
  number: simple(
    [n('value', 0.5)],
    ['value', 'n'],
    (x) => x,
    (x) => x,
  ),
  colour: simple(
    [c('colour', '#e0a042')],
    ['colour', 'c'],
    (x) => x,
    (x) => x,
  ),
  picture: {
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
} satisfies NodeKinds;
