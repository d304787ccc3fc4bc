/**
 * Turns a surface circuit into GLSL, node by node. Numbers and colours of the nodes become entries of one array, so that
 * dragging one of them changes no code: circuits with the same nodes and wires share a program.
 */
import type { SurfaceCircuit, NodeId, PictureSource } from '../document/schema';
import { SURFACE_NODES } from './catalogue';
import { LIBRARY } from './node-kind';
import { planCircuit, type CircuitProblem, type PlannedInput, type PlannedNode } from './plan';
import { convertedGlsl, GLSL_TYPE } from './ports';

export type SurfaceOutput = 'colour' | 'opacity' | 'roughness' | 'metalness' | 'glow' | 'bulge' | 'offset';
/** Those that move the surface itself. */
const SHAPING: ReadonlySet<string> = new Set(['bulge', 'offset']);

export interface CompiledSurface {
  /** Functions, uniforms and `void sfFragment()`: it sets `sfOut_colour` and so on for each output. */
  readonly fragment: string;
  /** The same for the shape of the surface, `void sfVertex()`; null leaves it as it is. */
  readonly vertex: string | null;
  readonly outputs: ReadonlySet<SurfaceOutput>;
  /** The values of the array `sfNumbers`, four to an entry. */
  readonly numbers: Float32Array;
  /** Textures `sfPicture0`... and the nodes they belong to. */
  readonly pictures: readonly { readonly node: NodeId; readonly source: PictureSource }[];
  /** Textures `sfText0`... holding distances, and what they say. */
  readonly texts: readonly { readonly node: NodeId; readonly text: string }[];
  /** Uniforms `sfSignal0`... */
  readonly signals: readonly string[];
  /** Whether it looks different as time passes. */
  readonly moves: boolean;
  /** The same key has the same code. */
  readonly key: string;
  readonly problems: readonly CircuitProblem[];
}

/** Every number a circuit holds, as places in an array of vec4. */
class Numbers {
  readonly values: number[] = [];

  /** GLSL that reads the numbers back. */
  add(numbers: readonly number[]): string {
    // None runs over the end of an entry.
    if ((this.values.length % 4) + numbers.length > 4)
      while (this.values.length % 4 !== 0) this.values.push(0);
    const [entry, first] = [Math.floor(this.values.length / 4), this.values.length % 4];
    this.values.push(...numbers);
    return `sfNumbers[${entry}].${'xyzw'.slice(first, first + numbers.length)}`;
  }
}

