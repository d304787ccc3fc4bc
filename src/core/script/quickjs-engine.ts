/**
 * Scripts in a JavaScript engine compiled to WebAssembly. It reaches nothing outside. What a step may use is counted in passes of loops and
 * calls, never in time, so a script that goes beyond it stops at the same place everywhere: the verdict is always of a sandbox that
 * has run nothing else.
 */
import {
  newQuickJSWASMModuleFromVariant,
  newVariant,
  Scope,
  type QuickJSContext,
  type QuickJSHandle,
  type QuickJSRuntime,
  type QuickJSWASMModule,
} from 'quickjs-emscripten-core';
import variant from '@jitl/quickjs-wasmfile-release-sync';
import { preparedScript, ScriptRefused } from './check-script';
import {
  BUDGET,
  type Json,
  type ScriptEngine,
  type ScriptGiven,
  type ScriptProblem,
  type ScriptTaken,
} from './engine';
import { PRELUDE } from './prelude';

/** The engine asks so often whether it shall stop: in turns. */
const ASKS_EVERY = 10_000;
const TICKS = BUDGET.turns / ASKS_EVERY;
/** What stands at the top is made once, and looked over: it may take more. */
const OPENING = 8 * TICKS;
const PAGE = 65_536;
/** Bytes of the stack: enough for some hundred calls within each other. */
const STACK = 128 * 1024;
/** Milliseconds after which one step is ended whatever it does: only what hardly counts passes comes so far. */
const PATIENCE = 2000;

/** Scripts that are kept ready, at most. */
const MOST_READY = 24;

/** A script in a sandbox of its own. */
interface Ready {
  readonly runtime: QuickJSRuntime;
  readonly context: QuickJSContext;
  readonly take: QuickJSHandle;
  readonly where: QuickJSHandle;
  readonly logs: QuickJSHandle;
}
/** Why a sandbox ended a script by itself. */
type Ended = 'passes' | 'memory' | 'stack' | 'time';

class EndedBy extends Error {
  constructor(
    readonly why: Ended,
    readonly line: number | null,
    readonly logs: readonly string[],
  ) {
    super(why);
  }
}

const WHY: Readonly<Record<Ended, string>> = {
  passes: `It goes on for too long: a step may take about ${(BUDGET.turns / 2).toLocaleString('en')} passes of loops and calls.`,
  memory: `It takes too much memory: there are ${BUDGET.memory / 2 ** 20} MB.`,
  stack: 'It calls itself too deep.',
  time: 'It takes too long for one step.',
};

const BROKEN = 'The sandbox of scripts broke. Reload the page.';

export interface QuickJsOptions {
  /** Milliseconds of a clock, for ending what would hold up the page for seconds. Without one only passes are counted. */
  readonly now?: () => number;
}

/** Loads the engine. */
export const loadQuickJs = async ({ now }: QuickJsOptions = {}): Promise<ScriptEngine> => {
  const wasmMemory = new WebAssembly.Memory({
    initial: (16 * 2 ** 20) / PAGE,
    maximum: BUDGET.memory / PAGE,
  });
  return new QuickJsEngine(await newQuickJSWASMModuleFromVariant(newVariant(variant, { wasmMemory })), now);
};

class QuickJsEngine implements ScriptEngine {
  /** By source, the one asked last at the end. */
  private readonly ready = new Map<string, Ready>();
  private readonly refused = new Map<string, ScriptProblem>();
  private ticks = 0;
  private most = TICKS;
  private began = 0;
  private isTooLong = false;
  private isBroken = false;

  constructor(
    private readonly quickjs: QuickJSWASMModule,
    private readonly now: (() => number) | undefined,
  ) {}

  step(source: string, given: ScriptGiven): ScriptTaken {
    if (this.isBroken) return stopped(given, { message: BROKEN, line: null });
    try {
      return this.attempt(source, given);
    } catch {
      // What is broken within cannot be told from what is not: nothing of it is used any more.
      this.isBroken = true;
      this.ready.clear();
      return stopped(given, { message: BROKEN, line: null });
    }
  }

