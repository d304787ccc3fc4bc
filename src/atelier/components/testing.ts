/** What tests of components share: a component mounted as the atelier mounts it, on an effect that nobody saves. */
import { expect } from '@jest/globals';
import { mount, type VueWrapper } from '@vue/test-utils';
import Antd, { Select } from 'ant-design-vue';
import { createPinia, setActivePinia, type Pinia } from 'pinia';
import { computed, defineComponent, h, nextTick, type Component, type Plugin } from 'vue';
import { effectSchema, type Effect } from '../../core/document/schema';
import { nameDirective } from '../directives/name';
import { takesDirective } from '../intake/drop-spots';
import { useEffectStore } from '../stores/effect';

let pinia: Pinia | null = null;
/** Stores of their own for the next test, with this effect open. */
export const openEffect = (effect: Effect): ReturnType<typeof useEffectStore> => {
  pinia = createPinia();
  setActivePinia(pinia);
  const effectStore = useEffectStore();
  effectStore.begin({ id: 'test', revision: 1, effect, updatedAt: '' });
  return effectStore;
};

/** The component follows the document, as it does on the bench. */
export const following = (component: Component, props: () => Record<string, unknown>) =>
  defineComponent(() => {
    const now = computed(props);
    return () => h(component as never, now.value);
  });

/** The component library makes its styles anew for each application, which takes longer than to mount most components: here once. */
const styles = new Map<string, unknown>();
const styleCache = {
  instanceId: 'tests',
  get: (path: string): unknown => styles.get(path) ?? null,
  update: (path: string, to: (before: unknown) => unknown): void => {
    const now = to(styleCache.get(path));
    // Null says that nobody needs them any more; somebody soon will.
    if (now !== null) styles.set(path, now);
  },
};

/** `props` are not checked against the component: tests of many components come through here. */
export const mounted = (
  component: Component,
  props: Record<string, unknown> = {},
  plugins: readonly Plugin[] = [],
): VueWrapper =>
  mount(component as Component<Record<string, unknown>>, {
    attachTo: document.body,
    props,
    global: {
      plugins: [pinia!, Antd, ...plugins],
      directives: { name: nameDirective, takes: takesDirective },
      mocks: { $route: { params: {}, query: {} } },
      stubs: { RouterLink: true },
      config: { globalProperties: { __ANTDV_CSSINJS_CACHE__: styleCache } as never },
    },
  }) as unknown as VueWrapper;

/** What a form asks, in the order of the page. */
export interface Asked {
  readonly numbers: readonly string[];
  readonly choices: readonly string[];
  readonly colours: readonly string[];
}

type Field = () => Promise<{ readonly name: string; readonly set: () => Promise<(() => void) | null> }>;

/** As it is read out: with the group it stands in. */
const nameOf = (field: Element): string => {
  const own = field.getAttribute('aria-label') ?? field.querySelector('input')?.getAttribute('aria-label');
  const group = field.closest('[role="group"]')?.getAttribute('aria-label');
  return own ? [group, own].filter(Boolean).join(': ') : '';
};

const number =
  (form: VueWrapper, at: number): Field =>
  async () => {
    // Looked for once: forms are large, and looking takes longer than typing.
    const found = form.findAll('[role="spinbutton"]')[at]!;
    const field = () => found;
    const value = (name: string) => Number(field().attributes(name));
    const name = nameOf(field().element);
    return {
      name,
      set: async () => {
        const now = value('aria-valuenow');
        const [min, max] = [field().attributes('aria-valuemin'), field().attributes('aria-valuemax')];
        const free = (to: number): boolean => to >= Number(min ?? -Infinity) && to <= Number(max ?? Infinity);
        const [to, first = to] = [now + 1, now - 1, now + 0.1, now - 0.1, now + 0.01]
          .map((v) => Number(v.toFixed(2)))
          .filter(free);
        if (to === undefined) throw new Error(`no other number between ${min} and ${max}`);
        // Typed on: however often it changes in one visit, that is one step.
        await field().setValue(String(first));
        await field().setValue(String(to));
        await field().trigger('keydown', { key: 'Enter' });
        return () => expect(value('aria-valuenow')).toBeCloseTo(to, 1);
      },
    };
  };
