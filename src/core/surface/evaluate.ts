/** Works a surface circuit out at one point: what a shader made of it has to give there. */
import { SURFACE_NODES } from './catalogue';
import type { SurfacePoint } from './node-kind';
import type { Plan, PlannedInput } from './plan';
import { converted } from './ports';

/** What the circuit says about the surface; what it says nothing about is missing. */
export type SurfaceLook = Partial<
  Record<'colour' | 'opacity' | 'roughness' | 'metalness' | 'glow' | 'bulge' | 'offset', readonly number[]>
>;

/** What a circuit makes of a point of the surface: the same as its shader. */
export const evaluateCircuit = (plan: Plan, point: SurfacePoint): SurfaceLook => {
  const results = new Map<string, Readonly<Record<string, readonly number[]>>>();
  const valueOf = (input: PlannedInput): readonly number[] | null => {
    switch (input.from) {
      case 'wire':
        return converted(results.get(input.node)![input.output]!, input.type, input.port.type);
      case 'value':
        return input.value;
      case 'place':
        return converted(point.place, 'p', input.port.type);
      case 'nothing':
        return null;
    }
  };
  let look: SurfaceLook = {};
  for (const { node, inputs, settings } of plan.order) {
    const values: Record<string, readonly number[]> = {};
    for (const input of inputs) {
      const value = valueOf(input);
      if (value) values[input.port.name] = value;
    }
    const result = SURFACE_NODES[node.type].compute(values, settings, point, node.id);
    results.set(node.id, result);
    if (node.type === 'surface') look = result;
  }
  return look;
};
