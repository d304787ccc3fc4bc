/** A grade as passes over the picture: steps that look at one colour only are done together. */
import type { GradeStep, StepOf } from '../schema/grade-schema';
import { isPointStep, type PointStep } from './grade';

export type GradePass =
  | { readonly kind: 'points'; readonly steps: readonly PointStep[] }
  | { readonly kind: 'bloom'; readonly step: StepOf<'bloom'> }
  | { readonly kind: 'sharpen'; readonly step: StepOf<'sharpen'> };

/** Whether a step changes anything. */
const acts = (step: GradeStep): boolean => {
  if (!step.on) return false;
  switch (step.kind) {
    case 'exposure':
      return step.stops !== 0;
    case 'contrast':
    case 'saturation':
    case 'vignette':
    case 'grain':
    case 'sharpen':
      return step.amount !== 0;
    case 'table':
      return step.asset !== null && step.strength > 0;
    case 'bloom':
      return step.strength > 0;
    default:
      return true;
  }
};

/** The passes in order; none when the grade changes nothing. */
export const passesOf = (steps: readonly GradeStep[]): GradePass[] => {
  const passes: GradePass[] = [];
  for (const step of steps) {
    if (!acts(step)) continue;
    if (isPointStep(step)) {
      const last = passes.at(-1);
      if (last?.kind === 'points') passes[passes.length - 1] = { ...last, steps: [...last.steps, step] };
      else passes.push({ kind: 'points', steps: [step] });
    } else if (step.kind === 'bloom') passes.push({ kind: 'bloom', step });
    else passes.push({ kind: 'sharpen', step });
  }
  return passes;
};