const choice =
  (form: VueWrapper, at: number): Field =>
  async () => {
    const all = (): VueWrapper[] => form.findAllComponents(Select) as unknown as VueWrapper[];
    const name = nameOf(all()[at]!.element as Element);
    return {
      name,
      set: async () => {
        const { options, value } = all()[at]!.props() as {
          options: { value: unknown; options?: { value: unknown }[] }[];
          value: unknown;
        };
        const several = Array.isArray(value);
        const others = (options ?? [])
          .flatMap((o) => o.options ?? [o])
          .filter((o) => !(several ? value.includes(o.value) : o.value === value));
        // One choice alone is none.
        if (others.length === 0) return null;
        const to = several ? [...value, others.at(-1)!.value] : others.at(-1)!.value;
        all()[at]!.vm.$emit('change', to);
        await nextTick();
        // Other fields may come with what was chosen, or go.
        return () =>
          expect(
            (
              all()
                .find((s) => nameOf(s.element as Element) === name)!
                .props() as { value: unknown }
            ).value,
          ).toEqual(to);
      },
    };
  };
const colour =
  (form: VueWrapper, at: number): Field =>
  async () => {
    const found = form.findAll<HTMLInputElement>('input[type="color"]')[at]!;
    const field = () => found;
    return {
      name: nameOf(field().element),
      set: async () => {
        const to = field().element.value === '#123456' ? '#654321' : '#123456';
        field().element.value = to;
        await field().trigger('input');
        await field().trigger('change');
        return () => expect(field().element.value).toBe(to);
      },
    };
  };

/**
 * Goes through every number, choice and colour of a form as a creator would: what is set is in the document, which stays valid, the
 * field shows it, and one undo gives the document back as it was. Gives the names of what the form asks.
 */
export const proveFields = async (open: () => VueWrapper): Promise<Asked> => {
  const effectStore = useEffectStore();
  const form = open();
  const counts = {
    numbers: form.findAll('[role="spinbutton"]').length,
    choices: form.findAllComponents(Select).length,
    colours: form.findAll('input[type="color"]').length,
  };
  const asked: { [K in keyof Asked]: string[] } = { numbers: [], choices: [], colours: [] };
  /** The document before each step that is not undone yet. */
  const steps: { readonly name: string; readonly before: Effect }[] = [];
  const named = (name: string, proof: () => void): void => {
    try {
      proof();
    } catch (cause) {
      throw new Error(`${name}: ${(cause as Error).message}`, { cause });
    }
  };
  const prove = async (kind: keyof Asked, field: Field): Promise<void> => {
    const { name, set } = await field();
    asked[kind].push(name);
    const before = effectStore.effect;
    const shows = await set();
    await nextTick();
    if (!shows) return;
    named(name, () => {
      expect(effectStore.effect).not.toEqual(before);
      expect(effectSchema.safeParse(effectStore.effect).error?.issues ?? []).toEqual([]);
      shows();
    });
    effectStore.endGesture();
    steps.push({ name, before });
  };
  /** Step by step; the form is shown anew when all are back. */
  const takeBack = async (): Promise<void> => {
    for (const { name, before } of steps.splice(0).reverse())
      named(name, () => {
        effectStore.undo();
        expect(effectStore.effect).toEqual(before);
      });
    await nextTick();
  };
  for (let i = 0; i < counts.numbers; i++) await prove('numbers', number(form, i));
  await takeBack();
  // What is chosen may bring other fields or take some away: each is taken back before the next.
  for (let i = 0; i < counts.choices; i++) {
    await prove('choices', choice(form, i));
    await takeBack();
  }
  for (let i = 0; i < counts.colours; i++) await prove('colours', colour(form, i));
  await takeBack();
  form.unmount();
  return asked;
};

/** What is shown with a role or tag, found by the name it is read out by. */
export const shown = <E extends HTMLElement = HTMLElement>(kind: string, name: string | RegExp): E => {
  const named = (e: Element): string => (e.getAttribute('aria-label') ?? e.textContent ?? '').trim();
  const found = [...document.querySelectorAll<E>(kind)].filter((e) =>
    typeof name === 'string' ? named(e) === name : name.test(named(e)),
  );
  if (found.length === 0) throw new Error(`There is no ${kind} “${String(name)}”.`);
  return found[0]!;
};
/** Presses a button. */
export const press = async (name: string | RegExp, how: MouseEventInit = {}): Promise<void> => {
  shown('button, [role="tab"]', name).dispatchEvent(new MouseEvent('click', { bubbles: true, ...how }));
  await nextTick();
};
/** Types into a field, in the place of what was there. */
export const typeInto = async (name: string, text: string): Promise<void> => {
  const field = shown<HTMLInputElement>('input', name);
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  await nextTick();
};
