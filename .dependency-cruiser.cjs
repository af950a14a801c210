/** The house: arrows point down only; other folders use a folder's front door. */
const below = {
  core: [],
  trade: ['core'],
  contract: ['core'],
  server: ['core', 'trade', 'contract'],
  web: ['core', 'trade', 'contract'],
  cli: ['core', 'trade'],
  demo: ['core', 'trade', 'contract'],
}
const layers = Object.keys(below)
/** the rooms of the diagnosis, in the order in which data flows: each uses those before it */
const rooms = ['catalogue', 'signatures', 'evidence', 'belief', 'choice', 'account', 'quality']

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...layers.map((layer) => ({
      name: `${layer}-looks-down-only`,
      comment: `${layer} may use ${below[layer].join(', ') || 'nothing of the house'}`,
      severity: 'error',
      // tests of the lower layers too: what needs more is tried where more is known
      from: { path: `^${layer}/`, ...(['core', 'trade', 'contract'].includes(layer) ? {} : { pathNot: '\\.test\\.ts$' }) },
      to: { path: `^(${layers.filter((other) => other !== layer && !below[layer].includes(other)).join('|')})/` },
    })),
    ...rooms.map((room, at) => ({
      name: `diagnosis-${room}-looks-back-only`,
      comment: 'a room of the diagnosis uses those before it, by their front doors',
      severity: 'error',
      from: { path: `^core/diagnosis/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/diagnosis/', pathNot: [`^core/diagnosis/${room}/`, ...rooms.slice(0, at).map((other) => `^core/diagnosis/${other}/index\\.ts$`)] },
    })),
    {
      name: 'core-front-doors',
      comment: 'a folder of core is used through its index.ts',
      severity: 'error',
      from: { path: '^core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/([^/]+)/', pathNot: ['^core/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-is-pure',
      comment: 'no screen, no network, no database',
      severity: 'error',
      from: { path: '^(core|trade)/', pathNot: ['\\.test\\.ts$', '^trade/shipped\\.ts$'] },
      to: { path: 'node_modules/(vue|fastify|drizzle-orm|mysql2|pinia|vuetify)|^(node:|fs$|http$|net$)' },
    },
    {
      name: 'database-in-queries-only',
      severity: 'error',
      from: { path: '^server/', pathNot: ['queries\\.ts$', '^server/database/', '^server/test', '\\.test\\.ts$'] },
      to: { path: 'node_modules/(drizzle-orm|mysql2)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default', 'types'], extensions: ['.ts', '.js', '.mjs', '.vue', '.json'] },
  },
}
