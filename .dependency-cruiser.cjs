/** Arrows run one way: app -> store -> core, app -> core, catalog -> core. The core imports nothing outside itself. */
module.exports = {
  forbidden: [
    { name: 'core-alone', severity: 'error', from: { path: '^core', pathNot: '\\.test\\.ts$|^core/testing' }, to: { pathNot: '^core' } },
    { name: 'catalog-on-core', severity: 'error', from: { path: '^catalog' }, to: { path: '^(app|store|ops|bench|e2e)/' } },
    { name: 'store-below-app', severity: 'error', from: { path: '^store' }, to: { path: '^(app|ops|bench|e2e)/', pathNot: '^ops/cluster' } },
    { name: 'app-not-ops', severity: 'error', from: { path: '^app' }, to: { path: '^(ops|bench|e2e)/' } },
    {
      name: 'browser-knows-no-store',
      comment: 'Islands may take types from the store, never its code.',
      severity: 'error',
      from: { path: '^app/(islands|ui)' },
      to: { path: '^(store|catalog)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
