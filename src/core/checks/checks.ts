/** What stands between an effect and its release. Each finding names the thing and the place to mend it. */
import { isDriven, standingReasons } from '../behave/explain';
import { cueOrder, lostAssetsOf, parentOf, stackOrder, usedAssets } from '../document/queries';
import { partFactsOf } from '../kinds/objects/part';
import { isSeen } from '../kinds/objects/objects';
import { materialIdsOf } from '../document/material-queries';
import { isSerious, materialProblems, type MaterialProblem } from '../surface/material-problems';
import { circuitsOn, signalsOf } from '../document/behaviour-queries';
import { expandNodes } from '../document/expand';
import { hasIn } from '../document/named-in';
import { problemOf } from '../kinds/signals/formula';
import { isSeriousTrouble, planNodes } from '../program/circuits';
import { isToldOnCamera } from '../kinds/signals/face-measures';
import type {
  AssetId,
  CircuitId,
  CueId,
  Effect,
  EffectObject,
  MaterialId,
  ObjectId,
  Signal,
} from '../document/schema';
import { OPEN_WEB, packageBytes } from './costs';

export type Stage = 'place' | 'style' | 'behave' | 'try' | 'release';

export type Finding = {
  /** A stop keeps the effect from being released; a warning does not. */
  readonly severity: 'stop' | 'warning';
  readonly stage: Stage;
} & (
  | { readonly code: 'no-name' }
  | { readonly code: 'no-icon' }
  | { readonly code: 'no-summary' }
  | { readonly code: 'nothing-to-see' }
  | { readonly code: 'missing-asset'; readonly object: ObjectId }
  | { readonly code: 'no-such-part'; readonly object: ObjectId }
  | {
      readonly code: 'invisible';
      readonly object: ObjectId;
      readonly why: 'hidden' | 'transparent' | 'no-size';
    }
  | { readonly code: 'material'; readonly material: MaterialId; readonly problem: MaterialProblem }
  | { readonly code: 'cue-does-nothing'; readonly cue: CueId }
  | { readonly code: 'cue-without-target'; readonly cue: CueId }
  /** A formula that cannot be worked out; why, in a sentence. */
  | { readonly code: 'formula'; readonly text: string; readonly why: string }
  /** So many nodes of a circuit that is on do nothing. */
  | { readonly code: 'circuit'; readonly circuit: CircuitId; readonly nodes: number }
  | { readonly code: 'unused-asset'; readonly asset: AssetId }
  /** A signal that takes know and cameras do not tell. */
  | { readonly code: 'takes-only'; readonly signal: Signal }
  | { readonly code: 'too-big'; readonly bytes: number; readonly budget: number }
);

/** Whether anything can change this of the object: an action of these kinds, one of that number, or what drives it. */
const changes = (effect: Effect, id: ObjectId, kinds: readonly string[], property: string): boolean =>
  isDriven(effect, id, property) ||
  Object.values(effect.cues).some(
    (cue) =>
      cue.enabled &&
      cue.beats.some((b) =>
        b.actions.some(
          (a) =>
            a.targets.includes(id) &&
            (kinds.includes(a.kind) || (a.kind === 'number' && a.property === property)),
        ),
      ),
  );

/** Whether the object, or a group it hangs in, is kept from being seen. */
const whyInvisible = (effect: Effect, shown: EffectObject): 'hidden' | 'transparent' | 'no-size' | null => {
  for (let o: EffectObject | null = shown; o; o = parentOf(effect, o)) {
    if (!o.visible && !changes(effect, o.id, ['show', 'toggle', 'hide'], 'visible')) return 'hidden';
    if ('opacity' in o && o.opacity === 0 && !changes(effect, o.id, ['fade'], 'opacity'))
      return 'transparent';
    if (
      o.scale.slice(0, 2).some((s) => Math.abs(s) < 1e-4) &&
      !changes(effect, o.id, ['size', 'pose'], 'size')
    )
      return 'no-size';
  }
  return null;
};

