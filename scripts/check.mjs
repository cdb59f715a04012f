import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { build, CHROMIUM, freePort, install, NEXT, run } from './steps.mjs';

/**
 * Everything that must hold, from a fresh clone: packages, Chromium, types, lint, import
 * boundaries, unit tests, build, first load, browser tests. Last line: N passed, N failed.
 */
let passed = 0;
let failed = 0;
const count = (name, ok) => {
  if (ok) passed++;
  else {
    failed++;
    console.log(`FAILED: ${name}`);
  }
  return ok;
};
const finish = () => {
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exit(failed > 0 ? 1 : 0);
};
const node = (...args) => run(process.execPath, args);
const bin = (name, ...args) => run(`node_modules/.bin/${name}`, args);

if (!count('install', install())) finish();
if (!existsSync(CHROMIUM)) {
  console.log('Installing Chromium ...');
  const apt = (...args) =>
    run('apt-get', ['-q', '-y', ...args], { stdio: ['ignore', 'ignore', 'inherit'] });
  count('chromium', apt('update') && apt('install', 'chromium') && existsSync(CHROMIUM));
}

count('route types', node(NEXT, 'typegen'));
count('types', bin('tsc', '--noEmit'));
count('lint', bin('eslint', '.', '--max-warnings', '0'));
count(
  'format',
  bin(
    'prettier',
    '--log-level',
    'warn',
    '--check',
    'src/**/*.{ts,tsx,css}',
    'e2e/**/*.ts',
    'scripts/**/*.{mjs,ts}',
  ),
);
count(
  'import boundaries',
  bin('depcruise', 'src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'),
);

mkdirSync('test-results', { recursive: true });
const read = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
};
const jestFile = 'test-results/jest.json';
rmSync(jestFile, { force: true });
const jestOk = bin('jest', '--json', `--outputFile=${jestFile}`, '--silent', '--maxWorkers=2');
const jest = read(jestFile);
passed += jest?.numPassedTests ?? 0;
failed += (jest?.numFailedTests ?? 0) + (jest?.numRuntimeErrorTestSuites ?? 0);
if (!jestOk && !jest?.numFailedTests) count('jest', false);

if (count('build', build())) {
  count('first load', node('scripts/first-load.mjs'));
  const e2eFile = 'test-results/e2e.json';
  rmSync(e2eFile, { force: true });
  const port = await freePort(4310);
  const e2eOk = run('node_modules/.bin/playwright', ['test'], {
    env: {
      ...process.env,
      NEXT_TELEMETRY_DISABLED: '1',
      NELVIX_PORT: String(port),
      PLAYWRIGHT_JSON_OUTPUT_NAME: e2eFile,
    },
  });
  const e2e = read(e2eFile)?.stats;
  passed += (e2e?.expected ?? 0) + (e2e?.flaky ?? 0);
  failed += e2e?.unexpected ?? 0;
  if (!e2eOk && !e2e?.unexpected) count('browser tests', false);
}
finish();
