/** The painter: what is painted on, with what, and how it becomes part of the effect, a stroke at a time. */
import { defineStore } from 'pinia';
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../core/errors';
import { newPicture } from '../../core/document/defaults';
import { paintLayer } from '../../core/edits/look-edits';
import { anchorOf } from '../../core/document/queries';
import { usesOf } from '../../core/document/asset-uses';
import type { Layer, ObjectId, PictureAsset } from '../../core/document/schema';
import type { Spot } from '../../core/face/skin-spot';
import { clear, fill, fillLasso, flip, gradient, mirrorHalf } from '../../core/painter/areas';
import { BRUSH_TOOLS, type Brush, type BrushTool } from '../../core/painter/brush';
import { clamp } from '../../core/maths/scalar';
import type { SeenCutout } from '../../stage/effect/seen-cutouts';
import {
  keepSettings,
  LEAST_BRUSH,
  MOST_BRUSH,
  readSettings,
  type PaintTool,
} from '../painter/kept-settings';
import { blankSheet, inGreys, SHEET_SIZE, type Rect, type Sheet } from '../../core/painter/sheet';
import { Stroke } from '../../core/painter/stroke';
import { rgbOf } from '../../core/maths/srgb';
import type { PaintedPart } from '../../stage/effect/painted-textures';
import { api } from '../api/client';
import { newAssetId } from '../api/ids';
import { pngOf, sheetFrom, sheetOfRegion, type Fitted } from '../painter/sheet-files';
import { lay, type Stamp } from '../painter/stamp';
import { useAssetsStore } from './assets';
import { useEffectStore } from './effect';

const isBrush = (tool: PaintTool): tool is BrushTool => (BRUSH_TOOLS as readonly string[]).includes(tool);

/** Sheets that undo and redo come back to without loading them again. */
const REMEMBERED = 12;
const WORDS: Record<PaintTool, string> = {
  paint: 'Paint',
  erase: 'Erase on',
  smudge: 'Smudge',
  blur: 'Blur',
  gradient: 'Gradient on',
  lasso: 'Lasso on',
};