/** Compiles a circuit; what is wrong with it is left out of the code and named in `problems`. */
export const compileCircuit = (
  circuit: SurfaceCircuit,
  hasAsset: (id: string) => boolean = () => true,
): CompiledSurface => {
  const plan = planCircuit(circuit, hasAsset);
  const numbers = new Numbers();
  const pictures: { node: NodeId; source: PictureSource }[] = [];
  const texts: { node: NodeId; text: string }[] = [];
  const signals: string[] = [];
  const needs = new Set<keyof typeof LIBRARY>();
  const names = new Map<NodeId, string>(plan.order.map(({ node }, i) => [node.id, `sf${i}`]));
  const outputs = new Set<SurfaceOutput>();

  const codeOf = (input: PlannedInput): string | null => {
    switch (input.from) {
      case 'wire':
        return convertedGlsl(`${names.get(input.node)}_${input.output}`, input.type, input.port.type);
      case 'value':
        return numbers.add(input.value);
      case 'place':
        return convertedGlsl('sfPlace', 'p', input.port.type);
      case 'nothing':
        return null;
    }
  };
  const textureOf = ({ node, settings }: PlannedNode): string => {
    if (node.type === 'picture' && node.picture) {
      pictures.push({ node: node.id, source: node.picture });
      return `sfPicture${pictures.length - 1}`;
    }
    if (node.type === 'text') {
      texts.push({ node: node.id, text: settings.text! });
      return `sfText${texts.length - 1}`;
    }
    return 'sfNoPicture';
  };
  const signalOf = ({ node, settings }: PlannedNode): string => {
    if (node.type !== 'signal') return '';
    const known = signals.indexOf(settings.signal!);
    if (known < 0) signals.push(settings.signal!);
    return `sfSignal${known < 0 ? signals.length - 1 : known}`;
  };

  /** Lines of code by node, once for all; each stage takes those it needs. */
  const lines = new Map<NodeId, string>();
  const sinks: { output: SurfaceOutput; line: string; needs: NodeId | null }[] = [];
  for (const planned of plan.order) {
    const { node, inputs, settings } = planned;
    const kind = SURFACE_NODES[node.type];
    for (const need of kind.needs ?? []) needs.add(need);
    const codes: Record<string, string> = {};
    for (const input of inputs) {
      const code = codeOf(input);
      if (code === null) continue;
      codes[input.port.name] = code;
      if (node.type !== 'surface') continue;
      const output = input.port.name as SurfaceOutput;
      outputs.add(output);
      sinks.push({
        output,
        line: `sfOut_${output} = ${code};`,
        needs: input.from === 'wire' ? input.node : null,
      });
    }
    if (node.type === 'surface') continue;
    const made = kind.glsl(codes, settings, { sampler: textureOf(planned), signal: signalOf(planned) });
    lines.set(
      node.id,
      kind.outputs
        .map(({ name, type }) => `${GLSL_TYPE[type]} ${names.get(node.id)}_${name} = ${made[name]};`)
        .join('\n    '),
    );
  }

  const declared = [
    ...(numbers.values.length > 0
      ? [`uniform vec4 sfNumbers[${Math.ceil(numbers.values.length / 4)}];`]
      : []),
    'uniform float sfTime;',
    ...signals.map((_, i) => `uniform float sfSignal${i};`),
    ...pictures.map((_, i) => PICTURE_GLSL.replaceAll('#', `sfPicture${i}`)),
    ...(plan.order.some(({ node }) => node.type === 'picture' && !node.picture)
      ? ['vec4 sfNoPictureAt(vec2 at) { return vec4(1.0); }']
      : []),
    ...texts.map((_, i) => TEXT_GLSL.replaceAll('#', `sfText${i}`)),
    // Always in the same order, and noise before the cells that use its hash.
    ...(Object.keys(LIBRARY) as (keyof typeof LIBRARY)[])
      .filter((part) => needs.has(part))
      .map((part) => LIBRARY[part]),
  ];
  const stage = (wanted: (output: SurfaceOutput) => boolean, name: string): string => {
    const used = sinks.filter(({ output }) => wanted(output));
    const nodes = neededBy(
      plan.order,
      used.flatMap((sink) => sink.needs ?? []),
    );
    return [
      ...declared,
      ...used.map(({ output }) => `${TYPE_OF[output]} sfOut_${output};`),
      `void ${name}() {`,
      ...plan.order.filter(({ node }) => nodes.has(node.id)).map(({ node }) => `    ${lines.get(node.id)}`),
      ...used.map(({ line }) => `    ${line}`),
      '}',
    ].join('\n');
  };
  const shapes = sinks.some(({ output }) => SHAPING.has(output));
  const fragment = stage((output) => !SHAPING.has(output), 'sfFragment');
  const vertex = shapes ? stage((output) => SHAPING.has(output), 'sfVertex') : null;
  return {
    fragment,
    vertex,
    outputs,
    numbers: padded(numbers.values),
    pictures,
    texts,
    signals,
    moves: plan.order.some(({ node }) => ['time', 'signal', 'picture'].includes(node.type)),
    key: `${fragment}\n${vertex ?? ''}`,
    problems: plan.problems,
  };
};

const TYPE_OF: Readonly<Record<SurfaceOutput, string>> = {
  colour: 'vec3',
  opacity: 'float',
  roughness: 'float',
  metalness: 'float',
  glow: 'vec3',
  bulge: 'float',
  offset: 'vec3',
};

/** A picture is read with its own way of lying: where its part begins, and how large that is. */
const PICTURE_GLSL = /* glsl */ `
  uniform sampler2D #;
  uniform vec4 #_part; // where it begins, how far it reaches
  uniform vec2 #_kind; // values are sRGB; repeats
  vec4 #At(vec2 at) {
    // Textures that repeat do so by themselves, without a seam.
    vec2 place = #_kind.y > 0.5 ? at : clamp(at, 0.0, 1.0);
    vec4 c = texture(#, #_part.xy + place * #_part.zw);
    vec3 linear = mix(pow((c.rgb + 0.055) / 1.055, vec3(2.4)), c.rgb / 12.92, lessThanEqual(c.rgb, vec3(0.04045)));
    return vec4(mix(c.rgb, linear, #_kind.x), c.a);
  }`;

/** The field covers \`_size\` lines around the middle of the text; beyond, the distance goes on growing. */
const TEXT_GLSL = /* glsl */ `
  uniform sampler2D #;
  uniform vec2 #_size;
  float #At(vec2 at) {
    vec2 inner = clamp(at, -0.5 * #_size, 0.5 * #_size);
    return texture(#, inner / #_size + 0.5).r + length(at - inner);
  }`;

const neededBy = (order: readonly PlannedNode[], sinks: readonly NodeId[]): ReadonlySet<NodeId> => {
  const byId = new Map(order.map((planned) => [planned.node.id, planned]));
  const found = new Set<NodeId>();
  const ahead = [...sinks];
  while (ahead.length > 0) {
    const id = ahead.pop()!;
    if (found.has(id)) continue;
    found.add(id);
    for (const input of byId.get(id)?.inputs ?? []) if (input.from === 'wire') ahead.push(input.node);
  }
  return found;
};

const padded = (values: readonly number[]): Float32Array => {
  const array = new Float32Array(Math.ceil(values.length / 4) * 4);
  array.set(values);
  return array;
};
