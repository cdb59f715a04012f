import { ruleName } from '../src/core/rules/names';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { CHECKS } from '../src/core/areas/checks';
import { columns } from '../src/core/format/csv-columns';
import { jobJsonSchema } from '../src/core/format/json-schema';
import { expectation, JOB_SHAPE, shapeOfField, type Shape } from '../src/core/format/shape';
import { editPicture } from './edit-picture';
import { JOB_WORDS } from './job-words';
import { FIELDS, KIND_NAME, KINDS, type Field } from '../src/core/kit/fields';
import { hintOf } from '../src/core/words/hints';
import { labelOf, reasonsOf, SHELF } from '../src/core/shelf/shelf';
import { safeAngles, sceneStop, shutterTime, stopsOfDensity } from '../src/core/optics/exposure';
import { stopsGained } from '../src/core/optics/reducer';
import { REASONS } from '../src/core/rules/reasons';
import { RULES } from '../src/core/rules/rules';

const row = (...cells: (string | number)[]) => `| ${cells.join(' | ')} |`;
const f2 = (v: number, n = 2) => v.toFixed(n);
const rule = (columns: number) => row(...Array<string>(columns).fill('---'));

/** Writes the parts of docs/ that follow from the code: schema, check catalogue, fields, rules. */
function main() {
  mkdirSync('docs', { recursive: true });
  writeFileSync('docs/edit.svg', editPicture());
  writeFileSync('docs/nelvix-job.schema.json', `${JSON.stringify(jobJsonSchema(), null, 2)}\n`);
  writeFileSync('docs/checks.md', checksPage());
  writeFileSync('docs/light.md', lightPage());
  writeFileSync('docs/shelf.md', shelfPage());
  writeFileSync('src/views/help/glossary.json', glossaryList());
  const file = 'docs/format.md';
  const text = between(readFileSync(file, 'utf8'), 'fields', kindsPage());
  writeFileSync(file, between(text, 'job', jobTable()));
}

/** The catalogue of checks, and the house rules. */
function checksPage(): string {
  const checks = CHECKS.map(
    (c) => `## ${c.id}\n\n${c.title}. ${c.says}\n\nFormula: \`${c.formula}\`\n`,
  ).join('\n');
  const rules = RULES.map((r) =>
    row(
      `\`${r.id}\``,
      ruleName(r.id),
      `${r.house}${r.unit ? ` ${r.unit}` : ''}`,
      r.strict,
      r.light,
      REASONS[r.id].reason,
      REASONS[r.id].otherSchool,
    ),
  ).join('\n');
  return `# Checks\n\nMade by \`npm run docs\` from the registry. States: ok, tight, fail, unknown; a missing number is unknown, never ok.\n\n${checks}\n# House rules\n\n| id | rule | house | strict | light | reason | the other school |\n${rule(7)}\n${rules}\n`;
}

/** The glossary as the application shows it: the trade's word and what it is. */
function glossaryList(): string {
  const list = readFileSync('docs/glossary.md', 'utf8')
    .split('\n')
    .filter((l) => /^\| [a-z]/.test(l) && !l.startsWith('| the trade'))
    .map((l) => l.split('|').map((c) => c.trim()))
    .map(([, word, , is]) => ({ word, is }));
  return `${JSON.stringify(list, null, 2)}\n`;
}

/** Typical parts: every range with why it is no narrower. */
function shelfPage(): string {
  const classes = SHELF.map((t) => {
    const lines = reasonsOf(t).map((r) => row(labelOf(t.kind, r.field), r.lo, r.hi, r.why));
    return `## ${t.name}\n\n| number | from | to | why no narrower |\n${rule(4)}\n${lines.join('\n')}\n`;
  }).join('\n');
  return `# The shelf of typical parts\n\nMade by \`npm run docs\` from \`kit/typical.ts\` of the areas. Ranges run from the smallest to the largest piece of a class that crews use: common practice, no source, unless a standard is named. A part that is taken from the shelf has the middle of each range, guessed, with the range as its tolerance.\n\n${classes}`;
}

/** Density, shutter, mains, scene and reducers as tables. */
function lightPage(): string {
  const densities = [0.3, 0.6, 0.9, 1.2, 1.5, 1.8, 2.1];
  return [
    '# Light',
    '',
    'Made by `npm run docs` from `src/core/optics/exposure.ts`; the tests hold the same figures worked by hand.',
    '',
    '## Density',
    '',
    'stops = density / log10(2). A filter marked 0.3 takes one stop but for three thousandths.',
    '',
    row('density', ...densities),
    rule(8),
    row('stops', ...densities.map((d) => f2(stopsOfDensity(d)))),
    '',
    '## Shutter',
    '',
    't = angle / (360 fps). In brackets the stops against 180 degrees at 24.',
    '',
    row('angle', '24 fps', '25 fps', '48 fps', '120 fps'),
    rule(5),
    ...[360, 180, 172.8, 90, 45].map((a) =>
      row(
        a,
        ...[24, 25, 48, 120].map((fps) => {
          const t = shutterTime(a, fps);
          return `1/${f2(1 / t, 1)} s (${f2(Math.log2(t * 48))})`;
        }),
      ),
    ),
    '',
    '## Lamps on the mains',
    '',
    'Shutter angles whose exposures are whole swings of the lamps (k / (2 f)): no flicker. The largest three.',
    '',
    row('mains', ...[24, 25, 30, 48, 60].map((fps) => `${fps} fps`)),
    rule(6),
    ...[50, 60].map((hz) =>
      row(
        `${hz} Hz`,
        ...[24, 25, 30, 48, 60].map((fps) =>
          safeAngles(fps, hz)
            .slice(-3)
            .map((a) => f2(a, 1))
            .join(', '),
        ),
      ),
    ),
    '',
    ...sceneLines(),
    '## Stack',
    '',
    'Stops add. The scene is lit for the T-stop at the chip times 2^(stops / 2). A polariser counts 1 to 2 stops when it does not say, a variable ND its whole range; two pieces that polarise are refused. NDs are chosen from the kit for the places that are free: within the house rule first, then fewest pieces, then what is on hand, then the smallest error.',
    '',
  ].join('\n');
}

