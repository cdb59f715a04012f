import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { CHECKS } from '../src/core/checks/registry';
import { columns } from '../src/core/format/csv';
import { jobJsonSchema } from '../src/core/format/json-schema';
import { expectation, shapeOfField } from '../src/core/format/shape';
import { FIELDS, KIND_NAME, KINDS, type Field } from '../src/core/kit/fields';
import { RULES } from '../src/core/rules/rules';

/** Writes the parts of docs/ that follow from the code: schema, check catalogue, fields, rules. */
async function main() {
  mkdirSync('docs', { recursive: true });
  writeFileSync('docs/nelvix-job.schema.json', `${JSON.stringify(jobJsonSchema(), null, 2)}\n`);

  const checks = CHECKS.map(
    (c) => `## ${c.id}\n\n${c.title}. ${c.says}\n\nFormula: \`${c.formula}\`\n`,
  ).join('\n');
  const rules = RULES.map(
    (r) =>
      `| \`${r.id}\` | ${r.name} | ${r.house}${r.unit ? ` ${r.unit}` : ''} | ${r.strict} | ${r.light} | ${r.reason} | ${r.otherSchool} |`,
  ).join('\n');
  writeFileSync(
    'docs/checks.md',
    `# Checks\n\nMade by \`npm run docs\` from the registry. States: ok, tight, fail, unknown; a missing number is unknown, never ok.\n\n${checks}\n# House rules\n\n| id | rule | house | strict | light | reason | the other school |\n| --- | --- | --- | --- | --- | --- | --- |\n${rules}\n`,
  );

  const line = (f: Field, indent = ''): string => {
    const own = `${indent}- \`${f.key}\`: ${f.label}; ${expectation(shapeOfField(f))}${f.required ? '; required' : ''}${f.hint ? ` (${f.hint})` : ''}`;
    return f.type === 'rows'
      ? [
          own,
          ...(f.keyed ? [`${indent}  - \`id\`: an id; required`] : []),
          ...f.fields.map((x) => line(x, `${indent}  `)),
        ].join('\n')
      : own;
  };
  const kinds = KINDS.map(
    (k) =>
      `### ${KIND_NAME[k].one} (\`"kind": "${k}"\`)\n\n${FIELDS[k].map((f) => line(f)).join('\n')}\n\nCSV columns: \`${columns(k).join(', ')}\`\n`,
  ).join('\n');
  const file = 'docs/format.md';
  const text = readFileSync(file, 'utf8');
  const [begin, end] = ['<!-- fields: begin -->', '<!-- fields: end -->'];
  const a = text.indexOf(begin);
  const b = text.indexOf(end);
  if (a < 0 || b < 0) throw new Error(`${file} has no place for the fields`);
  writeFileSync(file, `${text.slice(0, a + begin.length)}\n\n${kinds}\n${text.slice(b)}`);
}

void main();
