import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demo, demoPath, exactly, testBody, testJob, testLens } from '../core/test-kit';
import { writeJob } from '../core/format/read-job';
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
    const { code, out } = run('check', file('fine.nelvix.json', writeJob(job)));
    expect(code).toBe(0);
    expect(out).toContain('0 fail');
  });

  test('2 when the file cannot be used, every problem on standard error', () => {
    const job = JSON.parse(writeJob(demo()));
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

describe('nelvix map', () => {
  test('writes the shading at the worst setting, or at one that is asked for', () => {
    const { code, out } = run('map', demoPath(), '--rig', 'tug-b', '--size', '7x5');
    expect(code).toBe(0);
    const lines = out.trim().split('\n');
    expect(lines).toHaveLength(36);
    expect(lines[0]).toContain('front_stops');
    expect(lines.filter((l) => l.includes('Rill round polariser 77')).length).toBeGreaterThan(3);
    const long = run('map', demoPath(), '--rig', 'Tug, body B', '--size', '7x5', '--focal', '35');
    expect(long.out).not.toContain('Rill');
  });
  test('into a file, with a word about it', () => {
    const path = join(dir, 'map.csv');
    const args = ['--rig', 'anamorphic', '--stop', '4', '--focus', '2', '--out', path];
    const { code, out } = run('map', demoPath(), ...args);
    expect(code).toBe(0);
    expect(out).toBe(`Canal, anamorphic at T4, 2.00 m: 96 x 54 points in ${path}\n`);
    expect(readFileSync(path, 'utf8').trim().split('\n')).toHaveLength(96 * 54 + 1);
  });
  test('says what is wrong, what was found and what was expected', () => {
    const say = (...args: string[]) => run('map', demoPath(), ...args).err;
    expect(say('--rig', 'nobody')).toContain('found "nobody", expected one of tug-b (Tug, body B)');
    expect(say()).toContain('--rig: found nothing');
    expect(say('--rig', 'tug-b', '--size', 'big')).toContain('found "big", expected two numbers');
    expect(say('--rig', 'tug-b', '--stop', 'wide')).toContain('found "wide", expected a number');
    expect(say('--rig', 'tug-b', '--focus', 'near')).toContain('expected metres or infinity');
    expect(say('--rig', 'tug-b', '--colour', 'red')).toContain('There is no --colour here');
    expect(say('--rig')).toContain('expected a value behind it');
    expect(say('--rig', 'tug-b', '--out', join(dir, 'no', 'such'))).toContain('cannot be written');
    const job = testJob({ lens: testLens({ length: undefined }) });
    const bare = run('map', file('bare.json', writeJob(job)));
    expect(bare.code).toBe(2);
    expect(bare.err).toContain('entrance pupil of Test lens');
  });
});

describe('nelvix check --configuration', () => {
  test('the rigs that have it, as they stand in it', () => {
    const { code, out } = run(
      'check',
      demoPath(),
      '--verdicts',
      '--json',
      '--configuration',
      'cabin',
    );
    expect(code).toBe(1);
    const r = JSON.parse(out) as { rigs: { name: string; findings: { key: string }[] }[] };
    expect(r.rigs.map((x) => x.name)).toEqual(['Lockside, on the shoulder, cabin']);
    expect(r.rigs[0]!.findings.map((f) => f.key)).toContain('space.envelope:height');
    expect(r.rigs[0]!.findings.some((f) => f.key.startsWith('joint.twist:arm'))).toBe(false);
  });

  test('one that no rig has is refused with those that there are', () => {
    const { code, err } = run('check', demoPath(), '--configuration', 'moon');
    expect(code).toBe(2);
    expect(err).toMatch(
      /found "moon", expected one of upright \(of Tug.*, studio \(of Lockside.*, cabin \(of Lockside/,
    );
    expect(run('check', demoPath(), '--configuration').err).toMatch(/found nothing/);
  });
});

describe('nelvix configurations', () => {
  test('each against the rig itself: what gets worse, what is done, screws and tools', () => {
    const { code, out } = run('configurations', demoPath());
    expect(code).toBe(0);
    expect(out).toMatch(/^Tug, body B\n {2}the rig itself: \d+ fail/);
    expect(out).toMatch(/\nLockside, on the shoulder\n {2}the rig itself: \d+ fail/);
    expect(out).toMatch(/set: the side on top/);
    expect(out).toMatch(
      / {2}cabin: .*\n {4}worse: fail {2}space\.envelope .*4 mm over the 1150 mm/,
    );
    expect(out).toMatch(/moved: Spar arm: 36\.0 mm forward/);
    expect(out).toMatch(/screws: 2 x 1\/4-20 UNC x 18\.0 mm more/);
    const columns = JSON.parse(run('configurations', demoPath(), '--json').out) as {
      configurations: { name: string; column: { count: { fail: number } } }[];
    }[];
    const [tug, canal, lockside] = columns.map((r) => r.configurations);
    expect(canal!.map((c) => c.name)).toEqual(['the rig itself', 'on the mains']);
    expect(tug!.map((c) => c.name)).toEqual([
      'the rig itself',
      'upright',
      'long night',
      'screen up',
      'bare plate',
      'dummy battery',
      'drive on a lead',
      'switched outlet',
      'cold lock',
    ]);
    expect(lockside!.map((c) => c.name)).toEqual([
      'the rig itself',
      'studio',
      'shoulder',
      'cabin',
      'gimbal',
      'from hand to hand',
    ]);
    // The same count as when that one is checked by itself.
    const alone = JSON.parse(
      run('check', demoPath(), '--configuration', 'cabin', '--json', '--verdicts').out,
    ) as { counts: { fail: number } };
    expect(lockside![3]!.column.count.fail).toBe(alone.counts.fail);
  });

  test('a file that cannot be used, or no file, is said', () => {
    expect(run('configurations').code).toBe(2);
    expect(run('configurations', 'moon.json').err).toMatch(/there is no such file/);
    expect(run('configurations', demoPath(), '--moon').err).toMatch(/There is no --moon here/);
  });
});

describe('nelvix check --profile', () => {
  const holdTime = (...more: string[]) => {
    const { out } = run('check', demoPath(), '--json', '--verdicts', ...more);
    const r = JSON.parse(out) as {
      rigs: { id: string; findings: { id: string; state: string }[] }[];
    };
    return r.rigs
      .find((x) => x.id === 'wheelhouse-a')!
      .findings.find((f) => f.id === 'carry.hold-time')!.state;
  };

  test('who holds it is asked of a file, and forgotten again', () => {
    expect(holdTime()).toBe('unknown');
    expect(holdTime('--profile', file('me.json', '{"one": 40000}'))).toBe('ok');
    expect(holdTime()).toBe('unknown');
  });

  test('what is wrong with it is said, and nothing is checked', () => {
    for (const [text, says] of [
      ['{"one": "strong"}', /one: expected a number from 100 to 200000 in g/],
      ['nothing', /is not JSON/],
    ] as const) {
      const { code, out, err } = run('check', demoPath(), '--profile', file('bad.json', text));
      expect([code, out]).toEqual([2, '']);
      expect(err).toMatch(says);
    }
    expect(run('check', demoPath(), '--profile', join(dir, 'none.json')).err).toMatch(
      /cannot be read/,
    );
    expect(run('check', demoPath(), '--profile').err).toMatch(/expected a file/);
  });
});
