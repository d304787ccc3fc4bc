/** A performer before the camera: head, eyes, mouth, hair, body, posed by a tracked face. */
import { Group, Quaternion, Vector3 } from 'three';
import type { Performer } from '../../core/takes/performer';
import type { TrackedFace } from '../../core/tracking/track-frame';
import { bodyView } from './body-view';
import { EyesView } from './eyes-view';
import { HairView } from './hair-view';
import { HeadView } from './head-view';
import { MouthView } from './mouth-view';

/** The neck turns about here, below the head's origin, and gives way a little to what the head does. */
const NECK_GIVES = 0.18;

export class PerformerView {
  readonly group = new Group();
  private readonly headGroup = new Group();
  private readonly head: HeadView;
  private readonly eyes: EyesView;
  private readonly mouth = new MouthView();
  private readonly body: Group;

  constructor(performer: Performer) {
    this.head = new HeadView(performer);
    this.eyes = new EyesView(performer);
    this.body = bodyView(performer);
    this.headGroup.add(this.head.mesh, this.eyes.group, this.mouth.group, new HairView(performer).group);
    this.group.add(this.headGroup, this.body);
  }

  update(face: TrackedFace): void {
    this.headGroup.position.fromArray(face.pose.position);
    this.headGroup.quaternion.fromArray(face.pose.rotation);
    this.body.position.copy(new Vector3().fromArray(face.pose.position));
    this.body.quaternion.identity().slerp(new Quaternion().fromArray(face.pose.rotation), NECK_GIVES);
    this.head.update(face.expressions);
    this.eyes.update(face.expressions);
    this.mouth.update(face.expressions);
  }
}