/** Expressions that something listens to and no camera tells, each once. */
const takesOnly = (effect: Effect): Signal[] => {
  const untold = signalsOf(effect).filter((s) => s.kind === 'expression' && !isToldOnCamera(s.name));
  return [...new Map(untold.map((s) => [JSON.stringify(s), s])).values()];
};

/** All findings, stops first. */
export const check = (effect: Effect, budget = OPEN_WEB.bytes): Finding[] => {
  const found: Finding[] = [];
  if (effect.name.trim() === '') found.push({ code: 'no-name', severity: 'stop', stage: 'release' });
  const icon = effect.listing.icon;
  if (icon === null || !effect.assets[icon])
    found.push({ code: 'no-icon', severity: 'stop', stage: 'release' });
  const objects = stackOrder(effect);
  for (const object of objects)
    if (lostAssetsOf(effect, object).length > 0)
      found.push({
        code: 'missing-asset',
        object: object.id,
        severity: 'stop',
        stage: object.kind === 'grade' ? 'style' : 'place',
      });
  for (const object of objects)
    if (object.kind === 'part' && !partFactsOf(object, effect))
      found.push({ code: 'no-such-part', object: object.id, severity: 'warning', stage: 'place' });
  for (const id of new Set(objects.flatMap(materialIdsOf))) {
    const material = effect.materials[id];
    for (const problem of material ? materialProblems(effect, material) : [])
      found.push({
        code: 'material',
        material: id,
        problem,
        severity: isSerious(problem) ? 'stop' : 'warning',
        stage: 'style',
      });
  }
  const seen = objects.filter(isSeen);
  if (seen.length === 0) found.push({ code: 'nothing-to-see', severity: 'stop', stage: 'place' });
  for (const object of seen) {
    const why = whyInvisible(effect, object);
    if (why) found.push({ code: 'invisible', object: object.id, why, severity: 'warning', stage: 'place' });
  }
  for (const cue of cueOrder(effect)) {
    const reasons = standingReasons(effect, cue);
    if (
      reasons.some((r) => r.code === 'no-target' || r.code === 'action-lacks' || r.code === 'trigger-lacks')
    )
      found.push({ code: 'cue-without-target', cue: cue.id, severity: 'stop', stage: 'behave' });
    else if (reasons.some((r) => r.code === 'no-actions'))
      found.push({ code: 'cue-does-nothing', cue: cue.id, severity: 'warning', stage: 'behave' });
  }
  for (const { id, nodes } of circuitsOn(effect)) {
    const serious = planNodes(
      expandNodes(nodes, effect.compounds),
      hasIn(effect),
      effect.compounds,
    ).troubles.filter(isSeriousTrouble);
    const idle = new Set(serious.map(({ node }) => node)).size;
    if (idle > 0)
      found.push({ code: 'circuit', circuit: id, nodes: idle, severity: 'warning', stage: 'behave' });
  }
  for (const signal of signalsOf(effect)) {
    const problem = signal.kind === 'formula' ? problemOf(signal, signal.unit) : null;
    if (problem && signal.kind === 'formula')
      found.push({
        code: 'formula',
        text: signal.text,
        why: problem.message,
        severity: 'warning',
        stage: 'behave',
      });
  }
  for (const signal of takesOnly(effect))
    found.push({ code: 'takes-only', signal, severity: 'warning', stage: 'behave' });
  if (effect.listing.summary.trim() === '')
    found.push({ code: 'no-summary', severity: 'warning', stage: 'release' });
  const used = new Set(usedAssets(effect));
  for (const asset of Object.values(effect.assets))
    if (!used.has(asset.id))
      found.push({ code: 'unused-asset', asset: asset.id, severity: 'warning', stage: 'place' });
  const bytes = packageBytes(effect);
  if (bytes > budget) found.push({ code: 'too-big', bytes, budget, severity: 'stop', stage: 'release' });
  return found.sort((a, b) => (a.severity === b.severity ? 0 : a.severity === 'stop' ? -1 : 1));
};

/** The findings that keep an effect from being released. */
export const stops = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => f.severity === 'stop');
