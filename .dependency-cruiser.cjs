/**
 * Arrows run one way: app -> store, sync -> record -> core; catalog -> core. The core imports nothing outside itself but an edit distance, the record nothing but the core
 * and its shapes. A type counts as an import.
 */
const tests = '\\.test\\.tsx?$';
const inTests = '\\.test\\.tsx?$|testing\\.ts$|^(e2e|bench)/';
/** Rooms whose inside is met by their index alone, from outside and from each other; what is fetched when it is first opened is fetched by its own file. */
const byTheirFace = (rooms) => {
  const to = { path: rooms, dynamic: false };
  return [
    { name: 'by-the-face', severity: 'error', from: { pathNot: `${rooms}|^app/ui/page|${inTests}` }, to: { ...to, pathNot: `${rooms}index\\.ts$` } },
    {
      name: 'by-each-others-face',
      severity: 'error',
      from: { path: rooms, pathNot: inTests },
      to: { ...to, pathNot: `${rooms.replace(/\([^)]*\)/, '$1')}|/index\\.ts$` },
    },
  ];
};
module.exports = {
  forbidden: [
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: '^core', pathNot: `${tests}|testing\\.ts` },
      to: { pathNot: '^core|^node_modules/damerau-levenshtein' },
    },
    { name: 'record-on-core', severity: 'error', from: { path: '^record', pathNot: inTests }, to: { pathNot: '^(record|core)/|^node_modules/zod' } },
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
    {
      name: 'the-core-by-its-face',
      severity: 'error',
      from: { pathNot: `^core/|${inTests}` },
      to: { path: '^core/', pathNot: '^core/index\\.ts$', dynamic: false },
    },
    {
      name: 'the-record-by-its-face',
      severity: 'error',
      from: { pathNot: `^record/|${inTests}` },
      to: { path: '^record/', pathNot: '^record/index\\.ts$' },
    },
    {
      name: 'a-question-by-its-face',
      severity: 'error',
      from: { path: '^core/([a-z-]+)/', pathNot: inTests },
      to: { path: '^core/[a-z-]+/', pathNot: '^core/$1/|/index\\.ts$' },
    },
    ...byTheirFace('^store/(files|entries|images|database|rows|projections|queries|seed|own-parts)/'),
    ...byTheirFace('^app/http/(shapes|asked|door|answers)/'),
    ...byTheirFace('^app/ui/(book|chains|day|drawn|ends|form|held|keys|pictures|saved|units)/'),
    { name: 'no-circles', comment: 'Of types neither.', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
