/** One direction of dependence: app → core ← server, the contract beside the core. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'contract-computes-nothing',
      severity: 'error',
      comment: 'The contract holds schemas, operations and words: what computes is the core’s.',
      from: { path: '^contract/src', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/src/(maths|wear|assess|routines|learning|listening|sound)/|node_modules/(d3-|simple-statistics)',
      },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(contract|simulators|server|app|e2e|scripts)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'The core knows neither React, Node nor the page.',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(react|react-native|expo|express|sequelize)|node_modules/(react|react-native|expo[^/]*|express|sequelize)/',
      },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'contract-on-core-only',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(simulators|server|app|e2e|scripts)/' },
    },
    {
      name: 'simulators-on-core-only',
      severity: 'error',
      from: { path: '^simulators/' },
      to: { path: '^(server|app|e2e|scripts)/' },
    },
    { name: 'server-without-app', severity: 'error', from: { path: '^server/' }, to: { path: '^(app|e2e)/' } },
    {
      name: 'app-without-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|simulators|e2e)/' },
    },
    {
      name: 'e2e-sees-what-a-player-sees',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^(core|contract|server|app|simulators)/' },
    },
    {
      name: 'rows-through-the-store',
      severity: 'error',
      comment: 'Models are reached through the household scope, not from routes.',
      from: { path: '^server/src/(routes|http)/' },
      to: { path: '^server/src/database/models' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|assets|test-results)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.depcruise.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
