/** What runs scripts, fetched once by the first effect that has some. */
import { hasScripts } from '../core/document/behaviour-queries';
import type { Effect } from '../core/document/schema';
import type { ScriptEngine } from '../core/script/engine';

let loading: Promise<ScriptEngine> | null = null;
/** Fails where it cannot be fetched; asked again, it is tried again. */
export const loadScriptEngine = (): Promise<ScriptEngine> =>
  (loading ??= import('../core/script/quickjs-engine')
    .then(({ loadQuickJs }) => loadQuickJs({ now: () => performance.now() }))
    .catch((error: unknown) => {
      loading = null;
      throw error;
    }));

/** For an effect: null where it has no scripts. */
export const scriptsFor = async (effect: Effect): Promise<ScriptEngine | null> =>
  hasScripts(effect) ? await loadScriptEngine() : null;
