import { describe, expect, test } from '@jest/globals';
import { Group, Mesh, MeshStandardMaterial, type WebGLRenderer } from 'three';
import type { FramebufferCopy } from './framebuffer-copy';
import { Blended } from './blended';

/** A thing of two parts; drawing it counts how often what is beneath is copied. */
const made = () => {
  let copies = 0;
  const blended = new Blended({ copyInto: () => void copies++ } as unknown as FramebufferCopy);
  const [one, two] = [new MeshStandardMaterial(), new MeshStandardMaterial()];
  const root = new Group().add(new Mesh(undefined, one), new Mesh(undefined, two));
  for (const material of [one, two]) blended.prepare(material);
  blended.watch(root);
  let frame = 0;
  const draw = (): number => {
    const before = copies;
    frame++;
    root.traverse((node) => {
      if (node instanceof Mesh)
        (node.onBeforeRender as (renderer: WebGLRenderer) => void)({
          info: { render: { frame } },
        } as unknown as WebGLRenderer);
    });
    return copies - before;
  };
  return { blended, one, two, draw };
};

describe('what is beneath', () => {
  test('is not copied for what only covers', () => {
    const { blended, one, two, draw } = made();
    for (const material of [one, two]) blended.style(material, 'normal', false);
    expect(draw()).toBe(0);
    expect(one.transparent).toBe(false);
  });
  test('is copied once a frame for all parts of a thing that blends', () => {
    const { blended, one, two, draw } = made();
    for (const material of [one, two]) blended.style(material, 'overlay', false);
    expect([draw(), draw()]).toEqual([1, 1]);
    // Drawn after all that covers.
    expect(one.transparent).toBe(true);
    for (const material of [one, two]) blended.style(material, 'normal', false);
    expect(draw()).toBe(0);
  });
  test('is copied when light goes through any one part, whichever is styled last', () => {
    const { blended, one, two, draw } = made();
    blended.style(one, 'normal', true, true);
    blended.style(two, 'normal', false, false);
    expect(draw()).toBe(1);
    blended.forget(one);
    expect(draw()).toBe(0);
  });
});
