/** Import direction (design, part 3): web -> contract, core; server -> contract, core; contract -> core (types only); core -> nothing of ours. */
const rank = {
  units: 0,
  air: 1,
  film: 1,
  cure: 2,
  mix: 2,
  hull: 2,
  system: 3,
  supply: 3,
  waterline: 3,
  inspect: 3,
  plan: 4,
};
const coreRules = Object.entries(rank).map(([name, level]) => ({
  name: `core-${name}-imports-downwards`,
  severity: 'error',
  from: { path: `^src/core/${name}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: `^src/core/(${Object.keys(rank)
      .filter((other) => other !== name && rank[other] >= level)
      .join('|')})/`,
  },
}));
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/core/' },
    },
    {
      name: 'core-by-its-faces',
      comment: 'other modules are imported through their index.ts only',
      severity: 'error',
      from: { path: '^src/(?:core/([^/]+)|contract|server|web)/' },
      to: { path: '^src/core/[^/]+/(?!index\\.ts$)', pathNot: '^src/core/$1/' },
    },
    {
      name: 'contract-takes-types-from-core',
      severity: 'error',
      from: { path: '^src/contract/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(core|server|web)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^src/server/' }, to: { path: '^src/web/' } },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^src/web/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(src/server|demo)/' },
    },
    ...coreRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
