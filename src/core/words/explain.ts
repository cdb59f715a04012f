import { ruleName } from '../rules/names';
import { CHECKS } from '../areas/checks';
import type { Field } from '../engine/field';
import { FIELDS, isKind, KIND_NAME, KINDS } from '../kit/fields';
import { fieldUnit } from '../quantity/typed';
import { instrumentFor } from '../figure/instrument';
import { REASONS } from '../rules/reasons';
import { RULES } from '../rules/rules';
import { hintOf } from './hints';
import { OF_PARTS, ON_KIND } from './of-parts';
import { BETWEEN, OF_SCREENS, UNITS } from './of-screens';

/** What a word on a screen means. */
export interface Explained {
  /** As it is called. */
  word: string;
  is: string;
  /** What it is measured with, where it is a number of a part. */
  tool: string | null;
  /** What its unit is, where it has one. */
  unit: string | null;
}

interface Found {
  field: Field;
  kind: string;
  path: readonly string[];
}

/** Every field of a kind, or of all of them, that is called so. */
function fieldsNamed(label: string, kind: string | null): Found[] {
  const among = (fields: readonly Field[], k: string, path: readonly string[]): Found[] =>
    fields.flatMap((field) => {
      const own = [...path, field.key];
      return [
        ...(field.label.toLowerCase() === label ? [{ field, kind: k, path: own }] : []),
        ...(field.type === 'rows' ? among(field.fields, k, [...own, field.keyed ? 'a' : '0']) : []),
      ];
    });
  if (kind !== null && isKind(kind)) return among(FIELDS[kind], kind, []);
  return KINDS.flatMap((k) => among(FIELDS[k], k, []));
}

/** What a unit is; null for none, and for one that says itself. */
export function unitMeans(unit: string): string | null {
  return Object.hasOwn(UNITS, unit) ? UNITS[unit]! : null;
}

function ofField(label: string, kind: string | null): Explained | null {
  const all = fieldsNamed(label, kind);
  const first = all[0];
  if (!first) return null;
  const { field } = first;
  const own = `${first.kind} ${label}`;
  const hints = new Set(all.map((f) => hintOf(f.kind, f.field)));
  const hint = hintOf(first.kind, field);
  // Of no kind in particular, what holds for one of them alone would be wrong of the others.
  const is =
    hints.size === 1 && hint !== null
      ? hint
      : kind !== null
        ? (hint ?? (Object.hasOwn(ON_KIND, own) ? ON_KIND[own] : OF_PARTS[label]))
        : OF_PARTS[label];
  if (is === undefined) return null;
  // As it is shown on this device: what is optical stays metric everywhere.
  let unit = field.type === 'number' ? field.unit : '';
  if (field.type === 'quantity') unit = fieldUnit(field.unit, field.cls).unit;
  return {
    word: field.label,
    is,
    tool: instrumentFor(first.kind, first.path),
    unit: unitMeans(unit),
  };
}

function ofScreen(label: string): Explained | null {
  if (!Object.hasOwn(OF_SCREENS, label)) return null;
  return { word: label, is: OF_SCREENS[label]!, tool: null, unit: null };
}

function ofRule(label: string): Explained | null {
  const rule = RULES.find((r) => ruleName(r.id).toLowerCase() === label);
  if (!rule) return null;
  const { reason, otherSchool } = REASONS[rule.id];
  return {
    word: ruleName(rule.id),
    is: `${reason} ${otherSchool}`,
    tool: null,
    unit: unitMeans(rule.unit),
  };
}

/** A check, by its title; in a table the name of its area may stand behind it. */
function ofCheck(label: string): Explained | null {
  const check = CHECKS.find(
    (c) => label === c.title.toLowerCase() || label.startsWith(`${c.title.toLowerCase()} `),
  );
  return check ? { word: check.title, is: check.says, tool: null, unit: null } : null;
}

function ofKind(label: string): Explained | null {
  const kind = KINDS.find(
    (k) => KIND_NAME[k].one.toLowerCase() === label || KIND_NAME[k].many.toLowerCase() === label,
  );
  if (!kind) return null;
  const first = FIELDS[kind].filter((f) => f.first && f.key !== 'name').map((f) => f.label);
  const is =
    first.length > 0 ? `what is asked of one first: ${first.join(', ')}` : 'a sort of part';
  return { word: KIND_NAME[kind].one, is, tool: null, unit: null };
}

const WAYS = [ofScreen, ofRule, ofCheck, ofKind] as const;

function exactly(label: string, kind: string | null): Explained | null {
  const own = ofField(label, kind);
  if (own && kind !== null) return own;
  for (const way of WAYS) {
    const found = way(label);
    if (found) return found;
  }
  return own;
}

/** A source of a number, in words that a screen puts round the name of the number. */
const SOURCE = /^where (.+) is from$/;

/**
 * What a label on a screen means: a field of a part, a setting, a figure, a rule, a check or a
 * kind. Names stand in labels beside the word that is meant (`image circle of Marl 24`, `Pintle
 * wheel along the rods`): first the whole is looked up, then what stands before the name, then what
 * stands behind it.
 *
 * @param label as it reads, in any case
 * @param kind of the part it is a label of, where that is known
 * @returns null where nobody has said what it means
 */
export function explain(label: string, kind: string | null = null): Explained | null {
  const text = label
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/ \(\d+\)$|[:?]$/, '')
    .toLowerCase();
  if (text === '') return null;
  const source = SOURCE.exec(text);
  if (source)
    return {
      word: 'where it is from',
      is: 'measured, from a sheet, or a guess: how far it can be off follows from that',
      tool: null,
      unit: null,
    };
  const whole = exactly(text, kind);
  if (whole) return whole;
  for (const cut of [' of ', ', ', ': ']) {
    // The longest beginning that is a word of its own: `width of its gear of Pintle wheel`.
    for (let at = text.lastIndexOf(cut); at > 0; at = text.lastIndexOf(cut, at - 1)) {
      const found = exactly(text.slice(0, at), kind);
      if (found) return found;
    }
  }
  const words = text.split(' ');
  for (let i = 0; i < words.length; i++) {
    const found = ofScreen(words.slice(i).join(' '));
    if (found) return found;
    const alone = words[i]!;
    if (BETWEEN.has(alone)) return ofScreen(alone);
  }
  return null;
}
