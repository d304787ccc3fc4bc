/** The ids of what behaviour is made of. */
import { z } from 'zod';
import { idText } from './values-schema';

export const cueIdSchema = idText.brand<'CueId'>();
export const variableIdSchema = idText.brand<'VariableId'>();
export const controlIdSchema = idText.brand<'ControlId'>();
export const promptIdSchema = idText.brand<'PromptId'>();
export const driveIdSchema = idText.brand<'DriveId'>();

export type CueId = z.infer<typeof cueIdSchema>;
export type VariableId = z.infer<typeof variableIdSchema>;
export type ControlId = z.infer<typeof controlIdSchema>;
export type PromptId = z.infer<typeof promptIdSchema>;
export type DriveId = z.infer<typeof driveIdSchema>;
