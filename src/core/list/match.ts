import Fuse from 'fuse.js';
import { FIELDS, KIND_NAME, KINDS, type Field, type Kind } from '../kit/fields';
import { unitOf } from '../quantity/units';
import { COMMON_WORDS, FIELD_WORDS, KIND_WORDS } from './words';

/** Words of a heading in one way of writing: `Front Ø (mm)` is `front diameter`. */
export function normal(text: string): string {
  return text
    .replace(/[\u00d8\u00f8\u2300]/g, ' diameter ')
    .replace(/#/g, ' number ')
    .replace(/[([{][^)\]}]*[)\]}]/g, ' ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
}

/** A unit in brackets or at the end of a heading: `weight (lb)`, `length, in`, `mass_g`. */
export function unitInHeading(heading: string): string | null {
  const brackets = /[([{]\s*([^)\]}]{1,8}?)\s*[)\]}]/.exec(heading);
  const end = /[,_\s]\s*(mm|cm|m|in|inch|inches|"|g|kg|lb|lbs|oz|deg|nm|v|w|wh)\.?\s*$/i.exec(
    heading,
  );
  const word = brackets?.[1] ?? end?.[1];
  return word === undefined ? null : word.trim();
}

/** A field that a cell can be read into: a value, or a table by its one figure. */
export function cellField(field: Field): Field | null {
  if (field.type === 'texts') return null;
  if (field.type !== 'rows') return field;
  if (field.keyed) return null;
  const needed = field.fields.filter((f) => f.required && f.type === 'quantity');
  return needed.length === 1 ? needed[0]! : null;
}

interface Named {
  key: string;
  phrase: string;
}

const phrases = new Map<Kind, Named[]>();

/** Everything that the fields of a kind are called. */
function phrasesOf(kind: Kind): Named[] {
  let list = phrases.get(kind);
  if (!list) {
    list = FIELDS[kind].flatMap((f) => {
      if (!cellField(f)) return [];
      const own = FIELD_WORDS[`${kind}/${f.key}`] ?? FIELD_WORDS[f.key] ?? [];
      const common = COMMON_WORDS[f.key] ?? [];
      return [...new Set([normal(f.label), normal(f.key), ...own, ...common])].map((phrase) => ({
        key: f.key,
        phrase,
      }));
    });
    phrases.set(kind, list);
  }
  return list;
}

/** Words that say nothing alone. */
const WEAK = new Set([
  'number',
  'size',
  'value',
  'type',
  'from',
  'clear',
  'outer',
  'light',
  'room',
]);

/** How alike a heading is to a phrase, 0 to 100; a letter or two off counts by another way. */
function alike(heading: string, phrase: string): number {
  if (heading === phrase) return 100;
  const [h, p] = [heading.split(' '), phrase.split(' ')];
  const hit = p.filter((w) => h.includes(w)).length;
  // One letter says nothing among other words.
  if (hit === p.length && phrase.length > 2) return 80 - 6 * (h.length - hit);
  if (hit === h.length && heading.length > 3 && !WEAK.has(heading))
    return 62 - 6 * (p.length - hit);
  return 0;
}

/** From here on a likeness is believed. */
const BELIEVED = 50;

/**
 * Which column goes into which field of a kind: the likest pairs first, each column and field once.
 *
 * @returns the key of a field by the number of its column
 */
export function matchColumns(
  headings: readonly string[],
  kind: Kind,
  taken: ReadonlySet<number> = new Set(),
): Map<number, string> {
  const list = phrasesOf(kind);
  const fuse = new Fuse(list, { keys: ['phrase'], includeScore: true, threshold: 0.3 });
  const pairs = headings.flatMap((raw, column) => {
    if (taken.has(column)) return [];
    const heading = normal(raw).replace(/ (mm|cm|in|inch|g|kg|lb|lbs|oz)$/, '');
    if (heading === '') return [];
    const near = list.flatMap(({ key, phrase }) => {
      const score = alike(heading, phrase);
      return score >= BELIEVED ? [{ column, key, score }] : [];
    });
    if (near.length > 0) return near;
    if (WEAK.has(heading)) return [];
    // Misspelt: nothing else came near.
    return fuse
      .search(heading)
      .filter((r) => heading.length > 3 && Math.abs(r.item.phrase.length - heading.length) < 4)
      .slice(0, 3)
      .map((r) => ({ column, key: r.item.key, score: BELIEVED * (1 - (r.score ?? 1)) }));
  });
  const out = new Map<number, string>();
  const used = new Set<string>();
  for (const p of pairs.sort((a, b) => b.score - a.score || a.column - b.column)) {
    if (out.has(p.column) || used.has(p.key)) continue;
    out.set(p.column, p.key);
    used.add(p.key);
  }
  return out;
}

/** The column that a word of all kinds stands over; null when there is none. */
export function commonColumn(
  headings: readonly string[],
  word: 'kind' | 'name' | 'size',
): number | null {
  let best: { column: number; score: number } | null = null;
  headings.forEach((raw, column) => {
    const heading = normal(raw);
    COMMON_WORDS[word]!.forEach((phrase, i) => {
      // The first words are the likest: `name` before `description`.
      const score = alike(heading, phrase) - i;
      if (score >= BELIEVED && (!best || score > best.score)) best = { column, score };
    });
  });
  return best === null ? null : (best as { column: number }).column;
}

const BY_WORD: ReadonlyMap<string, Kind> = new Map(
  KINDS.flatMap((k) =>
    [
      k.replace(/-/g, ' '),
      normal(KIND_NAME[k].one),
      normal(KIND_NAME[k].many),
      ...(KIND_WORDS[k] ?? []),
    ].map((w) => [w, k] as const),
  ).reverse(),
);

/** The kind that a cell names, whole; null when it names none. */
export function kindOfCell(text: string): Kind | null {
  return BY_WORD.get(normal(text)) ?? null;
}

/** Kind words, the longest first: `battery plate` is no battery. */
const LONGEST = [...BY_WORD].sort((a, b) => b[0].length - a[0].length);

/** The kind that a name speaks of; null when it speaks of none. */
export function kindInName(name: string): Kind | null {
  const n = ` ${normal(name)} `;
  for (const [word, kind] of LONGEST) if (word.length > 2 && n.includes(` ${word} `)) return kind;
  // A focal length with a stop is a lens, whatever it is called.
  if (/\b\d{1,4}(\s?-\s?\d{1,4})?\s?mm\b/i.test(name) && /\b[tf]\s?\/?\s?\d/i.test(name))
    return 'lens';
  return null;
}

/** What one of a bare number of a column is, in the unit of its field. */
export function bareUnit(heading: string, field: Field): number {
  const unit = 'unit' in field ? field.unit : '';
  const word = unitInHeading(heading);
  return word === null ? 1 : (unitOf(word, unit) ?? 1);
}
