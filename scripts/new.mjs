/**
 * Writes the skeleton of something new, with its test and the line that registers it:
 *
 *   npm run new -- check AREA.NAME      a check of an area
 *   npm run new -- area NAME            an area, empty
 *   npm run new -- kind AREA.NAME       a kind of part that an area brings
 *   npm run new -- role AREA.NAME       what a piece can be on a rig as
 *
 * Nothing that is there is written over.
 */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import prettier from 'prettier';

const AREAS = 'src/core/areas';
const ROLES = 'src/core/roles/roles.ts';
const FIELDS = 'src/core/kit/fields.ts';
const FIGURES = 'src/core/figure/figures.ts';
const [what, name] = process.argv.slice(2);
const NAME = /^[a-z]+(-[a-z]+)*$/;

/** Ends with a sentence. */
function refuse(why) {
  process.stderr.write(`${why}\n`);
  process.exit(2);
}

const camel = (words) => words.replace(/[-.](\w)/g, (_m, c) => c.toUpperCase());

async function write(file, text) {
  if (existsSync(file)) refuse(`${file} is there already; nothing was written.`);
  mkdirSync(join(file, '..'), { recursive: true });
  const style = await prettier.resolveConfig(file);
  writeFileSync(file, await prettier.format(text, { ...style, parser: 'typescript' }));
  process.stdout.write(`written: ${file}\n`);
}

/** Adds an import behind the last one of its sort, and an element at the end of a list. */
async function register(file, line, list, element, end = ']') {
  const text = readFileSync(file, 'utf8');
  const imports = [...text.matchAll(/^import .*;$/gm)];
  const last = imports.at(-1);
  const open = text.indexOf(list);
  if (!last || open < 0) refuse(`${file}: found no ${list}, so nothing can be registered there.`);
  const close = text.indexOf(end, open + list.length);
  const inside = text
    .slice(open + list.length, close)
    .trim()
    .replace(/,$/, '');
  const next =
    text.slice(0, last.index + last[0].length) +
    `\n${line}` +
    text.slice(last.index + last[0].length, open + list.length) +
    `${inside}${inside === '' ? '' : ', '}${element}` +
    text.slice(close);
  const style = await prettier.resolveConfig(file);
  writeFileSync(file, await prettier.format(next, { ...style, parser: 'typescript' }));
  process.stdout.write(`one line: ${file}\n`);
}

async function check(id) {
  const { area, short, words } = named(id, 'a check', 'space.reach');
  const file = join(AREAS, area, 'area.ts');
  const constant = camel(id);
  await write(
    join(AREAS, area, 'checks', `${short}.ts`),
    `import type { Check } from '../../../checks/check';
import { plainVerdict } from '../../../checks/judge';

export const ${constant}: Check = {
  id: '${id}',
  title: '${words[0].toUpperCase()}${words.slice(1)}',
  short: '${words}',
  says: 'What this check tells, in a sentence or two: which numbers of which parts, and what they may not be.',
  formula: 'left - right',
  run({ body }) {
    if (!body) return [];
    // \`judge\` makes a verdict of a margin over inputs with tolerances; this one has none yet.
    return [
      plainVerdict({
        id: '${id}',
        about: [body.id],
        station: 0,
        state: 'unknown',
        why: \`Nobody has said yet what ${words} means for \${body.name}.\`,
        sum: 'No sum.',
        basis: '[math]',
      }),
    ];
  },
};
`,
  );
  await write(
    join(AREAS, area, 'checks', `${short}.test.ts`),
    `import { build } from '../../../build/build';
import { testJob } from '../../../test-kit';
import { ${constant} } from './${short}';

describe('${id}', () => {
  test('a missing number is unknown, never ok', () => {
    const job = testJob();
    for (const v of ${constant}.run(build(job, job.rigs[0]))) expect(v.state).toBe('unknown');
  });

  test.todo('worked by hand: say the numbers, the sum, and the source of the formula');
});
`,
  );
  await register(file, `import { ${constant} } from './checks/${short}';`, 'checks: [', constant);
  process.stdout.write(
    'next: the margin and its test; `npm run docs`; a rig of the demo that it speaks of.\n',
  );
}

async function area(id) {
  if (!NAME.test(id)) refuse(`${id}: an area is called by a word of small letters: power.`);
  const constant = camel(id);
  const title = id[0].toUpperCase() + id.slice(1);
  await write(
    join(AREAS, id, 'area.ts'),
    `import type { Area } from '../../checks/area';

/** ${title}: what it is about. */
export const ${constant}: Area = {
  id: '${id}',
  name: '${title}',
  says: 'what it is about, in half a sentence',
  checks: [],
};
`,
  );
  await register(
    join(AREAS, 'registry.ts'),
    `import { ${constant} } from './${id}/area';`,
    'readonly Area[] = [',
    constant,
  );
  process.stdout.write(
    `next: npm run new -- check ${id}.NAME; its line in docs/architecture.md.\n`,
  );
}

/** Splits AREA.NAME and looks whether there is such an area. */
function named(id, what, example) {
  const [area, short, ...more] = id.split('.');
  if (!short || more.length > 0 || !NAME.test(area) || !NAME.test(short))
    refuse(`${id}: ${what} is called AREA.NAME, small letters and dashes: ${example}.`);
  if (!existsSync(join(AREAS, area, 'area.ts')))
    refuse(`${area}: there is no such area; npm run new -- area ${area} makes it.`);
  return { area, short, words: short.replace(/-/g, ' ') };
}

