/** The code of circuits, made once for each, and what it is known by. */
import { fnv1a } from '../../core/maths/hash';
import type { Effect, Material } from '../../core/document/schema';
import { compileCircuit, type CompiledSurface } from '../../core/surface/compile';

const compiled = new WeakMap<object, { readonly assets: object; readonly surface: CompiledSurface }>();
/** The code of a circuit; kept while the document holds the same one. */
export const compiledOf = (effect: Effect, material: Material): CompiledSurface | null => {
  if (!material.circuit) return null;
  const known = compiled.get(material.circuit);
  if (known?.assets === effect.assets) return known.surface;
  const surface = compileCircuit(material.circuit, (id) => effect.assets[id as never] !== undefined);
  compiled.set(material.circuit, { assets: effect.assets, surface });
  return surface;
};

const marks = new WeakMap<CompiledSurface, string>();
/** What a circuit is known by in the code made from it. */
export const markOf = (surface: CompiledSurface): string => {
  const known = marks.get(surface);
  if (known) return known;
  const mark = `surface ${fnv1a(surface.key).toString(16)}`;
  marks.set(surface, mark);
  return mark;
};
