/**
 * In the place of the schemas of performances and rehearsals: they are for those who make an effect. Viewers' pages let them through as they are and never
 * look at them, and need not carry what reads them.
 */
import { z } from 'zod';
import { idText } from '../core/schema/values-schema';

export const performanceIdSchema = idText;
export const rehearsalIdSchema = idText;
export const performanceSchema = z.looseObject({ id: idText });
export const rehearsalSchema = performanceSchema;
