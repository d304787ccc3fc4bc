import { GradeView } from '../grade/grade-view';
import type { Abilities } from './abilities';

export const grades: Partial<Abilities> = { grades: () => new GradeView() };
