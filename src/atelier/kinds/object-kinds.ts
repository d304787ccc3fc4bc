/** How each kind of object is shown in the Stack: its icon, and the fields that it has of its own. */
import {
  Box,
  Brush,
  Camera,
  CircleDotDashed,
  Contrast,
  Droplets,
  Eye,
  EyeClosed,
  Film,
  Group,
  Image,
  Lightbulb,
  PaintBucket,
  Puzzle,
  ScanFace,
  Scissors,
  Shapes,
  SmilePlus,
  Sparkle,
  Sparkles,
  SquareDashedBottom,
  Type,
  Video,
  Volume2,
} from '@lucide/vue';
import type { Component } from 'vue';
import type { Asset, EffectObject, ObjectKind } from '../../core/document/schema';
import FaceFields from '../components/stack/FaceFields.vue';
import FlatFields from '../components/stack/FlatFields.vue';
import FountainFields from '../components/stack/FountainFields.vue';
import LayerFields from '../components/stack/LayerFields.vue';
import LightFields from '../components/stack/LightFields.vue';
import OccluderFields from '../components/stack/OccluderFields.vue';
import PartFields from '../components/stack/PartFields.vue';
import PartTree from '../components/stack/PartTree.vue';
import ShapeFields from '../components/stack/ShapeFields.vue';
import SoundFields from '../components/stack/SoundFields.vue';
import TextFields from '../components/stack/TextFields.vue';

interface KindShown {
  readonly icon: Component;
  /** Fields of its own in Place, in Style. Without any, forms show what its kind describes. */
  readonly place?: Component;
  readonly style?: Component;
  /** Beside its name in the Stack, where it has no place. */
  readonly aside?: string;
  /** In Style, where there is nothing more to say of it. */
  readonly note?: string;
}

const LIT = 'Its light and shadow are set on the right, and in Place.';

const SHOWN: Readonly<Record<ObjectKind, KindShown>> = {
  card: { icon: Image, place: FlatFields },
  live: { icon: Camera, place: FlatFields, style: FlatFields },
  fill: { icon: PaintBucket, place: FlatFields, style: FlatFields },
  layer: { icon: Brush, style: LayerFields },
  iris: { icon: Eye, style: FaceFields },
  lashes: { icon: EyeClosed, style: FaceFields },
  hair: { icon: Droplets, style: FaceFields },
  retouch: { icon: Sparkles, style: FaceFields },
  morph: { icon: SmilePlus, note: 'Its sliders and its mesh are in Style, under Face.' },
  cutout: { icon: Scissors, place: FlatFields, note: 'Its part and its soft edge are in Style, under Face.' },
  model: { icon: Box, place: PartTree },
  part: { icon: Puzzle, place: PartFields },
  solid: { icon: Shapes, place: ShapeFields },
  text: { icon: Type, place: TextFields },
  group: { icon: Group },
  occluder: {
    icon: ScanFace,
    place: OccluderFields,
    aside: 'hides what is behind',
    note: 'An occluder draws nothing, so it has no style. It only hides what is behind it.',
  },
  shadowCatcher: { icon: SquareDashedBottom, place: ShapeFields, note: LIT },
  contactShadow: { icon: CircleDotDashed },
  light: { icon: Lightbulb, place: LightFields, note: LIT },
  grade: { icon: Contrast, aside: 'the whole picture' },
  fountain: { icon: Sparkle, place: FountainFields },
  sound: { icon: Volume2, place: SoundFields },
};

export const shownAs = (kind: ObjectKind): KindShown => SHOWN[kind];

/** The icon of an object; of a card by what it shows. */
export const iconOf = ({ kind }: EffectObject, asset: Asset | undefined): Component => {
  if (asset?.kind === 'sequence' && kind === 'card') return Film;
  return asset?.kind === 'video' && kind === 'card' ? Video : SHOWN[kind].icon;
};
