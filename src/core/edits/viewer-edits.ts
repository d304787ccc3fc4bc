/** Edits of controls, prompts, variables and what drives what. Unknown ids change nothing. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { forget } from './forget';
import type {
  Control,
  ControlId,
  Drive,
  DriveId,
  Effect,
  Prompt,
  PromptId,
  Variable,
  VariableId,
} from '../document/schema';

/** Adds a control, or puts it in the place of the one with its id. */
export const putControl = (control: Control, label = `Change ${control.name || 'control'}`): Edit =>
  edit(label, (d) => {
    d.controls[control.id] = control as Draft<Control>;
  });

/** With what it drove. Cues that named it say that it is gone. */
export const removeControl = (effect: Effect, id: ControlId): Edit =>
  edit('Delete control', (d) => {
    delete d.controls[id];
    for (const drive of Object.values(d.drives))
      if (drive.signal.kind === 'control' && drive.signal.control === id)
        delete d.drives[drive.id as DriveId];
    forget(d, effect, 'controls', new Set([id]));
  });

/** Whether the effect asks the viewer by itself for what it needs. */
export const setAsks = (asks: boolean): Edit =>
  edit(asks ? 'Ask for what is missing' : 'Ask for nothing', (d) => {
    d.asks = asks;
  });

/** Adds a prompt, or puts it in the place of the one with its id. */
export const putPrompt = (prompt: Prompt, label = 'Change prompt'): Edit =>
  edit(label, (d) => {
    d.prompts[prompt.id] = prompt as Draft<Prompt>;
  });
/** Removes a prompt. What named it says that it is gone. */
export const removePrompt = (effect: Effect, id: PromptId): Edit =>
  edit('Delete prompt', (d) => {
    delete d.prompts[id];
    forget(d, effect, 'prompts', new Set([id]));
  });

/** Adds a variable, or puts it in the place of the one with its id. */
export const putVariable = (variable: Variable, label = `Change ${variable.name || 'variable'}`): Edit =>
  edit(label, (d) => {
    d.variables[variable.id] = variable as Draft<Variable>;
  });
/** Removes a variable. What named it says that it is gone. */
export const removeVariable = (effect: Effect, id: VariableId): Edit =>
  edit('Delete variable', (d) => {
    delete d.variables[id];
    forget(d, effect, 'variables', new Set([id]));
  });

/** Adds a drive, or puts it in the place of the one with its id. */
export const putDrive = (drive: Drive, label = 'Change what drives it'): Edit =>
  edit(label, (d) => {
    d.drives[drive.id] = drive as Draft<Drive>;
  });
/** Removes a drive; what it drove keeps the value that was set. */
export const removeDrive = (id: DriveId): Edit =>
  edit('Take the drive off', (d) => {
    delete d.drives[id];
  });
