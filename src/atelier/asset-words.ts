/** Words for assets: kinds, facts, what is odd, what can be mended. */
import { headsWide, sizeOf, type AssetNote, type Mend } from '../core/assets/notes';
import { assetBytes } from '../core/document/queries';
import type { Asset, AssetKind, ModelAsset } from '../core/document/schema';
import { sizeWords } from './words';

export const KIND_LABELS: Record<AssetKind, string> = {
  picture: 'Picture',
  sequence: 'Sequence',
  model: 'Model',
  sound: 'Sound',
  video: 'Video',
  table: 'Colour table',
  surroundings: 'Light surroundings',
  font: 'Font',
};

const number = (n: number): string => n.toLocaleString('en-GB');
const many = (n: number, one: string, more: string): string => `${number(n)} ${n === 1 ? one : more}`;

/** "18.0 x 9.2 x 17.1 cm", "1.8 x 0.9 x 1.7 m". */
export const sizeInWords = (asset: Pick<ModelAsset, 'low' | 'high'>): string => {
  const size = sizeOf(asset);
  const most = Math.max(...size);
  const [k, unit] = most >= 1 ? [1, 'm'] : most >= 0.01 ? [100, 'cm'] : [1000, 'mm'];
  return `${size.map((s) => (s * k).toFixed(1)).join(' x ')} ${unit}`;
};

export const secondsInWords = (s: number): string => {
  const tenths = Math.round(s * 10) / 10;
  if (tenths < 60) return `${s.toFixed(s < 10 ? 2 : 1)} s`;
  const whole = Math.round(s);
  return `${Math.floor(whole / 60)} min ${whole % 60} s`;
};

/** One short line for lists. */
export const shortFacts = (asset: Asset): string => {
  switch (asset.kind) {
    case 'picture':
      return `${asset.width} x ${asset.height}`;
    case 'sequence':
      return `${many(asset.frames, 'frame', 'frames')}, ${asset.width} x ${asset.height}`;
    case 'model':
      return `${many(asset.triangles, 'triangle', 'triangles')}, ${sizeInWords(asset)}`;
    case 'sound':
      return secondsInWords(asset.duration);
    case 'video':
      return `${secondsInWords(asset.duration)}, ${asset.width} x ${asset.height}`;
    case 'table':
      return asset.dimensions === 3 ? `${asset.size} steps a side` : `${asset.size} steps`;
    case 'surroundings':
      return `${asset.width} x ${asset.height}`;
    case 'font':
      return `${asset.family} ${asset.style}`;
  }
};

const pivotInWords = (asset: ModelAsset): string => {
  const size = sizeOf(asset);
  const share = size.map((s, k) => (s < 1e-6 ? 0.5 : -asset.low[k]! / s));
  const near = (x: number, to: number) => Math.abs(x - to) < 0.12;
  const [x, y, z] = share as [number, number, number];
  if (share.some((s) => s < -0.12 || s > 1.12)) return 'outside the model';
  if (near(x, 0.5) && near(z, 0.5))
    return near(y, 0.5)
      ? 'in the middle'
      : near(y, 0)
        ? 'middle of the base'
        : near(y, 1)
          ? 'middle of the top'
          : 'inside';
  return [x, z].every((s) => near(s, 0) || near(s, 1)) ? 'at a corner' : 'off the middle';
};

