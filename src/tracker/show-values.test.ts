/** A released effect does the same on the show page as in the atelier: packed, opened, and stepped along with real time. */
import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { Player } from '../core/behave/player';
import { recordedTaps } from '../core/behave/recorded';
import type { Runtime } from '../core/behave/runtime';
import type { Circuit } from '../core/document/schema';
import { portsOf, type BehaviourNode } from '../core/kinds/nodes/nodes';
import { readPackage } from '../core/package/read-package';
import { compile, type Program } from '../core/program/program';
import { loadQuickJs } from '../core/script/quickjs-engine';
import { FIRST_TAKE } from '../core/takes/library';
import { STEP } from '../core/units';
import { LiveRuntime } from './live-runtime';

/** All that an effect is at a moment: its objects, texts, and what is at every output of its circuits. */
const allOf = ({ effect, objects }: Program, runtime: Runtime): unknown => [
  objects.map((_, i) => [runtime.objectNow(i), { ...runtime.values(i) }]),
  Object.values<Circuit>(effect.circuits).map(({ id, nodes }) =>
    Object.values<BehaviourNode>(nodes).map((node) =>
      portsOf(node).outputs.map(({ name }) => runtime.nodeValue(id, node.id, name)),
    ),
  ),
];

test.each(['crab-catch', 'jelly-drift', 'kelp-crown'])(
  '%s has the same values at every step of a take on both',
  async (name) => {
    const { effect } = readPackage(new Uint8Array(readFileSync(`demo/packages/${name}.zip`)));
    // Each page has an engine of its own.
    const [inAtelier, onShow] = [await loadQuickJs(), await loadQuickJs()];
    const taps = [{ time: 0.5, x: 0.5, y: 0.5 }];
    const player = new Player(effect, FIRST_TAKE, { recorded: recordedTaps(taps), scripts: inAtelier });
    const live = new LiveRuntime(compile(effect), onShow);
    let seen = 0;
    for (let step = 0; step < FIRST_TAKE.duration / STEP; step++) {
      if (taps.some(({ time }) => Math.round(time / STEP) === step)) live.tap(0.5, 0.5);
      live.advance(step * STEP, FIRST_TAKE.frameAt(step * STEP));
      expect(live.runtime.steps).toBe(step + 1);
      const values = allOf(live.program, live.runtime);
      expect(values).toEqual(allOf(player.program, player.at(step * STEP)));
      seen = new Set([seen, JSON.stringify(values)]).size;
    }
    expect(seen).toBeGreaterThan(1);
  },
);
