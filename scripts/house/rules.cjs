// The arrows of the house: web, player and server point to core; one folder of core reaches another by its door alone.
const core = '^core/([^/]+)/'

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(player|web|server|demo|e2e)/' },
    },
    {
      name: 'core-knows-no-machine',
      comment: 'Node and DOM modules only in files that say so in their name.',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.(node|worker|test)\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-by-its-doors',
      severity: 'error',
      from: { path: core, pathNot: '\\.test\\.ts$' },
      to: { path: core, pathNot: ['^core/$1/', '^core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'player-knows-core-only',
      severity: 'error',
      from: { path: '^player/' },
      to: { path: '^(web|server|demo|e2e)/' },
    },
    {
      name: 'player-is-light',
      severity: 'error',
      from: { path: '^player/' },
      to: { path: 'node_modules/(primevue|vue-router|pinia|socket\\.io-client)/' },
    },
    {
      name: 'hosts-are-handed-in',
      comment: 'The player talks to a Host; only its own page chooses which.',
      severity: 'error',
      from: { path: '^player/(ui|session|media|frond)/' },
      to: { path: '^player/hosts/(server|preview)/' },
    },
    {
      name: 'web-knows-no-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e)/' },
    },
    {
      name: 'server-knows-no-screen',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|player|demo|e2e)/' },
    },
    {
      name: 'doors-from-outside',
      severity: 'error',
      from: { pathNot: '^core/' },
      to: { path: core, pathNot: '^core/[^/]+/index\\.ts$' },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot:
          '(\\.test\\.ts|\\.spec\\.ts|vite\\.config\\.ts|main\\.ts|load\\.ts|generate\\.ts|account\\.ts|/public/[^/]+\\.js|shims.*\\.ts|\\.cjs|\\.d\\.ts)$',
      },
      to: {},
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(node_modules/.+/node_modules|/dist/)' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.vue', '.js', '.json'],
    },
  },
}
