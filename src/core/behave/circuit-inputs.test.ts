import { describe, expect, test } from '@jest/globals';
import { newControl, newDrive } from '../document/new-cues';
import { newMaterial } from '../document/new-material';
import {
  effectSchema,
  type SurfaceCircuit,
  type ControlId,
  type DriveId,
  type Effect,
  type MaterialId,
  type NodeId,
} from '../document/schema';
import { circuitInputs, isOpenInput, withCircuitInputs } from './circuit-inputs';
import type { WritableNamed } from '../kinds/writables/writables';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { effectOf, STILL } from './testing';

const MATERIAL = 'material_aaaa' as MaterialId;
const NODE = 'node_noise' as NodeId;
const noise = (more: object = {}): SurfaceCircuit =>
  ({
    [NODE]: { id: NODE, type: 'noise', at: [0, 0], values: { size: 3 }, inputs: {}, picture: null, ...more },
  }) as unknown as SurfaceCircuit;
const withCircuit = (circuit: SurfaceCircuit, more: Partial<Effect> = {}): Effect =>
  effectOf([], [], {
    materials: { [MATERIAL]: { ...newMaterial(MATERIAL, 'Water'), circuit } } as Effect['materials'],
    ...more,
  });
const to = (port: string, more: object = {}) =>
  ({ kind: 'circuit', material: MATERIAL, node: NODE, port, ...more }) as WritableNamed<'circuit'> & {
    material: MaterialId;
  };

describe('inputs of circuits', () => {
  const effect = withCircuit(noise());
  const [first] = circuitInputs(effect);
  test('are numbers that nothing is wired to, with what they are now', () => {
    expect(first).toMatchObject({ material: MATERIAL, node: NODE });
    for (const { port } of circuitInputs(effect)) {
      const wired = withCircuit(noise({ inputs: { [port]: { node: 'node_other', port: 'out' } } }));
      expect(circuitInputs(wired).map((i) => i.port)).not.toContain(port);
    }
  });
  test('a number is laid in, and the document stays as it is', () => {
    const now = withCircuitInputs(effect, [[to(first!.port), 0.75]]);
    expect(now.materials[MATERIAL]!.circuit![NODE]!.values[first!.port]).toBe(0.75);
    expect(effect.materials[MATERIAL]!.circuit![NODE]!.values[first!.port]).not.toBe(0.75);
  });
  test.each([
    ['another material', to('size', { material: 'material_gone' })],
    ['another node', to('size', { node: 'node_gone' })],
    ['another input', to('no-such')],
    ['a name that is no input', to('__proto__')],
  ])('%s is not written', (_, wrong) => {
    expect(isOpenInput(effect, wrong)).toBe(false);
    const drive = newDrive('drive_aaaa' as DriveId, 0, { kind: 'time' }, wrong);
    const driven = { ...effect, drives: { [drive.id]: drive } as Effect['drives'] };
    const runtime = new Runtime(compile(driven));
    runtime.step(STILL);
    expect(runtime.effectNow()).toBe(driven);
  });
  test('a control drives it, backwards', () => {
    const control = { ...newControl('control_aaaa' as ControlId, 'slider', 'S', 0), start: 0.25 };
    const drive = {
      ...newDrive('drive_aaaa' as DriveId, 0, { kind: 'control', control: control.id }, to(first!.port)),
      remap: {
        from: [0, 1] as [number, number],
        to: [8, 0] as [number, number],
        curve: [0, 0, 1, 1] as [number, number, number, number],
        bounded: true,
      },
    };
    const driven = withCircuit(noise(), {
      controls: { [control.id]: control } as Effect['controls'],
      drives: { [drive.id]: drive } as Effect['drives'],
    });
    expect(effectSchema.safeParse(driven).error).toBeUndefined();
    const runtime = new Runtime(compile(driven));
    expect(runtime.effectNow()).toBe(driven);
    runtime.step(STILL);
    const now = runtime.effectNow();
    expect(now.materials[MATERIAL]!.circuit![NODE]!.values[first!.port]).toBeCloseTo(6, 9);
    // The same one again as long as the number is the same.
    runtime.step(STILL);
    expect(runtime.effectNow()).toBe(now);
    runtime.step(STILL, { taps: [], fingers: [], controls: [{ control: control.id, value: 1 }] });
    expect(runtime.effectNow().materials[MATERIAL]!.circuit![NODE]!.values[first!.port]).toBe(0);
  });
});