/** Everything that was measured, line by line. */
export const factLines = (asset: Asset): (readonly [string, string])[] => {
  const weight: readonly [string, string] = [
    'Weight',
    asset.original
      ? `${sizeWords(assetBytes(asset))}, was ${sizeWords(asset.original.reduce((s, f) => s + f.bytes, 0))}`
      : sizeWords(assetBytes(asset)),
  ];
  switch (asset.kind) {
    case 'picture':
      return [
        ['Pixels', `${asset.width} x ${asset.height}`],
        ['Format', asset.files[0]!.mime.replace('image/', '').toUpperCase()],
        ...(asset.layer ? [['Layer of', asset.from?.file ?? ''] as const] : []),
        weight,
      ];
    case 'sequence':
      return [
        ['Frames', `${asset.frames}, ${asset.width} x ${asset.height} pixels`],
        ['Lasts', `${secondsInWords(asset.frames / asset.rate)} at ${asset.rate} a second`],
        ['Sheets', `${asset.files.length} of ${asset.sheet.join(' x ')}`],
        weight,
      ];
    case 'model':
      return [
        ['Size', sizeInWords(asset)],
        ['Pivot', pivotInWords(asset)],
        ['Triangles', number(asset.triangles)],
        ['Parts', number(asset.parts)],
        ['Materials', number(asset.materials)],
        [
          'Textures',
          asset.textures === 0
            ? 'none'
            : `${asset.textures}, up to ${asset.texturePixels} pixels, ${sizeWords(asset.textureBytes)}`,
        ],
        ...(asset.bones > 0 ? [['Bones', number(asset.bones)] as const] : []),
        ...(asset.clips.length > 0
          ? [['Clips', asset.clips.map((c) => `${c.name} ${secondsInWords(c.duration)}`).join(', ')] as const]
          : []),
        ...(asset.morphs.length > 0 ? [['Shapes', asset.morphs.join(', ')] as const] : []),
        weight,
      ];
    case 'sound':
      return [
        ['Lasts', secondsInWords(asset.duration)],
        [
          'Channels',
          asset.channels === 1 ? 'mono' : asset.channels === 2 ? 'stereo' : number(asset.channels),
        ],
        [
          'Repeats',
          asset.loop ? `${asset.loop.start.toFixed(2)} to ${asset.loop.end.toFixed(2)} s` : 'plays once',
        ],
        weight,
      ];
    case 'video':
      return [
        ['Pixels', `${asset.width} x ${asset.height}`],
        ['Lasts', secondsInWords(asset.duration)],
        ['Transparency', asset.alpha ? 'yes' : 'no'],
        ['Sound', asset.audible ? 'yes' : 'no'],
        weight,
      ];
    case 'table':
      return [
        ['Kind', asset.dimensions === 3 ? 'three-dimensional' : 'one-dimensional'],
        ['Steps', number(asset.size)],
        weight,
      ];
    case 'surroundings':
      return [
        ['Pixels', `${asset.width} x ${asset.height}`],
        [
          'Brightest',
          `${asset.peak >= 100 ? Math.round(asset.peak) : asset.peak.toFixed(1)} times white paper`,
        ],
        weight,
      ];
    case 'font':
      return [
        ['Family', asset.family],
        ['Style', asset.style],
        ['Glyphs', number(asset.glyphs)],
        [
          'Embedding',
          {
            free: 'allowed',
            preview: 'for viewing',
            editable: 'for viewing and editing',
            restricted: 'not allowed by its maker',
          }[asset.embedding],
        ],
        weight,
      ];
  }
};

/** What is odd, as a sentence. */
export const noteWords = (asset: Asset, note: AssetNote): string => {
  switch (note.code) {
    case 'model-huge': {
      const heads = asset.kind === 'model' ? headsWide(asset) : 0;
      return `It is ${asset.kind === 'model' ? sizeInWords(asset) : 'large'}, ${number(Math.round(heads))} heads wide. Its unit is probably not the metre.`;
    }
    case 'model-vast':
      return `It is ${asset.kind === 'model' ? sizeInWords(asset) : 'large'}. Its unit is probably not the metre.`;
    case 'model-tiny':
      return 'It is smaller than a centimetre.';
    case 'model-pivot':
      return `Its pivot lies ${asset.kind === 'model' ? pivotInWords(asset) : 'outside'}, so it turns and grows about the wrong point.`;
    case 'model-triangles':
      return `It has ${asset.kind === 'model' ? number(asset.triangles) : 'many'} triangles; phones draw 10,000 with ease.`;
    case 'model-textures':
      return `Its textures are large: ${asset.kind === 'model' ? `up to ${asset.texturePixels} pixels, ${sizeWords(asset.textureBytes)}` : ''}. On a phone 1,024 pixels are enough.`;
    case 'model-no-material':
      return 'It has no material, so it is drawn in plain grey.';
    case 'picture-large':
      return 'It has more pixels than a phone shows.';
    case 'picture-heavy':
      return 'It is heavy for what it shows.';
    case 'sequence-heavy':
      return 'It takes much of the space an effect has.';
    case 'sequence-long':
      return 'It has many frames; every second one would do.';
    case 'sound-long':
      return 'It lasts long; cut out the part that is heard.';
    case 'sound-heavy':
      return 'It is heavy for a phone’s loudspeaker.';
    case 'surroundings-large':
      return 'It has more pixels than light needs.';
    case 'surroundings-shape':
      return 'It is not twice as wide as high, so it will look stretched around the scene.';
    case 'table-large':
      return 'It has more steps than anybody sees; 33 a side are enough.';
    case 'font-restricted':
      return 'Its maker does not allow it to be shipped with an effect. Choose another, or ask for a licence.';
    case 'video-long':
      return 'It lasts long for an effect.';
  }
};

export const MEND_WORDS: Record<Mend['code'], string> = {
  'fit-head': 'Fit to the head',
  centimetres: 'It is in centimetres',
  millimetres: 'It is in millimetres',
  inches: 'It is in inches',
  'pivot-base': 'Pivot to the base',
  'pivot-centre': 'Pivot to the middle',
  simplify: 'Simplify to 10,000',
  'shrink-textures': 'Shrink textures',
  shrink: 'Make it smaller',
  lighter: 'Make it lighter',
  'halve-frames': 'Every second frame',
};