export const usePainterStore = defineStore('painter', () => {
  const effectStore = useEffectStore();
  const assets = useAssetsStore();

  const on = shallowRef<{ readonly layer: ObjectId; readonly part: PaintedPart } | null>(null);
  const kept = readSettings();
  const tool = ref<PaintTool>(kept.tool);
  const brush = reactive({
    size: kept.size,
    hardness: kept.hardness,
    flow: kept.flow,
    colour: kept.colours.mask,
  });
  /** The colours that masks and pictures were painted in last. */
  const colours = reactive({ ...kept.colours });
  /** Lasso and gradient take away instead. */
  const takesAway = ref(false);
  const mirrored = ref(kept.mirrored);
  /** What is shown on the layout beside what is painted. */
  const shown = reactive({ net: kept.net, regions: kept.regions });
  /** The face laid flat, as the camera saw it at some moment; null shows none. `asked` while the Viewfinder is to take it. */
  const photo = shallowRef<SeenCutout | null>(null);
  const photoAsked = ref(false);
  /** No face was seen when it was to be taken. */
  const noFace = ref(false);
  /** Counts changes of the sheet; `changed` is what the last one reached. */
  const version = ref(0);
  const changed = shallowRef<Rect | null>(null);
  const loading = ref(false);
  /** What went wrong, in a sentence; what was painted is still there. */
  const error = ref<string | null>(null);
  /** Strokes that are on their way to the server. */
  const pending = ref(0);
  /** The outline or line that is being drawn, on the layout. */
  const trail = shallowRef<readonly Spot[]>([]);
  const stamp = shallowRef<Stamp | null>(null);

  let sheet: Sheet = blankSheet();
  let stroke: Stroke | null = null;
  let before: Uint8ClampedArray<ArrayBuffer> | null = null;
  /** The file the sheet was last kept as, or read from; null is the region's own mask, or nothing. */
  let known: string | null = null;
  let queue: Promise<void> = Promise.resolve();
  const remembered = new Map<string, Uint8ClampedArray<ArrayBuffer>>();

  const layer = computed<Layer | null>(() => {
    const object = on.value ? effectStore.effect.objects[on.value.layer] : undefined;
    return object?.kind === 'layer' ? object : null;
  });
  const assetNow = computed<PictureAsset | null>(() => {
    const id = on.value?.part === 'mask' ? layer.value?.mask : layer.value?.asset;
    const asset = id ? effectStore.effect.assets[id] : undefined;
    return asset?.kind === 'picture' ? asset : null;
  });

  const show = (rect: Rect | null): void => {
    if (!on.value) return;
    changed.value = rect;
    version.value++;
    assets.stores.painted.changed(on.value.layer, on.value.part, rect);
  };

  /** Brings the sheet to what the document has. */
  const load = async (): Promise<void> => {
    const [now, object] = [on.value, layer.value];
    if (!now || !object) return;
    const file = assetNow.value?.files[0];
    known = file?.sha256 ?? null;
    loading.value = true;
    try {
      const old = file && remembered.get(file.sha256);
      const fresh = old
        ? null
        : file
          ? await sheetFrom(await assets.source(file))
          : now.part === 'mask'
            ? sheetOfRegion(object.region, object.softness)
            : blankSheet();
      // Something else was opened meanwhile.
      if (on.value !== now) return;
      sheet.data.set(old ?? fresh!.data);
      show(null);
    } catch (cause) {
      error.value = sentence(cause);
    } finally {
      loading.value = false;
    }
  };

  const open = async (id: ObjectId, part: PaintedPart): Promise<void> => {
    close();
    sheet = blankSheet();
    on.value = { layer: id, part };
    brush.colour = colours[part];
    await load();
    if (on.value?.layer === id && on.value.part === part) assets.stores.painted.begin(id, part, sheet);
    version.value++;
  };
  const close = (): void => {
    cancelStamp();
    const was = on.value;
    on.value = null;
    photoAsked.value = noFace.value = false;
    stroke = null;
    trail.value = [];
    error.value = null;
    if (!was) return;
    // The file may still be on its way: the sheet stands in for it until it is kept.
    void queue.then(() => {
      if (on.value?.layer !== was.layer || on.value.part !== was.part)
        assets.stores.painted.end(was.layer, was.part);
    });
  };

  /** The number of the face that is painted on; of layers on every face the first. */
  const faceNumber = (): number => {
    const anchor = layer.value ? anchorOf(effectStore.effect, layer.value) : null;
    return anchor && 'face' in anchor && typeof anchor.face === 'number' ? anchor.face : 1;
  };

  /** Keeps the sheet as it is now: one step to undo. */
  const keep = (label: string): void => {
    const [now, object] = [on.value, layer.value];
    if (!now || !object) return;
    const snapshot: Sheet = { size: sheet.size, data: sheet.data.slice() };
    pending.value++;
    queue = queue
      .then(async () => {
        const bytes = await pngOf(snapshot);
        const name = `${object.name} ${now.part}.png`;
        const file = await api.keep({ bytes, mime: 'image/png' }, name);
        const part = effectStore.effect.objects[now.layer];
        if (part?.kind !== 'layer') return;
        const id = now.part === 'mask' ? part.mask : part.asset;
        const own = id ? effectStore.effect.assets[id] : undefined;
        // A picture that is used elsewhere too, or came from a file, is left as it is.
        const mine =
          own?.kind === 'picture' &&
          own.from === null &&
          own.prep === null &&
          usesOf(effectStore.effect, own.id).length === 1
            ? own
            : null;
        const asset = newPicture(mine?.id ?? newAssetId(), mine?.name ?? name, file, SHEET_SIZE, SHEET_SIZE);
        known = file.sha256;
        remembered.set(file.sha256, snapshot.data);
        if (remembered.size > REMEMBERED) remembered.delete(remembered.keys().next().value!);
        effectStore.edit(paintLayer(effectStore.effect, now.layer, now.part, asset, label));
        error.value = null;
      })
      .catch((cause: unknown) => {
        error.value = `What you painted is on the face, but not kept yet. ${sentence(cause)}`;
      })
      .finally(() => {
        pending.value--;
      });
    // Until it is in the document it is kept nowhere but on this page.
    void effectStore.during(queue);
  };
  const retry = (): void => {
    error.value = null;
    keep('Paint');
  };

  // Remembered for the next time.
  watch(
    () => brush.colour,
    (colour) => {
      if (on.value) colours[on.value.part] = colour;
    },
  );
  watch(
    () => ({
      tool: tool.value,
      size: brush.size,
      hardness: brush.hardness,
      flow: brush.flow,
      colours: { ...colours },
      mirrored: mirrored.value,
      ...shown,
    }),
    keepSettings,
  );
  /** A larger or smaller brush, by steps that look alike whatever its size. */
  const resize = (steps: number): void => {
    const to = brush.size * 1.12 ** steps;
    brush.size = clamp(
      Math.round(to) === brush.size ? brush.size + Math.sign(steps) : Math.round(to),
      LEAST_BRUSH,
      MOST_BRUSH,
    );
  };
  const takePhoto = (taken: SeenCutout | null): void => {
    photoAsked.value = false;
    noFace.value = !taken;
    if (taken) photo.value = taken;
  };

  // Undo, redo, and changes from elsewhere.
  watch(
    () => [layer.value, assetNow.value?.files[0]?.sha256 ?? null] as const,
    ([object, sha]) => {
      if (!on.value) return;
      if (!object) {
        close();
        effectStore.notice = 'The layer that was painted on is gone, so the painter was closed.';
        return;
      }
      if (pending.value === 0 && sha !== known) void load();
    },
  );

  const brushNow = (): Brush => ({
    tool: tool.value as BrushTool,
    size: brush.size,
    hardness: brush.hardness,
    flow: brush.flow,
    colour: rgbOf(brush.colour),
  });
  const inPixels = ([u, v]: Spot): readonly [number, number] => [u * SHEET_SIZE, v * SHEET_SIZE];

  /** The pointer goes down on a spot of the layout. */
  const begin = (spot: Spot, pressure: number): void => {
    if (!on.value || loading.value) return;
    if (stamp.value) {
      place({ at: spot });
      return;
    }
    if (isBrush(tool.value)) {
      stroke = new Stroke(sheet, brushNow(), mirrored.value);
      goOn(spot, pressure);
    } else trail.value = [spot];
  };
  const goOn = (spot: Spot, pressure: number): void => {
    if (stamp.value) {
      place({ at: spot });
      return;
    }
    if (stroke) {
      const [x, y] = inPixels(spot);
      const rect = stroke.to({ x, y, pressure });
      if (rect) show(rect);
    } else if (trail.value.length > 0)
      trail.value = tool.value === 'gradient' ? [trail.value[0]!, spot] : [...trail.value, spot];
  };
  /** The pointer left the face: the stroke goes on where it comes back. */
  const lift = (): void => stroke?.lift();
  const end = (): void => {
    if (stroke) {
      stroke = null;
      keep(WORDS[tool.value]);
      return;
    }
    const points = trail.value.map(inPixels);
    trail.value = [];
    if (points.length < 2 || stamp.value) return;
    const colour = rgbOf(brush.colour);
    const erases = takesAway.value;
    const rect =
      tool.value === 'gradient'
        ? gradient(sheet, points[0]!, points[1]!, colour, brush.flow, erases)
        : fillLasso(sheet, points, colour, brush.flow, { erases, mirrored: mirrored.value });
    if (!rect) return;
    show(null);
    keep(WORDS[tool.value]);
  };

  /** Something done to all of the sheet at once. */
  const ALL = {
    fill: () => fill(sheet, rgbOf(brush.colour), brush.flow),
    clear: () => clear(sheet),
    leftOver: () => mirrorHalf(sheet, 'left'),
    rightOver: () => mirrorHalf(sheet, 'right'),
    flip: () => flip(sheet),
  } as const;
  const ALL_WORDS: Record<keyof typeof ALL, string> = {
    fill: 'Fill',
    clear: 'Clear',
    leftOver: 'Mirror',
    rightOver: 'Mirror',
    flip: 'Flip',
  };
  const all = (what: keyof typeof ALL): void => {
    if (!on.value) return;
    ALL[what]();
    show(null);
    keep(ALL_WORDS[what]);
  };

  /** A picture takes the place of what is on the sheet. */
  const bringIn = async (blob: Blob, fitted: Fitted): Promise<void> => {
    const fresh = await sheetFrom(blob, fitted);
    if (!on.value) return;
    sheet.data.set(fresh.data);
    show(null);
    keep('Bring in a picture on');
  };
  /** A mask is given in black and white, so that it is seen in any program; it counts the same when it is brought in again. */
  const png = (): Promise<Uint8Array> => pngOf(on.value?.part === 'mask' ? inGreys(sheet) : sheet);

  // Text and stickers.
  const beginStamp = (fresh: Stamp): void => {
    cancelStamp();
    // Words are read on one side.
    if (fresh.kind === 'text') mirrored.value = false;
    before = sheet.data.slice();
    stamp.value = fresh;
    place({});
  };
  const place = (change: Partial<Stamp>): void => {
    if (!stamp.value || !before) return;
    stamp.value = { ...stamp.value, ...change };
    sheet.data.set(before);
    lay(sheet, stamp.value, mirrored.value);
    show(null);
  };
  watch(mirrored, () => place({}));
  const setStamp = (): void => {
    const was = stamp.value;
    stamp.value = null;
    before = null;
    if (was) keep(was.kind === 'text' ? 'Text on' : 'Sticker on');
  };
  const cancelStamp = (): void => {
    if (before) {
      sheet.data.set(before);
      show(null);
    }
    stamp.value = null;
    before = null;
  };

  /** The pixels as they are now; whoever shows them must not change them. */
  const pixels = (): Sheet => sheet;

  return {
    on,
    layer,
    tool,
    brush,
    takesAway,
    mirrored,
    shown,
    photo,
    photoAsked,
    noFace,
    takePhoto,
    faceNumber,
    resize,
    version,
    changed,
    loading,
    error,
    pending,
    trail,
    stamp,
    open,
    close,
    retry,
    begin,
    goOn,
    lift,
    end,
    all,
    bringIn,
    png,
    beginStamp,
    place,
    setStamp,
    cancelStamp,
    pixels,
  };
});
