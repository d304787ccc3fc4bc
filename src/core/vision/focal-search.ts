/**
 * The focal length of a camera, from a printed picture that it sees tilted: what lies on a plane is seen in a way that only the right focal length explains. Of a number of
 * them each is fitted to what was seen, in frame after frame; the one that leaves least is it.
 */
import { fitPose, type Camera, type PlanePose, type Sighting } from './plane-pose';

/** From six tenths to six tenths more of what was assumed, in steps of 10 %. */
const STEP = 1.1;
const STEPS = 5;
/** A picture that is seen from its front says nothing: the cosine of 20 degrees. */
const TILTED = Math.cos((20 * Math.PI) / 180);
/** Fewer places leave the pose too free. */
const LEAST_SEEN = 16;
/** And more tell little and take long. */
const MOST_SEEN = 48;
const LEAST_FRAMES = 8;
const MOST_FRAMES = 40;
/** How much worse a step to either side has to be, in squared standard deviations. */
const SURE = 40;
/** No place is seen better than this, pixels. */
const FLOOR = 0.05;

export class FocalSearch {
  /** What each candidate leaves, in squared standard deviations, over all frames. */
  private readonly left = new Float64Array(2 * STEPS + 1);
  private frames = 0;

  /** `camera` is as it was assumed. */
  constructor(private readonly camera: Camera) {}

  /** Has seen enough; more changes little. */
  get isOver(): boolean {
    return this.frames >= MOST_FRAMES;
  }

  /** A picture that was seen in a frame: its pose, as the assumed camera explains it, and the places it was seen by. */
  add(pose: PlanePose, sightings: readonly Sighting[]): void {
    const { rotation, position } = pose;
    // Between its normal and the line of sight.
    const away = Math.hypot(position[0]!, position[1]!, position[2]!);
    const facing =
      Math.abs(rotation[2]! * position[0]! + rotation[5]! * position[1]! + rotation[8]! * position[2]!) /
      away;
    if (this.isOver || facing > TILTED || sightings.length < LEAST_SEEN) return;
    const every = Math.ceil(sightings.length / MOST_SEEN);
    const some = sightings.filter((_, i) => i % every === 0);
    const left = Array.from({ length: 2 * STEPS + 1 }, (_, k) =>
      this.leftBy(STEP ** (k - STEPS), pose, some),
    );
    const variance = Math.max(FLOOR * FLOOR, Math.min(...left) / some.length);
    left.forEach((sum, k) => (this.left[k]! += sum / variance));
    this.frames++;
  }

  /** Squared distances that are left when the focal length is so many times the assumed one. */
  private leftBy(times: number, { rotation, position }: PlanePose, sightings: readonly Sighting[]): number {
    const own = sightings.map((s) => ({ ...s }));
    const farther = { rotation, position: [position[0]!, position[1]!, position[2]! * times] };
    const camera = { ...this.camera, focal: this.camera.focal * times };
    fitPose(farther, own, camera, { floor: 4 * FLOOR, rounds: 8 });
    // One place that was seen wrongly does not decide.
    const scale = own.map((s) => s.residual).sort((a, b) => a - b)[own.length >> 1]!;
    const cap = (6 * Math.max(FLOOR, scale)) ** 2;
    return own.reduce((sum, { residual }) => sum + Math.min(cap, residual * residual), 0);
  }

  /** In pixels; null while it cannot be told to within some hundredths. */
  get focal(): number | null {
    if (this.frames < LEAST_FRAMES) return null;
    const best = this.left.indexOf(Math.min(...this.left));
    // At the end of the candidates it may lie beyond.
    if (best < 1 || best > 2 * STEPS - 1) return null;
    const [before, at, after] = [this.left[best - 1]!, this.left[best]!, this.left[best + 1]!];
    if (before - at < SURE || after - at < SURE) return null;
    const bend = before - 2 * at + after;
    const shift = bend > 0 ? (before - after) / (2 * bend) : 0;
    return this.camera.focal * STEP ** (best - STEPS + shift);
  }
}
