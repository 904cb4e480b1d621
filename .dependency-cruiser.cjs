/** The rungs: each folder of core/src imports only those above it; server and web never meet. */
const RUNGS = [
  'quantity',
  'numeric',
  'practice',
  'instruments',
  'formats',
  'speed',
  'drive',
  'circuit',
  'workings',
  'families',
  'diagnosis',
  'bench',
  'marking',
  'training',
];

const rungRules = RUNGS.flatMap((rung, i) => {
  const below = RUNGS.slice(i + 1);
  if (below.length === 0) return [];
  return [
    {
      name: `core-${rung}-looks-up-only`,
      severity: 'error',
      from: { path: `^core/src/${rung}/` },
      to: { path: `^core/src/(${below.join('|')})/` },
    },
  ];
});

const only = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to: { path: to } });

module.exports = {
  forbidden: [
    {
      // Of types neither: what two files both speak of has a file of its own.
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...rungRules,
    // Machines answer by physics: nothing that advises may know them, and they know no family.
    only(
      'practice-and-advice-never-meet',
      '^core/src/(families|diagnosis|bench|drive|circuit)/',
      '^core/src/practice/',
    ),
    only('core-stands-alone', '^core/', '^(contract|server|web|cli|e2e|scripts)/'),
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    only('core-has-no-interface', '^core/src', 'node_modules/(react|@mui|express|knex|pg)/'),
    only('contract-imports-core-only', '^contract/', '^(server|web|cli|e2e)/'),
    only('server-and-web-never-meet', '^server/', '^(web|cli|e2e)/'),
    only('web-and-server-never-meet', '^web/', '^(server|cli|e2e)/'),
    // The job and the speed desk stand beside each other; what both measure with lies in features/measuring.
    only('job-and-speed-desk-never-meet', '^web/src/features/job/', '^web/src/features/speed/'),
    only('speed-desk-and-job-never-meet', '^web/src/features/speed/', '^web/src/features/job/'),
    only('workings-know-no-job', '^web/src/features/workings/', '^web/src/features/(job|speed|measuring)/'),
    only('measuring-knows-neither', '^web/src/features/measuring/', '^web/src/features/(job|speed)/'),
    only('cli-stays-thin', '^cli/', '^(server|web|e2e)/'),
    {
      name: 'sql-only-in-repositories',
      severity: 'error',
      from: {
        path: '^server/src',
        pathNot: '(^server/src/db/|^server/src/backup/|repository|jobs/lists|seed|data|main)',
      },
      to: { path: 'node_modules/(knex|pg)/' },
    },
    {
      name: 'front-doors-are-for-others',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '(index|\\.test|\\.test-data)\\.ts$' },
      to: { path: '^core/src/$1/index\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
