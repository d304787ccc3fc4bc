/** Numbers that go into surface circuits from outside: inputs of nodes that nothing is wired to. */
import type { Effect, NodeId } from '../document/schema';
import type { InputOfCircuit } from '../kinds/writables/writable-kind';
import { SURFACE_NODES } from '../surface/catalogue';

export interface CircuitInput extends InputOfCircuit {
  readonly node: NodeId;
  readonly usual: number;
}

/** All of an effect, material by material. */
export const circuitInputs = (effect: Effect): CircuitInput[] =>
  Object.values(effect.materials).flatMap((material) =>
    Object.values(material.circuit ?? {}).flatMap((node) =>
      SURFACE_NODES[node.type].inputs
        .filter((port) => port.type === 'n' && !node.inputs[port.name])
        .map((port): CircuitInput => {
          const own = node.values[port.name] ?? port.usual;
          return {
            material: material.id,
            node: node.id,
            port: port.name,
            usual: typeof own === 'number' ? own : 0,
          };
        }),
    ),
  );

/** Whether the input is there, takes a number and is not wired. */
export const isOpenInput = (effect: Effect, { material, node, port }: InputOfCircuit): boolean => {
  const found = effect.materials[material]?.circuit?.[node as NodeId];
  if (!found || Object.hasOwn(found.inputs, port)) return false;
  return SURFACE_NODES[found.type].inputs.some((p) => p.name === port && p.type === 'n');
};

/** The effect with numbers laid into open inputs of its circuits; the same one when there are none. */
export const withCircuitInputs = (
  effect: Effect,
  values: readonly (readonly [InputOfCircuit, number])[],
): Effect => {
  if (values.length === 0) return effect;
  const materials = { ...effect.materials };
  for (const [{ material, node, port }, value] of values) {
    const before = materials[material]!;
    const old = before.circuit![node as NodeId]!;
    const next = { ...old, values: { ...old.values, [port]: value } };
    materials[material] = { ...before, circuit: { ...before.circuit, [node]: next } };
  }
  return { ...effect, materials };
};
