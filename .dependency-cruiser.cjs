/** Arrows point one way: web -> contract -> core, server -> contract -> core. core imports nothing of ours. */
const only = (name, from, ...allowed) => ({
  name,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(core|contract|server|web|e2e|bench|stand-ins|demo)/', pathNot: `^(${[from, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    only('core-imports-nothing-of-ours', 'core'),
    only('contract-imports-core-only', 'contract', 'core'),
    only('stand-ins-import-core-only', 'stand-ins', 'core'),
    only('server-imports-contract-and-core', 'server/src', 'contract', 'core', 'server'),
    only('web-imports-contract-and-core', 'web', 'contract', 'core'),
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'through-the-door',
      comment: 'A stage of core is entered by its index, not by its files.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.angular)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      mainFields: ['module', 'main', 'types'],
    },
  },
};
