/** Import direction (design, part 3): web -> contract, core; server -> contract, core, and within it endpoints -> views -> memory -> rows -> db; contract -> core (types only); core -> nothing of ours. */
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
  practice: 4,
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
/** Places of the web, each a folder. */
const PLACES =
  'bench|findings|hull|log|materials|settings|board|stands|stock|survey|systems|tools|waterline|weather|window';

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'but for small pure numeric packages: the place of the sun',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/core/|^node_modules/(?:suncalc|dinero\\.js)/' },
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
      // But for the table of limits, which border and core share.
      to: { path: '^src/(core/(?!units/)|server|web)', dependencyTypesNot: ['type-only'] },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^src/server/' }, to: { path: '^src/web/' } },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^src/web/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(src/server|demo)/' },
    },
    {
      name: 'server-not-demo',
      severity: 'error',
      from: { path: '^src/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^demo/' },
    },
    {
      name: 'endpoints-know-no-sql',
      comment:
        'endpoints import neither Drizzle nor the tables nor each other: what they need of the rows has a name there',
      severity: 'error',
      from: { path: '^src/server/endpoints/(?!index\\.ts$)' },
      to: { path: '^node_modules/drizzle-orm|^src/server/(endpoints|db/schema)' },
    },
    {
      name: 'sql-in-its-rooms',
      severity: 'error',
      from: { path: '^src/server/', pathNot: '^src/server/(rows|db)/|\\.test\\.ts$' },
      to: { path: '^node_modules/drizzle-orm|^src/server/db/schema' },
    },
    {
      name: 'rows-downwards',
      severity: 'error',
      from: { path: '^src/server/rows/' },
      to: { path: '^src/server/(endpoints|views|memory|http|air|access|documents|workers)/' },
    },
    {
      name: 'db-downwards',
      severity: 'error',
      from: { path: '^src/server/db/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/(?!db/)' },
    },
    {
      name: 'views-and-memory-know-no-http',
      severity: 'error',
      from: { path: '^src/server/(views|memory|air)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/(endpoints|http|access)/|^node_modules/express' },
    },
    {
      name: 'memory-below-views',
      severity: 'error',
      from: { path: '^src/server/memory/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/views/' },
    },
    {
      name: 'places-apart',
      comment:
        'a place of the web imports no other place: only parts, forms, words, api, state, clock, units, workers',
      severity: 'error',
      from: { path: `^src/web/(${PLACES})/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `^src/web/(${PLACES})/`, pathNot: '^src/web/$1/' },
    },
    {
      name: 'shared-knows-no-place',
      severity: 'error',
      from: { path: '^src/web/(parts|forms|words|api|state|clock|units)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: `^src/web/(${PLACES}|shell)/` },
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
