import { expect, test } from '@jest/globals';
import { leanRules } from './lean-rules';

const BUTTON = '[class^="ant-btn"], [class*=" ant-btn"]';
const BOX = { boxSizing: 'border-box' } as const;

test('the rule for all that lies within a component goes, all else stays', () => {
  const own = { fontSize: 13, ...BOX, '&::before, &::after': BOX };
  const rules = {
    [BUTTON]: { ...own, [BUTTON]: BOX },
    '.ant-btn': { color: 'red', '&:hover': { color: 'blue' } },
  };
  expect(leanRules.visit!(rules)).toEqual({ [BUTTON]: own, '.ant-btn': rules['.ant-btn'] });
});
