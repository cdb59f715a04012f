import { PLACES } from '../places';
import glossary from './glossary.json';
import { PLACES_WORDS } from '../places-words';
import { PLACES_HELP } from './places-help';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

test('every place says what it is for', () => {
  expect(Object.keys(PLACES_HELP).sort()).toEqual(PLACES.map((p) => p.to).sort());
  expect(Object.keys(PLACES_WORDS).sort()).toEqual(PLACES.map((p) => p.to).sort());
  for (const h of Object.values(PLACES_HELP)) {
    expect(h.what).toMatch(/\.$/);
    expect(h.look.length).toBeGreaterThan(0);
  }
});

test('the glossary is that of the documents, line by line', () => {
  const text = readFileSync(join(__dirname, '../../../docs/glossary.md'), 'utf8');
  const lines = text.split('\n').filter((l) => /^\| [a-z]/.test(l) && !l.startsWith('| the trade'));
  expect(glossary).toHaveLength(lines.length);
  glossary.forEach((g, i) => {
    expect(lines[i]).toContain(`| ${g.word} |`);
    expect(lines[i]).toContain(`| ${g.is} |`);
  });
});
