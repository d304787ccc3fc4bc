/** The room around a camera: how the device is held decides where floor, table and wall are. */
import type { SurfaceKind } from '../core/document/schema';
import { AssumedRoom } from '../core/placing/assumed-room';
import { fromAxisAngle } from '../core/maths/quaternion';
import { cameraTurn } from '../core/tracking/device-turn';
import type { TrackFrame } from '../core/tracking/track-frame';
import { DeviceTurns } from './device-turns';

/** Where nobody says how the camera is held, it is taken to look a little down. */
const GUESSED = fromAxisAngle([1, 0, 0], -25);

export class HeldRoom {
  readonly room: AssumedRoom;
  private readonly turns: DeviceTurns;
  private isGuessed = false;

  /** `onGuess` is called when the device does not say how it is held. */
  constructor(kinds: readonly SurfaceKind[], onGuess: () => void) {
    this.room = new AssumedRoom(kinds);
    this.turns = new DeviceTurns(() => {
      this.isGuessed = true;
      onGuess();
    });
  }

  start(): void {
    this.turns.start();
  }

  /** What the camera sees, in its room. */
  frame(seen: TrackFrame, looksAtViewer: boolean): TrackFrame {
    const { turn } = this.turns;
    if (turn) this.room.turn(cameraTurn(turn, looksAtViewer));
    else if (this.isGuessed) this.room.turn(GUESSED);
    return this.room.frame(seen);
  }

  stop(): void {
    this.turns.stop();
  }
}
