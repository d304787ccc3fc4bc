/** Shapes and patterns. */
import { clamp } from '../maths/scalar';
import { nonZero, smooth } from './maths-ops';
import { at, n, out, p, simple, v, type SurfaceNodeKinds } from './node-kind';
import { cellsAt, noiseAt } from './noise';
import { boxAt, circleAt, starAt } from './shapes';

/** Flat things lie beside the planes where cells meet, on which noise is the same at every corner. */
const ASIDE = [0.31, 0.57, 0.37] as const;
const GRADIENTS = { linear: 'straight', radial: 'from the middle', around: 'around the middle' } as const;
const radians = Math.PI / 180;

export const PATTERN_NODES = {
  circle: simple(
    { name: 'Circle', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
    [at, p('centre', 0.5, 0.5), n('radius', 0.3)],
    ['distance', 'n'],
    (a, centre, r) => [circleAt(a!, centre!, r![0]!)],
    (a, centre, r) => `(length(${a} - ${centre}) - ${r})`,
  ),
  box: simple(
    { name: 'Box', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
    [at, p('centre', 0.5, 0.5), p('size', 0.6, 0.4), n('corner', 0.05)],
    ['distance', 'n'],
    (a, centre, size, r) => [boxAt(a!, centre!, size!, r![0]!)],
    (a, centre, size, r) => `sfBox(${a}, ${centre}, ${size}, ${r})`,
    ['shapes'],
  ),
  star: simple(
    { name: 'Star', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
    [at, p('centre', 0.5, 0.5), n('radius', 0.4), n('notch', 0.45), n('tips', 5)],
    ['distance', 'n'],
    (a, centre, r, inner, tips) => [
      starAt(a!, centre!, r![0]!, inner![0]!, clamp(Math.round(tips![0]!), 2, 64)),
    ],
    (a, centre, r, inner, tips) =>
      `sfStar(${a}, ${centre}, ${r}, ${inner}, clamp(floor(${tips} + 0.5), 2.0, 64.0))`,
    ['shapes'],
  ),
  text: {
    name: 'Words',
    group: 'Shapes',
    note: 'distance to the edge of letters',
    inputs: [at, p('centre', 0.5, 0.5), n('height', 0.25)],
    outputs: [out('distance', 'n')],
    settings: [{ name: 'text', kind: 'text', usual: 'LOW TIDE' }],
    compute: (i, _s, point, node) => {
      const height = Math.max(1e-6, i.height![0]!);
      const [x, y] = [(i.at![0]! - i.centre![0]!) / height, (i.at![1]! - i.centre![1]!) / height];
      return { distance: [point.text(node, [x, y]) * height] };
    },
    glsl: (i, _s, { sampler }) => ({
      distance: `(${sampler}At((${i.at} - ${i.centre}) / max(1e-6, ${i.height})) * max(1e-6, ${i.height}))`,
    }),
  },
  noise: simple(
    { name: 'Noise', group: 'Patterns', note: 'smooth chance, 0 to 1' },
    [{ ...v('at'), open: true }, n('size', 0.2)],
    ['value', 'n'],
    (a, size) => [noiseAt(a!.map((x, i) => x / nonZero(size![0]!) + ASIDE[i]!))],
    (a, size) => `sfNoise(${a} / sfNonZero(${size}) + vec3(${ASIDE.join(', ')}))`,
    ['noise', 'smooth'],
  ),
  cells: simple(
    { name: 'Cells', group: 'Patterns', note: 'distance to the nearest of strewn points' },
    [{ ...v('at'), open: true }, n('size', 0.2)],
    ['distance', 'n'],
    (a, size) => [cellsAt(a!.map((x) => x / nonZero(size![0]!)))],
    (a, size) => `sfCells(${a} / sfNonZero(${size}))`,
    ['noise', 'cells', 'smooth'],
  ),
  gradient: {
    name: 'Gradient',
    group: 'Patterns',
    note: '0 to 1 across the surface',
    inputs: [at, n('turn', 0, { label: 'turn, °' })],
    outputs: [out('value', 'n')],
    settings: [{ name: 'runs', kind: 'choice', choices: GRADIENTS, usual: 'linear' }],
    compute: (i, s) => {
      const [x, y] = [i.at![0]! - 0.5, 0.5 - i.at![1]!];
      const turn = i.turn![0]! * radians;
      if (s.runs === 'radial') return { value: [clamp(2 * Math.hypot(x, y), 0, 1)] };
      if (s.runs === 'around') {
        const part = (x === 0 && y === 0 ? 0 : Math.atan2(x, y) - turn) / (2 * Math.PI);
        return { value: [part - Math.floor(part)] };
      }
      return { value: [clamp(0.5 + x * Math.sin(turn) + y * Math.cos(turn), 0, 1)] };
    },
    glsl: (i, s) => {
      const d = `vec2(${i.at}.x - 0.5, 0.5 - ${i.at}.y)`;
      const turn = `(${i.turn} * ${radians.toFixed(10)})`;
      if (s.runs === 'radial') return { value: `clamp(2.0 * length(${d}), 0.0, 1.0)` };
      if (s.runs === 'around')
        return {
          value: `(length(${d}) > 0.0 ? fract((atan(${d}.x, ${d}.y) - ${turn}) / 6.28318530718) : 0.0)`,
        };
      return { value: `clamp(0.5 + dot(${d}, vec2(sin(${turn}), cos(${turn}))), 0.0, 1.0)` };
    },
  },
  stripes: simple(
    { name: 'Stripes', group: 'Patterns', note: '1 on a stripe, 0 between' },
    [n('at', 0, { needed: true }), n('count', 8), n('share', 0.5), n('softness', 0.05)],
    ['value', 'n'],
    (a, count, share, soft) => {
      const turns = a![0]! * count![0]!;
      const away = Math.abs(turns - Math.floor(turns) - 0.5) * 2;
      return [1 - smooth(share![0]! - soft![0]!, share![0]! + soft![0]!, away)];
    },
    (a, count, share, soft) =>
      `(1.0 - sfSmooth(${share} - ${soft}, ${share} + ${soft}, abs(fract(${a} * ${count}) - 0.5) * 2.0))`,
    ['smooth'],
  ),
} satisfies SurfaceNodeKinds;
