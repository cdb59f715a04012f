import type { QuantityField } from '../engine/field';
import { rangesOf, type Field } from '../kit/fields';
import { plain } from '../quantity/say';
import { kept, readAmount } from './amount';
import { cellField, normal } from './match';

/** A mount that a list may name. */
export interface NamedMount {
  id: string;
  name: string;
}

/** Behind a count. */
const COUNTED = /\s*(?:pcs|pc|pieces|piece|off|ea|each|x)\.?$/i;

/** What a cell was read as: the fields of a part that it says, and how that is told. */
export type CellRead =
  { ok: true; value: Record<string, unknown>; said: string } | { ok: false; why: string };

/**
 * One cell as a field of a part.
 *
 * @param bare what one of a bare number is, in the unit of the field
 * @param comma whether decimals are behind a comma; null when the list does not tell
 * @param own fields of the part, for those that are the other end of a range
 */
export function readCell(
  field: Field,
  text: string,
  bare: number,
  comma: boolean | null,
  mounts: readonly NamedMount[],
  own: readonly Field[],
): CellRead {
  const one = (value: unknown, said: string): CellRead => ({
    ok: true,
    value: { [field.key]: value },
    said,
  });
  switch (field.type) {
    case 'quantity':
      return quantityCell(field, text, bare, comma, own);
    case 'number': {
      const a = readAmount(text.replace(COUNTED, ''), field.unit, 1, comma);
      if (!a.ok) return a;
      if (
        a.value < field.min ||
        a.value > field.max ||
        (field.integer && !Number.isInteger(a.value))
      )
        return {
          ok: false,
          why: `is out of bounds: ${field.label} is ${field.integer ? 'a whole number ' : ''}from ${field.min} to ${field.max}`,
        };
      return one(a.value, `${plain(a.value, 3)} ${field.unit}`.trim());
    }
    case 'flag': {
      if (/^(yes|y|true|1|x|\u2713|\u2714|ja|oui|si)$/i.test(text)) return one(true, 'yes');
      if (/^(no|n|false|0|nein|non)$/i.test(text)) return one(false, 'no');
      return { ok: false, why: 'is neither yes nor no' };
    }
    case 'choice': {
      const t = normal(text);
      const hit =
        field.options.find((o) => normal(o.value) === t || normal(o.label) === t) ??
        only(
          field.options.filter((o) => normal(o.label).includes(t) || t.includes(normal(o.label))),
        );
      return hit
        ? one(hit.value, hit.label)
        : { ok: false, why: `is none of ${field.options.map((o) => o.label).join(', ')}` };
    }
    case 'mount': {
      const hit = mountCalled(text, mounts);
      return hit ? one(hit.id, hit.name) : { ok: false, why: NO_MOUNT };
    }
    case 'rows': {
      const figure = cellField(field);
      if (figure?.type !== 'quantity')
        return { ok: false, why: 'is a table: give it on the part itself' };
      const read = readCell(figure, text, bare, comma, mounts, []);
      return read.ok ? one([{ [figure.key]: read.value[figure.key] }], read.said) : read;
    }
    case 'text':
      return text.length > field.max
        ? {
            ok: false,
            why: `is longer than the ${field.max} characters that ${field.label} may have`,
          }
        : one(text, text);
    case 'texts':
      return { ok: false, why: 'is a list: give it on the part itself' };
  }
}

const only = <T>(list: readonly T[]): T | undefined => (list.length === 1 ? list[0] : undefined);

/** `24-70`: the two ends of a range, where the field has another end. */
function rangeOf(
  field: Field,
  text: string,
  own: readonly Field[],
): ([string, string] & { to?: string }) | null {
  const to = rangesOf(own).find((r) => r.from.key === field.key)?.to.key;
  const m =
    to && /^([\d.,]+)\s*(?:mm|cm|in|")?\s*(?:-|\u2013|to)\s*([\d.,]+)\s*(mm|cm|in|")?$/i.exec(text);
  if (!m) return null;
  const unit = m[3] ? ` ${m[3]}` : '';
  return Object.assign([`${m[1]!}${unit}`, `${m[2]!}${unit}`] as [string, string], { to });
}

const NO_MOUNT = 'is no mount of the list under Kit: name it there first, or leave it empty';

/** The mount that a cell names; the only one that has its word where none is called so. */
function mountCalled(text: string, mounts: readonly NamedMount[]): NamedMount | undefined {
  const t = normal(text)
    .replace(/ mount$/, '')
    .replace(/^mount /, '');
  return (
    mounts.find((m) => normal(m.name) === t || normal(m.id) === t) ??
    only(mounts.filter((m) => normal(m.name).split(' ').includes(t)))
  );
}

/** An amount with its unit, or the two ends of a range where the field has another end. */
function quantityCell(
  field: QuantityField,
  text: string,
  bare: number,
  comma: boolean | null,
  own: readonly Field[],
): CellRead {
  const amount = (t: string) => readAmount(t, field.unit, bare, comma);
  const both = rangeOf(field, text, own);
  const [from, to] = both ? [amount(both[0]), amount(both[1])] : [];
  if (from?.ok && to?.ok && both?.to)
    return {
      ok: true,
      value: { [field.key]: kept(from), [both.to]: kept(to) },
      said: `${plain(from.value, 3)} to ${plain(to.value, 3)} ${field.unit}`,
    };
  const a = amount(text);
  if (!a.ok) return a;
  if (a.value < field.min || a.value > field.max)
    return {
      ok: false,
      why: `is out of bounds: ${field.label} is from ${field.min} to ${field.max} ${field.unit}`,
    };
  return {
    ok: true,
    value: { [field.key]: kept(a) },
    said: `${plain(a.value, 3)} ${field.unit}`.trim(),
  };
}
