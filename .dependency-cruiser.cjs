/** The arrows of docs/architecture.md: one direction, from the document to the screen; folders are entered by their doors. */
const CORE_ROOMS = ['quantity', 'fluid', 'shape', 'part', 'build', 'finding', 'model', 'sound', 'metal', 'run', 'flow', 'heat', 'fit', 'loop', 'list', 'rule', 'guard', 'inp', 'settle', 'choice', 'change', 'transient', 'power', 'bracket', 'measure', 'route', 'sheet', 'buy'];
/** What each room of the core may look into. */
const MAY = {
  quantity: [], fluid: ['quantity'], shape: [], part: ['fluid', 'shape'], build: ['part', 'shape'], finding: ['build'], model: ['build', 'part', 'shape'],
  sound: [], metal: ['build', 'part'], run: ['build', 'model', 'part', 'shape'], flow: ['build', 'fluid', 'model', 'part', 'quantity', 'run'],
  heat: ['build', 'flow', 'fluid', 'model', 'part', 'quantity', 'sound'], fit: ['build', 'model', 'part', 'run', 'shape'], loop: ['build', 'model', 'part', 'shape'],
  list: ['build', 'fit', 'fluid', 'model', 'part', 'power', 'run'], power: ['build', 'model', 'part'], bracket: ['part'], route: ['build', 'model', 'part', 'run', 'shape'], measure: ['part', 'shape'], buy: ['build', 'list', 'model', 'part'], sheet: ['build', 'quantity', 'run', 'shape'], guard: ['build', 'part'], settle: ['flow', 'heat', 'model', 'part', 'run'], choice: ['build', 'flow', 'heat', 'loop', 'model', 'part', 'run', 'settle', 'sound'],
  change: ['build', 'fit', 'heat', 'list', 'loop', 'model', 'part', 'quantity', 'route', 'rule', 'run', 'shape'], transient: ['build', 'flow', 'fluid', 'heat', 'model', 'part', 'quantity', 'run', 'sound'],
  inp: ['flow', 'fluid', 'model', 'quantity', 'run', 'shape'],
  rule: ['build', 'finding', 'fit', 'flow', 'heat', 'list', 'loop', 'metal', 'model', 'part', 'power', 'quantity', 'route', 'run', 'shape'],
};

/** Rooms that ask for whole evaluations. */
const OVER_EVALUATE = ['change'];

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'core-knows-nothing-above', severity: 'error', from: { path: '^src/core', pathNot: '\\.test\\.ts$' }, to: { path: '^(src/(?!core)|reference)' } },
    { name: 'core-no-outside-world', severity: 'error', from: { path: '^src/core' }, to: { path: 'node_modules/(react|next|drizzle|@libsql|@mui)' } },
    { name: 'core-no-node', severity: 'error', from: { path: '^src/core', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core'] } },
    ...CORE_ROOMS.map((room) => ({
      name: `core-${room}-arrows`, severity: 'error', from: { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^src/core/(?!(${[room, ...(MAY[room] ?? [])].join('|')})/${OVER_EVALUATE.includes(room) ? '|evaluate\\.ts$' : ''})` },
    })),
    { name: 'core-doors', severity: 'error', from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' }, to: { path: '^src/core/([^/]+)/(?!(index|schema|migrate)\\.ts$)', pathNot: '^src/core/$1/' } },
    { name: 'doors-from-outside', severity: 'error', from: { path: '^src/(?!core)' }, to: { path: '^src/core/[^/]+/(?!(index|schema)\\.ts$)' } },
    { name: 'catalogue-is-data', severity: 'error', from: { path: '^src/catalogue' }, to: { path: '^src/(?!catalogue|core)' } },
    { name: 'format-looks-down', severity: 'error', from: { path: '^src/format', pathNot: '\\.test\\.ts$' }, to: { path: '^src/(?!format|core)' } },
    { name: 'store-looks-down', severity: 'error', from: { path: '^src/store', pathNot: '\\.test\\.ts$' }, to: { path: '^src/(?!store|core)' } },
    { name: 'view-never-store', severity: 'error', from: { path: '^src/(view|worker)' }, to: { path: '^src/store' } },
    { name: 'view-server-types-only', severity: 'error', from: { path: '^src/(view|worker)' }, to: { path: '^src/server', dependencyTypesNot: ['type-only'] } },
    { name: 'view-no-guard', comment: 'Joi stays on the server: 55 kB', severity: 'error', from: { path: '^src/(view|worker)' }, to: { path: '(core/guard|/schema\\.ts$|node_modules/joi)' } },
    { name: 'server-looks-down', severity: 'error', from: { path: '^src/server' }, to: { path: '^src/(view|app|worker|cli)' } },
    { name: 'app-thin', severity: 'error', from: { path: '^src/app' }, to: { path: '^src/(store|worker|cli)' } },
    { name: 'nobody-imports-app-or-cli', severity: 'error', from: { pathNot: '^src/(app|cli)' }, to: { path: '^src/(app|cli)' } },
  ],
  options: { tsConfig: { fileName: 'tsconfig.json' }, tsPreCompilationDeps: true, doNotFollow: { path: 'node_modules' }, exclude: { path: '\\.(css|json)$' }, enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] } },
};
