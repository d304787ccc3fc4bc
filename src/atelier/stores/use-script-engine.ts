/** What runs the scripts of the effect that is open: fetched as soon as it has some. */
import { ref, shallowRef, watch } from 'vue';
import { hasScripts } from '../../core/document/behaviour-queries';
import type { Effect } from '../../core/document/schema';
import { sentence } from '../../core/errors';
import type { ScriptEngine } from '../../core/script/engine';
import { loadScriptEngine } from '../../stage/script-engine';

export const useScriptEngine = (effect: () => Effect) => {
  /** Null while it is fetched, and where none are. */
  const scripts = shallowRef<ScriptEngine | null>(null);
  /** Why it is not there. */
  const scriptsProblem = ref<string | null>(null);
  const fetchScripts = async (): Promise<void> => {
    scriptsProblem.value = null;
    try {
      scripts.value = await loadScriptEngine();
    } catch (error) {
      scriptsProblem.value = `Scripts cannot run, since what runs them could not be loaded. ${sentence(error)}`;
    }
  };
  watch(
    () => hasScripts(effect()),
    (has) => has && !scripts.value && void fetchScripts(),
    { immediate: true },
  );
  return { scripts, scriptsProblem };
};
