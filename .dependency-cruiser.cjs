// The one direction of imports: web -> contract -> core <- contract <- server, and inside core each
// folder may use only the folders below it in this list.
const order = [
  'quantity',
  'meter',
  'limits',
  'plate',
  'electrical',
  'fit',
  'finding',
  'drivetrain',
  'air',
  'motion',
  'energy',
  'machine',
  'vfd',
  'trend',
  'live',
  'installed',
  'judge',
  'commission',
  'speed-change',
  'trace',
  'stock',
  'job',
  'round',
  'calc',
  'how-to',
]
const notTest = '\\.test\\.tsx?$'
const layers = order.map((folder, i) => ({
  name: `core-${folder}-imports-down`,
  severity: 'error',
  from: { path: `^core/src/${folder}/` },
  to: { path: `^core/src/(${order.slice(i + 1).join('|') || 'none'})/` },
}))
const core = { path: '^core/src', pathNot: notTest }

module.exports = {
  forbidden: [
    ...layers,
    {
      name: 'core-folder-is-known',
      comment: 'a new core folder takes its place in the order first',
      severity: 'error',
      from: { path: `^core/src/(?!(${order.join('|')})/)` },
      to: {},
    },
    {
      name: 'core-folders-through-their-index',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: notTest },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: core,
      to: {
        path: '(^|/)node_modules/(react|react-dom|react-[^/]+|antd|@ant-design|express|express-[^/]+|drizzle-[^/]+|pg)(/|$)|^(server|web|contract|demo)/',
      },
    },
    { name: 'core-no-node', severity: 'error', from: core, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-only-declared',
      severity: 'error',
      from: core,
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown', 'npm-dev', 'unknown', 'undetermined'] },
    },
    {
      name: 'contract-uses-core-only',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|demo)/' },
    },
    { name: 'demo-not-server-or-web', severity: 'error', from: { path: '^demo/' }, to: { path: '^(server|web)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|demo)/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^web/' } },
    {
      name: 'web-features-through-their-index',
      severity: 'error',
      from: { path: '^web/src/features/([^/]+)/' },
      to: { path: '^web/src/features/[^/]+/', pathNot: ['^web/src/features/$1/', '/index\\.tsx?$'] },
    },
    {
      name: 'offline-core-without-react',
      comment: 'the outbox and the cache run the same in a test, a worker or a page',
      severity: 'error',
      from: { path: '^web/src/offline/core/', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '(^|/)node_modules/(react|react-dom|react-[^/]+|antd|@ant-design|@reduxjs)(/|$)|^web/src/(app|features|parts|offline/react)/',
      },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^virtual:|[?](url|raw|worker|worker&url)$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.tsc)/' },
    tsPreCompilationDeps: true,
    combinedDependencies: false,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
