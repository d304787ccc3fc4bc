/** How morphs and cutouts of faces are called in the interface. */
import type { CutoutPart } from '../core/face/cutout-parts';
import type { ShapeName } from '../core/face/shape-names';

export const CUTOUT_WORDS: Record<CutoutPart, string> = {
  mouth: 'Mouth',
  leftEye: 'Left eye',
  rightEye: 'Right eye',
  nose: 'Nose',
  face: 'Face',
  drawn: 'Drawn outline',
};

interface SliderWords {
  readonly name: ShapeName;
  readonly label: string;
}
/** Sliders by the part of the face they change. */
export const MORPH_GROUPS: readonly { readonly label: string; readonly sliders: readonly SliderWords[] }[] = [
  {
    label: 'Whole face',
    sliders: [
      { name: 'width', label: 'Width' },
      { name: 'height', label: 'Length' },
      { name: 'forehead', label: 'Forehead' },
      { name: 'browHeight', label: 'Brow height' },
    ],
  },
  {
    label: 'Eyes',
    sliders: [
      { name: 'eyes', label: 'Size' },
      { name: 'eyeSpacing', label: 'Distance' },
      { name: 'eyeTilt', label: 'Tilt' },
    ],
  },
  {
    label: 'Nose',
    sliders: [
      { name: 'noseWidth', label: 'Width' },
      { name: 'noseLength', label: 'Length' },
      { name: 'noseBridge', label: 'Bridge' },
    ],
  },
  {
    label: 'Mouth',
    sliders: [
      { name: 'mouthWidth', label: 'Width' },
      { name: 'lips', label: 'Fullness' },
    ],
  },
  {
    label: 'Cheeks and jaw',
    sliders: [
      { name: 'cheekbones', label: 'Cheekbones' },
      { name: 'cheeks', label: 'Cheeks' },
      { name: 'jaw', label: 'Jaw' },
      { name: 'chin', label: 'Chin' },
    ],
  },
];