  private attempt(source: string, given: ScriptGiven): ScriptTaken {
    const refusal = this.refused.get(source);
    if (refusal) return stopped(given, refusal);
    try {
      try {
        // One turn fewer than allowed: where it stands in its counting depends on what was before.
        return this.taken(this.readyFor(source), given, TICKS - 1);
      } catch (error) {
        if (!(error instanceof EndedBy) || error.why === 'stack' || error.why === 'time') throw error;
        this.release();
        return this.taken(this.readyFor(source), given, TICKS);
      }
    } catch (error) {
      if (error instanceof EndedBy) {
        // A sandbox that was ended is not asked again.
        this.drop(source);
        return stopped(given, { message: WHY[error.why], line: error.line }, error.logs);
      }
      if (!(error instanceof ScriptRefused)) throw error;
      const problem = { message: error.message, line: error.line };
      if (this.refused.size >= MOST_READY) this.refused.clear();
      this.refused.set(source, problem);
      return stopped(given, problem);
    }
  }

  release(): void {
    for (const source of [...this.ready.keys()]) this.drop(source);
  }

  private drop(source: string): void {
    const ready = this.ready.get(source);
    if (!ready) return;
    this.ready.delete(source);
    for (const handle of [ready.take, ready.where, ready.logs]) handle.dispose();
    ready.context.dispose();
    ready.runtime.dispose();
  }

  private readyFor(source: string): Ready {
    const there = this.ready.get(source);
    if (there) {
      this.ready.delete(source);
      this.ready.set(source, there);
      return there;
    }
    const script = preparedScript(source);
    if (this.ready.size >= MOST_READY) this.drop(this.ready.keys().next().value!);
    const runtime = this.quickjs.newRuntime();
    runtime.setMaxStackSize(STACK);
    runtime.setInterruptHandler(() => {
      this.isTooLong = this.now !== undefined && this.now() - this.began > PATIENCE;
      return ++this.ticks >= this.most || this.isTooLong;
    });
    const context = runtime.newContext();
    const held = new Scope();
    try {
      this.begin(OPENING);
      const open = held.manage(this.valueOf(context, context.evalCode(PRELUDE, 'prelude.js')));
      const module = held.manage(
        this.valueOf(context, context.evalCode(script, 'script.js', { type: 'module' })),
      );
      const made = held.manage(this.valueOf(context, context.callFunction(open, context.undefined, module)));
      const ready = {
        runtime,
        context,
        take: context.getProp(made, 'take'),
        where: context.getProp(made, 'where'),
        logs: context.getProp(made, 'logs'),
      };
      held.dispose();
      this.ready.set(source, ready);
      return ready;
    } catch (error) {
      held.dispose();
      context.dispose();
      runtime.dispose();
      throw error;
    }
  }

  private begin(most: number): void {
    this.ticks = 0;
    this.most = most;
    this.isTooLong = false;
    this.began = this.now?.() ?? 0;
  }

  private taken(ready: Ready, given: ScriptGiven, most: number): ScriptTaken {
    const { context } = ready;
    this.begin(most);
    const json = context.newString(JSON.stringify(given));
    const result = context.callFunction(ready.take, context.undefined, json);
    json.dispose();
    if (result.error) {
      const why = this.endedBy(context, result.error);
      throw new EndedBy(
        why,
        this.asked(ready.context, ready.where, context.getNumber.bind(context)) || null,
        JSON.parse(this.asked(context, ready.logs, context.getString.bind(context)) ?? '[]') as string[],
      );
    }
    const answer = context.getString(result.value);
    result.value.dispose();
    return takenOf(answer, given);
  }

