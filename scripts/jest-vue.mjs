// Lets Jest load single-file components: the compiler that the build uses, then the same TypeScript step as every other module.
import { compileScript, parse } from 'vue/compiler-sfc';
import { transformSync } from '@swc/core';

const process = (source, path) => {
  const { descriptor, errors } = parse(source, { filename: path });
  if (errors.length > 0) throw errors[0];
  const { content } = compileScript(descriptor, {
    id: path,
    inlineTemplate: true,
    fs: undefined,
  });
  return transformSync(content, {
    filename: path,
    jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  });
};

export default { process, processAsync: async (source, path) => process(source, path) };
