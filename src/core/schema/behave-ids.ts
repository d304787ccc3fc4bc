/** The ids of what behaviour is made of. */
import type { z } from 'zod';
import { idOf } from './references';

export const cueIdSchema = idOf('cues').brand<'CueId'>();
export const variableIdSchema = idOf('variables').brand<'VariableId'>();
export const controlIdSchema = idOf('controls').brand<'ControlId'>();
export const promptIdSchema = idOf('prompts').brand<'PromptId'>();
export const driveIdSchema = idOf('drives').brand<'DriveId'>();
export const compoundIdSchema = idOf('compounds').brand<'CompoundId'>();
export const circuitIdSchema = idOf('circuits').brand<'CircuitId'>();

export type CueId = z.infer<typeof cueIdSchema>;
export type VariableId = z.infer<typeof variableIdSchema>;
export type ControlId = z.infer<typeof controlIdSchema>;
export type PromptId = z.infer<typeof promptIdSchema>;
export type DriveId = z.infer<typeof driveIdSchema>;
export type CompoundId = z.infer<typeof compoundIdSchema>;
export type CircuitId = z.infer<typeof circuitIdSchema>;
