/** A signal of each kind as it is first chosen. */
import type { ObjectId, Signal, SignalKind } from '../../../../core/document/schema';

export const newSignal = (kind: SignalKind, object: ObjectId | null): Signal => {
  switch (kind) {
    case 'expression':
      return { kind, face: 1, name: 'jawOpen' };
    case 'head':
      return { kind, face: 1, of: 'yaw' };
    case 'faces':
    case 'time':
    case 'loudness':
      return { kind };
    case 'facesApart':
      return { kind, face: 1, other: 2 };
    case 'object':
      return { kind, object, of: 'opacity' };
    case 'apart':
    case 'angle':
      return { kind, object, from: null };
    case 'progress':
    case 'times':
      return { kind, cue: null };
    case 'control':
      return { kind, control: null };
    case 'variable':
      return { kind, variable: null };
    case 'scene':
      return { kind, scene: null };
    case 'picture':
      return { kind, target: null };
    case 'hand':
      return { kind, shape: 'any' };
    case 'random':
    case 'noise':
      return { kind, rate: 2, seed: 1 };
  }
};
