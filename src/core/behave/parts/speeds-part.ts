/** Where objects were when a signal last asked how fast they are. */
import type { Program } from '../../program/program';
import type { SpeedMemory } from '../signals';
import type { Part } from './part';

export class SpeedsPart implements Part<SpeedMemory> {
  memory: SpeedMemory = {};

  save(): SpeedMemory {
    return { ...this.memory };
  }
  restore(state: SpeedMemory): void {
    this.memory = { ...state };
  }
  carry(_before: Program, state: SpeedMemory): SpeedMemory {
    return state;
  }
}