async function kind(id) {
  const { area, short, words } = named(id, 'a kind', 'carry.tripod-head');
  const file = join(AREAS, area, 'kit/kinds.ts');
  if (!existsSync(file)) {
    await write(
      file,
      `import { COMMON, mm, type KindDef } from '../../../engine/field';

/** The kinds of parts of this area, and what each can say. */
export const kinds = {} satisfies Record<string, KindDef>;
`,
    );
    await register(
      FIELDS,
      `import { kinds as ${camel(area)} } from '../areas/${area}/kit/kinds';`,
      'const ALL = {',
      `...${camel(area)}`,
      '}',
    );
  }
  const text = readFileSync(file, 'utf8');
  if (text.includes(`'${short}': {`) || text.includes(` ${short}: {`))
    refuse(`${file} has ${short} already; nothing was written.`);
  const end = text.lastIndexOf('} satisfies');
  const entry = `'${short}': { one: '${words}', many: '${words}s', fields: [COMMON[0]!, mm('length', 'length', 1000, { first: true }), ...COMMON.slice(1)] },\n`;
  const style = await prettier.resolveConfig(file);
  const next = text.slice(0, end) + entry + text.slice(end);
  writeFileSync(file, await prettier.format(next, { ...style, parser: 'typescript' }));
  process.stdout.write(`one entry: ${file}\n`);
  await figure(area, short);
  process.stdout.write(
    `next: its fields; its drawing in ${join(AREAS, area, 'kit/figure.ts')}; its type in ${join(AREAS, area, 'kit/parts.ts')} where checks read them; npm run docs.\n`,
  );
}

/** How a kind is drawn by itself: its length, and its mass beside it. */
async function figure(area, short) {
  const file = join(AREAS, area, 'kit/figure.ts');
  if (!existsSync(file)) {
    await write(
      file,
      `import type { DrawFigure } from '../../../engine/figure';
import type { kinds } from './kinds';

export const figures = {} satisfies Record<keyof typeof kinds, DrawFigure>;
`,
    );
    await register(
      FIGURES,
      `import { figures as ${camel(area)} } from '../areas/${area}/kit/figure';`,
      'const FIGURES: Readonly<Record<Kind, DrawFigure>> = {',
      `...${camel(area)}`,
      '}',
    );
  }
  const text = readFileSync(file, 'utf8');
  const end = text.lastIndexOf('} satisfies');
  const entry = `'${short}': (pen) => {
  const length = pen.size('length', 50);
  const side = pen.view('side');
  side.rect([0, -10], [length.v, 10], [length]);
  side.across(length, 0, length.v, 'below', -10);
  side.note('mass', [length.v / 2, 10]);
},\n`;
  const style = await prettier.resolveConfig(file);
  const before = text.slice(0, end).trimEnd();
  const next = `${before}${/[,{]$/.test(before) ? '' : ','}\n${entry}${text.slice(end)}`;
  writeFileSync(file, await prettier.format(next, { ...style, parser: 'typescript' }));
  process.stdout.write(`one entry: ${file}\n`);
}

async function role(id) {
  const { area, short, words } = named(id, 'a role', 'carry.head');
  const constant = `${camel(short)}Role`;
  await write(
    join(AREAS, area, 'roles', `${short}.ts`),
    `import type { Role } from '../../../edit/role';

/** ${words[0].toUpperCase()}${words.slice(1)}: what stands on a rig as it. */
export const ${constant}: Role = {
  id: '${short}',
  kinds: ['${short}'],
  what: 'a ${words}',
  list: { list: '${camel(short)}s', seat: 'face', set: [], place: { station: 'station' } },
};
`,
  );
  await write(
    join(AREAS, area, 'roles', `${short}.test.ts`),
    `import { deedsOf, putOn, takenOff } from '../../moves';
import { withChanges } from '../../../edit/edit';
import { partsOn } from '../../../roles/uses';
import { testJob } from '../../../test-kit';
import { ${constant} } from './${short}';

describe('${short}', () => {
  test('goes on, is on, and comes off again', () => {
    const part = { id: 'piece', kind: ${constant}.kinds[0]!, name: 'Piece' };
    const job = testJob();
    const all = { ...job, kit: [...job.kit, part] };
    const on = withChanges(all, putOn(all, all.rigs[0]!, part)!.changes);
    expect(partsOn(on.rigs[0]!)).toContain('piece');
    expect(deedsOf(on, on.rigs[0]!).map((d) => d.title)).toContain('Take Piece off');
    const off = withChanges(on, takenOff(on.rigs[0]!, part));
    expect(partsOn(off.rigs[0]!)).not.toContain('piece');
  });
});
`,
  );
  await register(
    ROLES,
    `import { ${constant} } from '../areas/${area}/roles/${short}';`,
    'readonly Role[] = [',
    constant,
  );
  process.stdout.write(
    `next: the kinds it takes, how it is seated; moves of ${area}/moves/roles.ts where more has to follow.\n`,
  );
}

const MAKES = { check, area, kind, role };
if (!Object.hasOwn(MAKES, what ?? '') || !name)
  refuse(`npm run new -- ${Object.keys(MAKES).join('|')} NAME`);
await MAKES[what](name);
