/** A performer before the camera: head, eyes, mouth, hair, what they wear, body. */
import { Group } from 'three';
import type { Person } from '../../core/takes/scene';
import type { HairStyle, Performer } from '../../core/takes/performer';
import { BeardView } from './beard-view';
import { bodyView } from './body-view';
import { BrowsView } from './brows-view';
import { earsView } from './ear-view';
import { EyesView } from './eyes-view';
import { glassesView } from './glasses-view';
import { HairView } from './hair/hair-view';
import { stubbleView } from './hair/stubble';
import { HeadView } from './head-view';
import { LashesView } from './lashes-view';
import { MouthView } from './mouth-view';
import type { PersonView } from './person-view';
import { poreTexture } from './pores';
import { skinMaterial } from './skin-material';
import { skinTexture } from './skin-texture';

/** Under other hair the ears are hidden. */
const EARS_FREE: readonly HairStyle[] = ['bald', 'short', 'bun', 'curly'];

export class PerformerView implements PersonView {
  readonly group = new Group();
  private readonly headGroup = new Group();
  private readonly head: HeadView;
  private readonly eyes: EyesView;
  private readonly lashes: LashesView;
  private readonly mouth: MouthView;
  private readonly brows: BrowsView;
  private readonly hair: HairView;
  private readonly beard: BeardView | null;
  private readonly body: Group;

  constructor(readonly performer: Performer) {
    // Skin gets coarser with the years.
    const pores = { relief: poreTexture(), deep: 0.7 + 0.6 * performer.age };
    const skin = skinMaterial(performer.tone, { map: skinTexture(performer) }, pores);
    this.head = new HeadView(performer, skin);
    this.eyes = new EyesView(performer);
    this.lashes = new LashesView(performer);
    this.mouth = new MouthView(performer);
    this.hair = new HairView(performer);
    this.brows = new BrowsView(performer, this.head.surface);
    // Stubble is painted on the skin.
    this.beard =
      performer.beard === 'full' || performer.beard === 'moustache'
        ? new BeardView(performer, performer.beard, this.head.surface)
        : null;
    this.body = bodyView(performer);
    this.headGroup.add(
      this.head.mesh,
      this.brows.mesh,
      this.eyes.group,
      this.lashes.group,
      this.mouth.group,
      this.hair.group,
    );
    if (performer.hair.style === 'bald') this.headGroup.add(stubbleView(performer, this.head.mesh.geometry));
    if (this.beard) this.headGroup.add(this.beard.group);
    if (EARS_FREE.includes(performer.hair.style)) this.headGroup.add(earsView(performer));
    const glasses = glassesView(performer);
    if (glasses) this.headGroup.add(glasses);
    this.group.add(this.headGroup, this.body);
  }

  update({ head, body, expressions, hairLag }: Person): void {
    this.headGroup.position.fromArray(head.position);
    this.headGroup.quaternion.fromArray(head.rotation);
    this.body.position.fromArray(body.position);
    this.body.quaternion.fromArray(body.rotation);
    const changed = this.head.update(expressions);
    this.eyes.update(expressions);
    this.mouth.update(expressions);
    this.hair.update(hairLag);
    if (!changed) return;
    this.lashes.update(this.head.surface.positions, [
      expressions.eyeBlinkRight ?? 0,
      expressions.eyeBlinkLeft ?? 0,
    ]);
    this.brows.update(this.head.surface);
    this.beard?.update(this.head.surface);
  }
}
