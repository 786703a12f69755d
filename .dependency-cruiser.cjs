/**
 * Arrows run one way: app -> store, sync -> record -> core; catalog -> core. The core imports nothing outside itself, the record nothing but the core
 * and its shapes. A type counts as an import.
 */
const tests = '\\.test\\.tsx?$';
module.exports = {
  forbidden: [
    { name: 'core-alone', severity: 'error', from: { path: '^core', pathNot: `${tests}|^core/testing` }, to: { pathNot: '^core' } },
    { name: 'record-on-core', severity: 'error', from: { path: '^record', pathNot: tests }, to: { pathNot: '^(record|core)/|^node_modules/zod' } },
    { name: 'catalog-on-core', severity: 'error', from: { path: '^catalog' }, to: { path: '^(record|sync|app|store|ops|bench|e2e)/' } },
    { name: 'sync-on-record', severity: 'error', from: { path: '^sync', pathNot: tests }, to: { path: '^(app|store|catalog|ops|bench|e2e)/' } },
    {
      name: 'store-below-app',
      comment: 'Of what travels the store knows the shapes, not the ways.',
      severity: 'error',
      from: { path: '^store' },
      to: { path: '^(app|ops|bench|e2e|sync)/', pathNot: '^(ops/cluster|sync/(protocol|memory-device|push-pictures|device-schema))' },
    },
    { name: 'app-not-ops', severity: 'error', from: { path: '^app' }, to: { path: '^(ops|bench|e2e)/' } },
    {
      name: 'browser-knows-no-store',
      comment: 'Screens may take types from the store, never its code; their tests, which no browser gets, may hold them against the catalogue.',
      severity: 'error',
      from: { path: '^(app/(screens|ui)|sync)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(store|catalog)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'no-circles', comment: 'Of types neither.', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
