/**
 * The list that all forms use.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { mount } from '@vue/test-utils';
import Antd, { Select } from 'ant-design-vue';
import { defineComponent, h, nextTick, ref } from 'vue';
import SelectField from './SelectField.vue';
import { areSameOptions, type SelectOption } from './select-options';

afterEach(() => {
  document.body.innerHTML = '';
});

const TIDES: readonly SelectOption[] = [
  { value: 'low', label: 'Low' },
  { value: 'high', label: 'High' },
];
/** A form that makes its list anew each time, as forms do. */
const form = () => {
  const chosen: unknown[] = [];
  const [value, options, count] = [ref('low'), ref(TIDES), ref(0)];
  const wrapper = mount(
    defineComponent(() => () => [
      h('p', count.value),
      h(SelectField, {
        name: 'Tide',
        class: 'wide',
        value: value.value,
        options: options.value.map((option) => ({ ...option })),
        onChange: (to: unknown) => chosen.push(to),
      }),
    ]),
    { attachTo: document.body, global: { plugins: [Antd] } },
  );
  const select = () => wrapper.findComponent(Select);
  const input = () => wrapper.find('input');
  return { wrapper, select, input, chosen, value, options, count };
};
const POINTERS = ['aria-owns', 'aria-controls', 'aria-activedescendant'];

test('it is called by its name, says whether it is open, and points to its list only then', async () => {
  const { input, select } = form();
  const pointers = () => POINTERS.filter((p) => input().attributes(p) !== undefined);
  expect(input().attributes()).toMatchObject({ 'aria-label': 'Tide', 'aria-expanded': 'false' });
  expect(pointers()).toEqual([]);
  for (const [open, pointing] of [
    [true, POINTERS],
    [false, []],
    [true, POINTERS],
  ] as const) {
    select().vm.$emit('dropdownVisibleChange', open);
    await nextTick();
    expect(input().attributes('aria-expanded')).toBe(String(open));
    expect(pointers()).toEqual(pointing);
  }
});

test('a list made anew that offers the same is the same list; one that offers something else is not', async () => {
  const { select, count, options } = form();
  const first: unknown = select().props('options');
  count.value++;
  await nextTick();
  expect(select().props('options')).toBe(first);
  options.value = [...TIDES, { value: 'neap', label: 'Neap' }];
  await nextTick();
  expect(select().props('options')).toHaveLength(3);
});

test('what is chosen is told, what is set is shown, and its looks are handed on', async () => {
  const { wrapper, select, chosen, value } = form();
  select().vm.$emit('change', 'high');
  expect(chosen).toEqual(['high']);
  value.value = 'high';
  await nextTick();
  expect(wrapper.find('.ant-select-selection-item').text()).toBe('High');
  expect(wrapper.find('.ant-select').classes()).toContain('wide');
});

test.each<[string, readonly SelectOption[], boolean]>([
  ['a copy', TIDES.map((o) => ({ ...o })), true],
  ['another label', [TIDES[0]!, { value: 'high', label: 'Flood' }], false],
  ['one switched off', [TIDES[0]!, { ...TIDES[1]!, disabled: true }], false],
  ['another order', [...TIDES].reverse(), false],
  ['a group instead', [TIDES[0]!, { label: 'High', options: [{ value: 'high', label: 'High' }] }], false],
])('lists that offer the same: %s', (_, other, same) => {
  expect(areSameOptions(TIDES, other)).toBe(same);
});

test('groups are compared by what is in them', () => {
  const group = (label: string): readonly SelectOption[] => [
    { label: 'Sea', options: [{ value: 1, label }] },
  ];
  expect(areSameOptions(group('Kelp'), group('Kelp'))).toBe(true);
  expect(areSameOptions(group('Kelp'), group('Sand'))).toBe(false);
});

test('whoever uses it is told when it is opened and when it is shut', async () => {
  const told: boolean[] = [];
  const wrapper = mount(SelectField, {
    props: { name: 'Tide', options: TIDES },
    attrs: { onDropdownVisibleChange: (is: boolean) => told.push(is) },
    attachTo: document.body,
    global: { plugins: [Antd] },
  });
  const press = () => wrapper.find('.ant-select-selector').trigger('mousedown');
  await press();
  expect(told).toEqual([true]);
  expect(wrapper.find('input').attributes('aria-expanded')).toBe('true');
  await press();
  expect(told).toEqual([true, false]);
  expect(wrapper.find('input').attributes('aria-expanded')).toBe('false');
});
