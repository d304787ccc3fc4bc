/** How face layers and their regions are called in the interface. */
import type { FaceExtra } from './commands/face-commands';
import type { FaceRegion } from '../core/face/region-names';
import type { PaintTool } from './painter/kept-settings';
import type { KitGroup } from '../core/makeup/kit';

export const REGION_WORDS: Record<FaceRegion, string> = {
  face: 'Whole face',
  skin: 'Skin',
  forehead: 'Forehead',
  temples: 'Temples',
  brows: 'Brows',
  lids: 'Lids',
  crease: 'Crease',
  liner: 'Lid line',
  underEyes: 'Under the eyes',
  nose: 'Nose',
  noseBridge: 'Bridge of the nose',
  noseTip: 'Tip of the nose',
  cheeks: 'Cheeks',
  cheekbones: 'Cheekbones',
  contour: 'Hollow of the cheeks',
  lips: 'Lips',
  lipLiner: 'Lip line',
  upperLip: 'Upper lip',
  lowerLip: 'Lower lip',
  teeth: 'Teeth',
  chin: 'Chin',
  jaw: 'Jaw',
};

export const KIT_WORDS: Record<KitGroup, string> = { eyes: 'Eyes', face: 'Face', lips: 'Lips' };

export const PAINT_WORDS: Record<PaintTool, string> = {
  paint: 'Paint',
  erase: 'Erase',
  smudge: 'Smudge: drag paint along',
  blur: 'Blur',
  gradient: 'Gradient: drag from whole to nothing',
  lasso: 'Lasso: fill an outline drawn by hand',
};

export const EXTRA_WORDS: Record<FaceExtra, string> = {
  smooth: 'Retouch',
  underEyes: 'Rested eyes',
  eyes: 'Bright eyes',
  teeth: 'White teeth',
  iris: 'Iris',
  lashes: 'Lashes',
  hair: 'Hair colour',
};
