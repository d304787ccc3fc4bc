/** Draws nothing, hides what is behind it: the wearer's head, a hand, people, or the shape of a model. */
import { BufferAttribute, BufferGeometry, Group, Mesh, MeshBasicMaterial, type Object3D } from 'three';
import type { Occluder } from '../../../core/document/schema';
import { SHELL_POINTS, SHELL_TRIANGLES, shellPositions } from '../../../core/face/head-shell';
import { NECK_POINTS, NECK_TRIANGLES, neckPositions } from '../../../core/face/neck';
import { HAND_SHELL_POINTS, HAND_SHELL_TRIANGLES, handShellPositions } from '../../../core/hand/hand-shell';
import { column, type Matrix } from '../../../core/maths/matrix';
import { normalise, type Vec3 } from '../../../core/maths/vec3';
import { headFactor } from '../../../core/face/head-factor';
import { isPeopleOccluder } from '../../../core/kinds/objects/occluder';
import { HairOccluder } from './hair-occluder';
import { PeopleOccluder } from './people-occluder';
import type { OpenedModel } from '../model-store';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

const emptyGeometry = (points: number, triangles: readonly number[]): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(points * 3), 3));
  geometry.setIndex([...triangles]);
  return geometry;
};
/** Writes new points into a geometry. */
const refill = (geometry: BufferGeometry, fill: (points: Float32Array) => void): void => {
  const position = geometry.getAttribute('position') as BufferAttribute;
  fill(position.array as Float32Array);
  position.needsUpdate = true;
};

/** The way down of the world, in the space of a matrix. */
const downIn = (matrix: Matrix): Vec3 =>
  normalise([-column(matrix, 0)[1], -column(matrix, 1)[1], -column(matrix, 2)[1]]);

export class OccluderView implements ObjectView<Occluder> {
  readonly node = new Group();
  private readonly unseen = new MeshBasicMaterial({ colorWrite: false });
  private readonly shell = new Mesh(emptyGeometry(SHELL_POINTS, SHELL_TRIANGLES), this.unseen);
  private readonly neck = new Mesh(emptyGeometry(NECK_POINTS, NECK_TRIANGLES), this.unseen);
  private readonly hand = new Mesh(emptyGeometry(HAND_SHELL_POINTS, HAND_SHELL_TRIANGLES), this.unseen);
  private readonly hair = new HairOccluder();
  private readonly people = new PeopleOccluder();
  private model: OpenedModel | null = null;
  private copy: Object3D | null = null;

  constructor(private readonly tools: ViewTools) {
    this.shell.frustumCulled = this.neck.frustumCulled = this.hand.frustumCulled = false;
    this.node.add(this.shell, this.neck, this.hand, this.hair.mesh, this.people.mesh);
  }

  update({ object, effect, face, wearer, hand, order, matrix }: ObjectNow<Occluder>): boolean {
    const asset = object.asset === null ? undefined : effect.assets[object.asset];
    const isHand = object.asset === null && hand !== null;
    const arePeople = isPeopleOccluder(object);
    const isHead = object.asset === null && !isHand && !arePeople;
    this.hand.visible = isHand;
    this.shell.visible = isHead;
    this.neck.visible = isHead && object.neck;
    this.show(asset?.kind === 'model' ? this.tools.stores.models.get(asset) : null);
    this.node.traverse((node) => (node.renderOrder = order));
    // Space has no camera picture to see hair in.
    this.hair.show(isHead && object.hair && face ? (this.tools.camera?.hair() ?? null) : null);
    // Who is not seen hides nothing: nobody knows how far away they are.
    const people = arePeople && wearer ? (this.tools.camera?.get('person', 0, null) ?? null) : null;
    this.people.show(people, wearer?.pose.position ?? [0, 0, 0]);
    if (arePeople) return people !== null;
    if (isHand) refill(this.hand.geometry, (points) => handShellPositions(hand.landmarks, points));
    if (isHand) return true;
    if (!isHead) return this.copy !== null;
    if (!face) return false;
    refill(this.shell.geometry, (points) => shellPositions(face.landmarks, points));
    if (this.neck.visible)
      refill(this.neck.geometry, (points) =>
        neckPositions(downIn(matrix), headFactor(face.landmarks), points),
      );
    return true;
  }

  private show(model: OpenedModel | null): void {
    if (model === this.model) return;
    this.copy?.removeFromParent();
    this.model = model;
    this.copy = model?.copy() ?? null;
    if (!this.copy) return;
    this.copy.traverse((node) => {
      if (node instanceof Mesh) node.material = this.unseen;
    });
    this.node.add(this.copy);
  }

  dispose(): void {
    this.shell.geometry.dispose();
    this.neck.geometry.dispose();
    this.hand.geometry.dispose();
    this.hair.dispose();
    this.people.dispose();
    this.unseen.dispose();
  }
}
