import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demo, demoPath, exactly, testBody, testJob, testLens } from '../core/test-kit';
import { main } from './nelvix';

const dir = mkdtempSync(join(tmpdir(), 'nelvix-'));
const file = (name: string, text: string) => {
  const path = join(dir, name);
  writeFileSync(path, text);
  return path;
};
const run = (...args: string[]) => {
  let out = '';
  let err = '';
  const code = main(
    args,
    (t) => (out += t),
    (t) => (err += t),
  );
  return { code, out, err };
};

describe('nelvix check', () => {
  test('1 when something fails, with every rig in the report', () => {
    const { code, out } = run('check', demoPath(), '--json');
    expect(code).toBe(1);
    const r = JSON.parse(out);
    expect(r).toMatchObject({ format: 'nelvix-report', version: 1 });
    expect(r.rigs.map((x: { id: string }) => x.id)).toEqual(demo().rigs.map((x) => x.id));
    expect(r.counts.fail).toBeGreaterThan(0);
  });

  test('0 when nothing fails', () => {
    const job = testJob({
      body: testBody({ flange: exactly(20) }),
      lens: testLens({ flange: exactly(44), imageCircle: [{ diameter: exactly(50) }] }),
    });
    const { code, out } = run('check', file('fine.nelvix.json', JSON.stringify(job)));
    expect(code).toBe(0);
    expect(out).toContain('0 fail');
  });

  test('2 when the file cannot be used, every problem on standard error', () => {
    const job = JSON.parse(JSON.stringify(demo()));
    job.kit[0].width = 'x';
    job.rigs[0].frames[0].aspect = -1;
    const { code, out, err } = run('check', file('bad.nelvix.json', JSON.stringify(job)), '--json');
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err.trim().split('\n')).toHaveLength(2);
    expect(err).toContain('kit[0].width: found "x"');
  });

  test('2 with a word for wrong calls', () => {
    expect(run().err).toContain('Usage');
    expect(run('check').code).toBe(2);
    expect(run('check', 'a', 'b').code).toBe(2);
    expect(run('check', demoPath(), '--yaml').err).toContain('There is no --yaml here');
    expect(run('check', join(dir, 'none.json')).err).toContain('there is no such file');
    expect(run('check', dir).err).toContain('cannot be read');
    expect(run('--help')).toMatchObject({ code: 0 });
  });

  test('the command as it is called, from a shell', () => {
    const r = spawnSync('npm', ['run', '--silent', 'nelvix', '--', 'check', demoPath(), '--json'], {
      encoding: 'utf8',
      cwd: join(__dirname, '../..'),
    });
    expect(r.status).toBe(1);
    expect(JSON.parse(r.stdout).format).toBe('nelvix-report');
  }, 30_000);
});
