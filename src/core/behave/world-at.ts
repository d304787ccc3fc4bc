/** Where things are at an instant of the runtime, for nodes that ask. */
import type { ObjectId } from '../document/schema';
import type { NodeWorld } from '../kinds/nodes/node-kind';
import type { Rgb } from '../maths/blend';
import type { Matrix } from '../maths/matrix';
import type { Ray } from '../maths/ray';
import { anchorPlaces } from '../placing/anchors';
import type { Place } from '../placing/places';
import { meet, touchedAt, viewOf } from '../placing/touch';
import type { PicturePoint, View } from '../program/inputs';
import type { Anchor } from '../schema/anchor-schema';
import { colourAround, pointInPicture } from '../tracking/picture-colours';
import type { CameraState, LightEstimate } from '../tracking/track-frame';
import type { Unit } from '../units';
import type { Instant } from './signals';

export class WorldAt implements NodeWorld {
  constructor(private readonly at: Instant) {}

  get camera(): CameraState {
    return this.at.frame.camera;
  }
  get view(): View {
    return viewOf(this.at.frame, this.at.inputs.view);
  }
  get light(): LightEstimate | null {
    return this.at.frame.light;
  }
  colourAround(x: Unit, y: Unit, size: Unit): Rgb | null {
    const { camera, colours } = this.at.frame;
    if (!colours) return null;
    const whole = { fovY: camera.fovY, aspect: colours.aspect };
    return colourAround(colours, ...pointInPicture(this.view, whole, x, y), size);
  }
  get taps(): readonly PicturePoint[] {
    return this.at.inputs.taps;
  }
  anchors(anchor: Anchor): readonly { readonly instance: number; readonly matrix: Matrix }[] {
    const { frame, now, program } = this.at;
    const { presence } = now;
    return anchorPlaces(anchor, { frame, presence, targets: program.targets, aspect: this.view.aspect });
  }
  placesOf(object: string): readonly Matrix[] {
    return this.allOf(object).map(({ matrix }) => matrix);
  }
  meets(object: string, ray: Ray): number | null {
    const i = this.at.program.indexOf.get(object as ObjectId);
    if (i === undefined) return null;
    const far = this.allOf(object).flatMap((place) => meet(this.at.program, i, place, ray) ?? []);
    return far.length > 0 ? Math.min(...far) : null;
  }
  touched(x: number, y: number): string | null {
    const { program, now, frame } = this.at;
    const touched = touchedAt(program, now.places(), frame, this.view, { x, y });
    return touched && program.objects[touched.object]!.id;
  }
  private allOf(object: string): readonly Place[] {
    const i = this.at.program.indexOf.get(object as ObjectId);
    return i === undefined ? [] : (this.at.now.places()[i]?.places ?? []);
  }
}