  /** What a question without arguments gives; null where it gives nothing. */
  private asked<T>(
    context: QuickJSContext,
    question: QuickJSHandle,
    read: (handle: QuickJSHandle) => T,
  ): T | null {
    this.begin(TICKS);
    const result = context.callFunction(question, context.undefined);
    if (result.error) {
      result.error.dispose();
      return null;
    }
    const value = read(result.value);
    result.value.dispose();
    return value;
  }

  /** A value, or why there is none. */
  private valueOf(context: QuickJSContext, result: ReturnType<QuickJSContext['evalCode']>): QuickJSHandle {
    if (!result.error) return result.value;
    const { name, message, stack } = thrown(context, result.error);
    if (name === 'InternalError') {
      const line = lineIn(stack);
      if (message === 'interrupted') throw new EndedBy(this.isTooLong ? 'time' : 'passes', line, []);
      if (message === 'out of memory') throw new EndedBy('memory', line, []);
      if (message === 'stack overflow') throw new EndedBy('stack', line, []);
    }
    throw new ScriptRefused(words(name, message), lineIn(stack));
  }

  private endedBy(context: QuickJSContext, error: QuickJSHandle): Ended {
    const { message } = thrown(context, error);
    if (message === 'out of memory') return 'memory';
    if (message === 'stack overflow') return 'stack';
    return this.isTooLong ? 'time' : 'passes';
  }
}

interface Thrown {
  readonly name: string;
  readonly message: string;
  readonly stack: string;
}
/** What was thrown; lets go of it. */
const thrown = (context: QuickJSContext, error: QuickJSHandle): Thrown => {
  const { name, message, stack } = context.dump(error) as Partial<Record<keyof Thrown, unknown>>;
  error.dispose();
  return { name: String(name ?? ''), message: String(message ?? ''), stack: String(stack ?? '') };
};
/** The innermost line of the script in a list of calls. */
const lineIn = (stack: string): number | null => {
  const line = /script\.js:(\d+)/.exec(stack)?.[1];
  return line ? Number(line) : null;
};

const OUTSIDE =
  /^'?(window|document|fetch|XMLHttpRequest|WebSocket|setTimeout|setInterval|requestAnimationFrame|localStorage|navigator|location|process|require|performance|crypto|self|postMessage)'? is not defined$/;
/** What went wrong, as a sentence. */
const words = (name: string, message: string): string => {
  const reach = OUTSIDE.exec(message);
  if (reach) return `There is no “${reach[1]}” here: a script reaches nothing outside.`;
  if (name === 'TypeError' && /read-only|not extensible|no setter|is not configurable/.test(message))
    return `It would change what is the same in every step (${message}): keep it in state.`;
  const plain = message === '' ? name || 'It was stopped' : message;
  return /[.!?]$/.test(plain) ? plain : `${plain}.`;
};

const stopped = (
  { state }: ScriptGiven,
  problem: ScriptProblem,
  logs: readonly string[] = [],
): ScriptTaken => ({ out: {}, state, logs, problem });

const takenOf = (answer: string, given: ScriptGiven): ScriptTaken => {
  const said = JSON.parse(answer) as
    | { out: Record<string, Json>; state: Json; logs: string[] }
    | { problem: Thrown; logs: string[] };
  if ('problem' in said) {
    const { name, message, stack } = said.problem;
    const isStack = name === 'InternalError' && message === 'stack overflow';
    const isMemory = name === 'InternalError' && message === 'out of memory';
    if (isMemory) throw new EndedBy('memory', lineIn(stack), said.logs);
    return stopped(
      given,
      { message: isStack ? WHY.stack : words(name, message), line: lineIn(stack) },
      said.logs,
    );
  }
  if (JSON.stringify(said.state).length > BUDGET.state)
    return stopped(
      given,
      { message: `Its state is too large: ${BUDGET.state / 1024} kB as JSON are kept, no more.`, line: null },
      said.logs,
    );
  return { ...said, problem: null };
};
