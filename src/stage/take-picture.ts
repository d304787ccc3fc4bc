/** Draws a take: the performer in a room in soft window light. */
import { DirectionalLight, HemisphereLight, PerspectiveCamera, Scene, type WebGLRenderer } from 'three';
import type { Take } from '../core/takes/take';
import type { TrackFrame } from '../core/tracking/track-frame';
import { PerformerView } from './performer/performer-view';
import { roomView } from './performer/room-view';
import type { CameraPicture } from './picture';

export class TakePicture implements CameraPicture {
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(44, 9 / 16, 0.05, 10);
  private readonly performer: PerformerView;

  constructor(take: Take) {
    this.performer = new PerformerView(take.performer);
    const light = (colour: number, strength: number, x: number, y: number, z: number) => {
      const directional = new DirectionalLight(colour, strength);
      directional.position.set(x, y, z);
      directional.target.position.set(0, 0, -0.62);
      this.scene.add(directional, directional.target);
    };
    this.scene.add(new HemisphereLight(0xfff8ef, 0xb08d78, 1.55));
    light(0xfff0dc, 1.75, -0.7, 0.75, 0.5);
    light(0xd5e2ff, 0.5, 0.9, 0.1, 0.3);
    light(0xffffff, 0.3, 0.5, 0.5, -1.4);
    this.scene.add(roomView(), this.performer.group);
  }

  /** A take has no edges: whatever the shape of the view, nothing is cut off at top and bottom. */
  viewFovY(frame: TrackFrame): number {
    return frame.camera.fovY;
  }

  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void {
    const { camera } = this;
    camera.fov = frame.camera.fovY;
    camera.aspect = viewAspect;
    camera.updateProjectionMatrix();
    camera.position.fromArray(frame.camera.pose.position);
    camera.quaternion.fromArray(frame.camera.pose.rotation);
    const face = frame.faces[0];
    this.performer.group.visible = face !== undefined;
    if (face) this.performer.update(face);
    renderer.render(this.scene, camera);
  }

  dispose(): void {
    this.scene.traverse((object) => {
      const { geometry, material } = object as {
        geometry?: { dispose(): void };
        material?: { dispose(): void; map?: { dispose(): void } | null };
      };
      geometry?.dispose();
      material?.map?.dispose();
      material?.dispose();
    });
  }
}
