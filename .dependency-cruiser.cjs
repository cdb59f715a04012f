/** The direction of imports: views and routes lean on db, workers and core; core leans on nothing of ours. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: '^src/(app|views|ui|db|workers|cli)' },
    },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^src/core', pathNot: '[.]test[.]ts$' },
      to: { path: 'node_modules/(react|react-dom|next|dexie|radix-ui|cmdk|comlink|recharts)' },
    },
    {
      name: 'db-below-views',
      severity: 'error',
      from: { path: '^src/db' },
      to: { path: '^src/(app|views|ui|workers|cli)' },
    },
    {
      name: 'workers-wrap-core-only',
      severity: 'error',
      from: { path: '^src/workers' },
      to: { path: '^src/(app|views|ui|db|cli)' },
    },
    {
      name: 'ui-below-views',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/(app|views|db|workers|cli)' },
    },
    {
      name: 'terminal-uses-core-only',
      severity: 'error',
      from: { path: '^src/cli' },
      to: { path: '^src/(app|views|ui|db|workers)' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'joi-stays-off-the-page',
      comment: 'validation runs in the file worker and the terminal; it is too heavy for the first load',
      severity: 'error',
      from: { path: '^src/(app|views|ui|db)', pathNot: '[.]test[.]tsx?$' },
      to: { path: 'node_modules/joi|^src/core/format/(joi|read-job|csv|backup)', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
