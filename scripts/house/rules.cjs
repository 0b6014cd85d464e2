// The arrows of the house: web, player and server point to core; one folder of core reaches another by its door alone.
// `look.mjs` holds every file against them; `house.test.mjs` plants a violation of each.
const core = '^core/([^/]+)/'

/** The rooms of the server, from the top down: each knows what is below it, and nothing above. */
const ROOMS = [
  'app\\.ts|main\\.ts|dev\\.ts|index\\.ts|commands|routes|live|standIns',
  'results',
  'people',
  'talk',
  'classes',
  'learning',
  'lessons',
  'media',
  'web',
  'threads|print|jobs|drafts',
  'http',
  'context\\.ts',
  'database',
  'settings\\.ts|locales',
]
const within = (rooms) => `^server/(${rooms.join('|')})(/|$)`
const roomsLookDown = ROOMS.slice(1).map((room, index) => ({
  name: 'server-looks-down',
  comment: 'What a higher room must tell a lower one comes as an event or an argument.',
  severity: 'error',
  from: { path: within([room]), pathNot: '\\.test\\.ts$' },
  to: { path: within(ROOMS.slice(0, index + 1)) },
}))

module.exports = {
  forbidden: [
    ...roomsLookDown,
    {
      name: 'server-has-rooms',
      comment: 'A new folder of the server gets its place in the order of rooms.',
      severity: 'error',
      from: {},
      to: { path: '^server/', pathNot: [within(ROOMS), '^server/(testing|node_modules)/'] },
    },
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
      name: 'demo-is-no-foundation',
      comment: 'The demo and the browser tests are at the very top: nothing that ships needs them.',
      severity: 'error',
      from: { path: '^(core|player|web|server|scripts)/' },
      to: { path: '^(demo|e2e)/' },
    },
    {
      name: 'express-stays-above',
      comment: 'What the server does is done without knowing that it was asked for over HTTP.',
      severity: 'error',
      from: {
        path: within(ROOMS.slice(1).filter((room) => room !== 'http')),
        // The routes of a room, and what answers with a file, are asked over HTTP themselves.
        pathNot: '(\\.test|/routes|/send[A-Za-z]+)\\.ts$',
      },
      to: { path: 'node_modules/(@types/)?express/' },
    },
    {
      name: 'everything-is-there',
      severity: 'error',
      from: {},
      // Types alone, which only their own package of types has.
      to: { couldNotResolve: true, pathNot: '^pdfmake/interfaces' },
    },
    {
      name: 'packages-are-listed',
      comment:
        'A package that is there by chance, since another one needs it, may be gone tomorrow.',
      severity: 'error',
      from: { pathNot: '\\.d\\.ts$' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
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
          '(\\.test\\.ts|\\.spec\\.ts|vite\\.config\\.ts|main\\.ts|load\\.ts|generate\\.ts|commands/[^/]+\\.ts|/public/[^/]+\\.js|shims.*\\.ts|\\.cjs|\\.d\\.ts)$',
      },
      to: {},
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    // Tests may use what the house as a whole has.
    combinedDependencies: true,
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
