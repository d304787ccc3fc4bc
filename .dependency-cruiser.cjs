/** The layers: core < stage < intake < atelier; stage < show; core < server. Imports only point down. */
/** Tests, and what they share. */
const TESTS = '([.]test|[.]cases|/testing)[.]ts$';

const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may import only: ${allowed.join(', ')}`,
  from: { path: `^src/${from}/`, pathNot: TESTS },
  to: { path: '^src/', pathNot: allowed.map((layer) => `^src/${layer}/`) },
});

/** The order inside core: each folder, or file, may import what stands before it. */
const CORE = [
  ...['errors', 'units', 'text', 'memo', 'maths', 'graph', 'vision', 'tracking', 'face', 'hand'],
  // What a document is made of: plain schemas, then the kinds of things in it, then the document.
  ...['schema', 'formula', 'script', 'kinds', 'document'],
  ...['makeup', 'assets', 'grade', 'light', 'backdrop', 'surface', 'takes'],
  // What runs: the compiled effect, where things are, what particles and behaviour do.
  ...['program', 'placing', 'fountain', 'behave'],
  ...['edits', 'painter', 'requirements', 'checks', 'stock', 'package', 'contract', 'devices', 'rehearse'],
];
const inOrder = CORE.map((folder, i) => ({
  name: `core-order-${folder}`,
  severity: 'error',
  comment: `core/${folder} may import only: ${CORE.slice(0, i).join(', ') || 'nothing of core'}`,
  from: { path: `^src/core/${folder}(/|[.]ts)`, pathNot: TESTS },
  to: {
    path: '^src/core/',
    pathNot: CORE.slice(0, i + 1).map((lower) => `^src/core/${lower}(/|[.]ts)`),
  },
}));

module.exports = {
  forbidden: [
    ...inOrder,
    {
      name: 'core-has-an-order',
      severity: 'error',
      comment: 'A new folder of core has its place in the order above.',
      from: { path: '^src/' },
      to: { path: '^src/core/', pathNot: CORE.map((folder) => `^src/core/${folder}(/|[.]ts)`) },
    },
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
      to: { path: '([.]cases|/testing)[.]ts$' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core runs in browser, worker, server and tests: no DOM, Vue, three or Node packages.',
      // The tree that surfaces are asked by is made of three's geometry.
      from: { path: '^src/core/', pathNot: `(${TESTS}|^src/core/maths/surface-distance[.]ts$)` },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'npm-no-pkg', 'npm-unknown'],
        pathNot:
          'node_modules/(zod|immer|fast-json-patch|fflate|fast-xml-parser|saxes|fast-png|ag-psd|omggif|fontkit|@gltf-transform|meshoptimizer|earcut|jsep|three-mesh-bvh|acorn|acorn-walk|sucrase|quickjs-emscripten-core|@jitl)/',
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
