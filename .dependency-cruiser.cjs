/** The layers: core < stage < intake < atelier; stage < show; core < server. Imports only point down. */
/** Tests, and what they share. */
const TESTS = '([.]test|/testing)[.]ts$';

const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may import only: ${allowed.join(', ')}`,
  from: { path: `^src/${from}/`, pathNot: TESTS },
  to: { path: '^src/', pathNot: allowed.map((layer) => `^src/${layer}/`) },
});

module.exports = {
  forbidden: [
    only('core-imports-core', 'core', ['core']),
    only('stage-imports-down', 'stage', ['stage', 'core']),
    only('tracker-imports-down', 'tracker', ['tracker', 'core']),
    only('intake-imports-down', 'intake', ['intake', 'stage', 'core']),
    only('atelier-imports-down', 'atelier', ['atelier', 'intake', 'stage', 'tracker', 'core']),
    only('show-imports-down', 'show', ['show', 'stage', 'tracker', 'core']),
    only('server-imports-down', 'server', ['server', 'core']),
    {
      name: 'testing-is-for-tests',
      severity: 'error',
      comment: 'what tests share (testing.ts) may use more than what ships.',
      from: { path: '^src/', pathNot: TESTS },
      to: { path: '/testing[.]ts$' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core runs in browser, worker, server and tests: no DOM, Vue, three or Node packages.',
      from: { path: '^src/core/', pathNot: TESTS },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'npm-no-pkg', 'npm-unknown'],
        pathNot:
          'node_modules/(zod|immer|fast-json-patch|fflate|fast-xml-parser|saxes|fast-png|ag-psd|omggif|fontkit|@gltf-transform|meshoptimizer)/',
      },
    },
    {
      name: 'show-is-small',
      severity: 'error',
      comment: 'the show page carries no Vue and no component library.',
      from: { path: '^src/(show|stage|tracker|intake)/' },
      to: { path: 'node_modules/(vue|@vue|pinia|ant-design-vue|vue-router|@lucide)/' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'not-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^virtual:|[.]css$|[?]url$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
      extensions: ['.ts', '.vue', '.js', '.mjs'],
    },
  },
};