/** What a scene asks for, and what reducers gain. */
function sceneLines(): string[] {
  const reducers = [0.58, 0.64, 0.71, 0.8, 1.4, 2];
  return [
    '## Scene',
    '',
    'T-stop that a scene asks for without filters, N = sqrt(2^EV x ISO/100 x t), at 1/48 s. EV is that at ISO 100; 2.5 lx is EV 0 (C = 250, ISO 2720).',
    '',
    row('EV', 'lux', 'ISO 100', 'ISO 400', 'ISO 800', 'ISO 3200'),
    rule(6),
    ...[0, 3, 5, 8, 10, 13, 14, 15].map((ev) =>
      row(
        ev,
        f2(2.5 * 2 ** ev, 0),
        ...[100, 400, 800, 3200].map((iso) => `T${f2(sceneStop(ev, iso, 1 / 48), 1)}`),
      ),
    ),
    '',
    '## Reducers',
    '',
    "Light gained, -2 log2(m), and what T2.8 becomes, not faster than the reducer's own limit.",
    '',
    row('m', ...reducers),
    rule(7),
    row('stops', ...reducers.map((m) => f2(stopsGained(m)))),
    row('T2.8', ...reducers.map((m) => `T${f2(2.8 * m)}`)),
    '',
  ];
}

/** Every kind of part with its fields and its columns. */
function kindsPage(): string {
  return KINDS.map(
    (k) =>
      `### ${KIND_NAME[k].one} (\`"kind": "${k}"\`)\n\n${FIELDS[k].map((f) => fieldLine(k, f)).join('\n')}\n\nCSV columns: \`${columns(k).join(', ')}\`\n`,
  ).join('\n');
}

function fieldLine(kind: string, f: Field, indent = ''): string {
  const hint = hintOf(kind, f);
  const own = `${indent}- \`${f.key}\`: ${f.label}; ${expectation(shapeOfField(f))}${f.required ? '; required' : ''}${hint !== null ? ` (${hint})` : ''}`;
  return f.type === 'rows'
    ? [
        own,
        ...(f.keyed ? [`${indent}  - \`id\`: an id; required`] : []),
        ...f.fields.map((x) => fieldLine(kind, x, `${indent}  `)),
      ].join('\n')
    : own;
}

/** A page with what stands between two marks made anew. */
function between(page: string, name: string, made: string): string {
  const [begin, end] = [`<!-- ${name}: begin -->`, `<!-- ${name}: end -->`];
  const a = page.indexOf(begin);
  const b = page.indexOf(end);
  if (a < 0 || b < 0) throw new Error(`there is no place for the ${name}`);
  return `${page.slice(0, a + begin.length)}\n\n${made}\n${page.slice(b)}`;
}

/** Every field of a job in a table. */
function jobTable(): string {
  const job = jobFields(JOB_SHAPE);
  const extra = Object.keys(JOB_WORDS).filter((p) => !job.some((f) => f.path === p));
  if (extra.length > 0) throw new Error(`no such field of a job: ${extra.join(', ')}`);
  return [
    row('field', 'what it is', 'what it holds'),
    rule(3),
    ...job.map((f) => row(`\`${f.path}\``, f.words, f.holds.replace(/\|/g, '\\|'))),
    '',
  ].join('\n');
}

/** Every field of a job with its path; one that nobody described ends the writing. */
function jobFields(
  shape: Shape,
  path = '',
  required = false,
): { path: string; words: string; holds: string }[] {
  const below = (s: Shape, at: string): ReturnType<typeof jobFields> => {
    if (s.is === 'object')
      // What the rules may be is listed in checks.md.
      return at === 'rules.values'
        ? []
        : Object.entries(s.fields).flatMap(([key, f]) =>
            jobFields(f, at === '' ? key : `${at}.${key}`, s.required.includes(key)),
          );
    if (s.is === 'list') return below(s.of, `${at}[]`);
    if (s.is === 'map') return below(s.of, `${at}.*`);
    if (s.is === 'nullable') return below(s.of, at);
    return [];
  };
  // What stood between once is kept as what stands there now.
  const inner = /remembered\.\*\.(uses|joints)$/.test(path) ? [] : below(shape, path);
  if (path === '') return inner;
  const words = JOB_WORDS[path];
  if (words === undefined) throw new Error(`nobody said what ${path} is`);
  const bare = shape.is === 'nullable' ? shape.of : shape;
  const holds = `${expectation(bare)}${shape.is === 'nullable' ? ', or null' : ''}${required ? '; required' : ''}`;
  return [{ path, words, holds }, ...inner];
}

main();
