/** What is filled in to spread an object, and the spread it makes. Centimetres, degrees, per cent, seconds. */
import { computed, reactive, watch, type ComputedRef } from 'vue';
import { spreadGroup } from '../../../../core/edits/copy-edits';
import { anchorOf } from '../../../../core/document/queries';
import type { EffectObject, ObjectId } from '../../../../core/document/schema';
import { SHELL_TRIANGLES, shellPositions } from '../../../../core/face/head-shell';
import { NEUTRAL_FACE, TRIANGLES } from '../../../../core/face/neutral';
import {
  composeMatrix,
  invertMatrix,
  transformPoint,
  multiplyMatrices,
  type Matrix,
} from '../../../../core/maths/matrix';
import { IDENTITY } from '../../../../core/maths/quaternion';
import { anchorBase, restBase, restMatrix, restOf } from '../../../../core/placing/rest';
import type { Spread, SpreadShape, TriangleSurface } from '../../../../core/placing/spread';
import { surfaceOf } from '../../../drawing/surface-of';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';

export const SPREAD_KINDS: readonly { readonly name: SpreadShape['kind']; readonly label: string }[] = [
  { name: 'ring', label: 'Ring' },
  { name: 'line', label: 'Line' },
  { name: 'grid', label: 'Grid' },
  { name: 'surface', label: 'Surface' },
];

const blankForm = () => ({
  kind: 'ring' as SpreadShape['kind'],
  count: 8,
  radius: 14,
  angle: 45,
  outward: true,
  upright: false,
  step: [4, 0, 0] as [number, number, number],
  columns: 4,
  lying: false,
  gap: [4, 4] as [number, number],
  over: 'head',
  turn: 0,
  size: 100,
  delay: 0,
  offMove: 0,
  offTurn: 0,
  offSize: 0,
  offDelay: 0,
  seed: 1,
});

export interface SpreadForm {
  readonly form: ReturnType<typeof blankForm>;
  /** What is to be spread; null when nothing is selected. */
  readonly object: ComputedRef<EffectObject | null>;
  /** What copies can lie on. */
  readonly surfaces: ComputedRef<{ readonly value: string; readonly label: string }[]>;
  /** The spread as it is filled in; null while its surface is not there. */
  spread(): Spread | null;
  /** Another step between copies on a ring: it no longer follows their number. */
  setAngle(angle: number): void;
  /** Copies evenly all round, however many they are. */
  closeRing(): void;
}

const through = ({ positions, triangles }: TriangleSurface, matrix: Matrix): TriangleSurface => {
  const moved = new Float32Array(positions.length);
  for (let i = 0; i < positions.length; i += 3)
    moved.set(transformPoint(matrix, [positions[i]!, positions[i + 1]!, positions[i + 2]!]), i);
  return { positions: moved, triangles };
};

export const useSpreadForm = (): SpreadForm => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const assets = useAssetsStore();
  const form = reactive(blankForm());
  /** The step that closes the ring, until one is typed. */
  const closing = (): number => Number((360 / Math.max(1, Math.round(form.count))).toFixed(3));
  let isTyped = false;
  watch(
    () => form.count,
    () => {
      if (!isTyped) form.angle = closing();
    },
    { flush: 'sync' },
  );
  const setAngle = (angle: number): void => {
    isTyped = true;
    form.angle = angle;
  };
  const closeRing = (): void => {
    isTyped = false;
    form.angle = closing();
  };
  const object = computed(() => (desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null));
  const onHead = computed(
    () => object.value !== null && ['head', 'skin'].includes(anchorOf(effectStore.effect, object.value).kind),
  );
  const surfaces = computed(() => [
    ...(onHead.value
      ? [
          { value: 'head', label: 'The whole head' },
          { value: 'face', label: 'The face' },
        ]
      : []),
    ...Object.values(effectStore.effect.objects)
      .filter((o) => (o.kind === 'model' || o.kind === 'solid') && o.id !== object.value?.id)
      .map((o) => ({ value: o.id as string, label: o.name })),
  ]);

  /** The surface in the space of the group that will hold the copies. */
  const surface = (me: EffectObject): TriangleSurface | null => {
    const { effect } = effectStore;
    if (!surfaces.value.some((s) => s.value === form.over)) return null;
    const rest = restOf(effect);
    const group = spreadGroup(effect, me, 'surface', 'obj_spread' as ObjectId);
    const outer = group.parent ? restBase(rest, me) : anchorBase(rest, group.anchor);
    const into = invertMatrix(multiplyMatrices(outer, composeMatrix(group.move, IDENTITY, [1, 1, 1])));
    if (!into) return null;
    // At rest a head lies in the origin.
    if (form.over === 'head')
      return through({ positions: shellPositions(NEUTRAL_FACE), triangles: SHELL_TRIANGLES }, into);
    if (form.over === 'face') return through({ positions: NEUTRAL_FACE, triangles: TRIANGLES }, into);
    const other = effect.objects[form.over as ObjectId];
    const found = other ? surfaceOf(effect, other, assets.stores.models) : null;
    return found && through(found, multiplyMatrices(into, restMatrix(rest, other!.id)));
  };
  const shapeOf = (me: EffectObject): SpreadShape | null => {
    const cm = (list: readonly number[]) => list.map((x) => x / 100);
    switch (form.kind) {
      case 'ring':
        return {
          kind: 'ring',
          radius: form.radius / 100,
          angle: form.angle,
          outward: form.outward,
          about: form.upright ? 'z' : 'y',
        };
      case 'line':
        return { kind: 'line', step: cm(form.step) as [number, number, number] };
      case 'grid':
        return {
          kind: 'grid',
          columns: form.columns,
          gap: cm(form.gap) as [number, number],
          upright: !form.lying,
        };
      case 'surface': {
        const found = surface(me);
        return found && { kind: 'surface', surface: found };
      }
    }
  };
  const spread = (): Spread | null => {
    const shape = object.value && shapeOf(object.value);
    if (!shape) return null;
    const ring = form.kind === 'ring';
    return {
      count: Math.round(form.count),
      shape,
      // Around a ring copies roll; along a line they turn about the way up.
      steps: {
        turn: [0, ring ? 0 : form.turn, ring ? form.turn : 0],
        size: form.size / 100,
        delay: form.delay,
      },
      jitter: {
        move: form.offMove / 100,
        turn: form.offTurn,
        size: form.offSize / 100,
        delay: form.offDelay,
      },
      seed: Math.round(form.seed),
    };
  };
  return { form, object, surfaces, spread, setAngle, closeRing };
};
