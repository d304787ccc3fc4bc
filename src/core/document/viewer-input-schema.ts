/** What a viewer does: everything that can be recorded on a take. */
import { z } from 'zod';
import { VIEWER_EVENTS } from '../kinds/triggers/gestures';
import { controlIdSchema } from '../schema/behave-ids';

/** Fingers may leave the picture, and a tap may end a hair beyond its edge. */
const coordinate = z.number().min(-10).max(10);
/** Everything a viewer can do. */
export const viewerInputSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('tap'), x: coordinate, y: coordinate }),
  /** Which fingers lie on the picture from this moment on, until the next such record. */
  z.strictObject({
    kind: z.literal('fingers'),
    fingers: z.array(z.strictObject({ id: z.number(), x: coordinate, y: coordinate })).max(20),
  }),
  /** A control is brought to a value. */
  z.strictObject({ kind: z.literal('control'), control: controlIdSchema, value: z.number() }),
  /** How loud it is around the viewer from this moment on, until the next such record; over what the take sounds. */
  z.strictObject({ kind: z.literal('noise'), level: z.number().min(0).max(1) }),
  /** Something is done with the camera application. */
  z.strictObject({ kind: z.literal('event'), event: z.enum(VIEWER_EVENTS) }),
]);

/** At a moment of a take, seconds. */
export const recordSchema = z.strictObject({ time: z.number().min(0), input: viewerInputSchema });
