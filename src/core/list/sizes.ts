import type { Field } from '../kit/fields';

/** Three sizes in one cell: `30 x 120 x 90 mm`. */
export const SIZES =
  /^[~\s]*([\d.,/ ]+?)\s*(mm|cm|in|")?\s*[x\u00d7*]\s*([\d.,/ ]+?)\s*(?:mm|cm|in|")?\s*[x\u00d7*]\s*([\d.,/ ]+?)\s*(mm|cm|in|inch|inches|")?$/i;

/** Three sizes in one cell; their order is in the heading (L x W x H), else width, height, length. */
export function sizes(
  text: string,
  column: number,
  headings: readonly string[],
  own: readonly Field[],
  put: (column: number, field: Field, text: string) => void,
): void {
  const m = SIZES.exec(text.trim());
  if (!m) return;
  const unit = m[5] ?? m[2] ?? '';
  const letters = /([lwhd])\s*[x\u00d7*]\s*([lwhd])\s*[x\u00d7*]\s*([lwhd])/i.exec(
    headings[column] ?? '',
  );
  const order = (letters?.slice(1) ?? ['w', 'h', 'd']).map((l) => AXIS[l.toLowerCase()]!);
  [m[1]!, m[3]!, m[4]!].forEach((figure, i) => {
    const field = own.find((f) => f.key === order[i]);
    if (field) put(column, field, `${figure.trim()}${unit ? ` ${unit}` : ''}`);
  });
}

const AXIS: Readonly<Record<string, string>> = { w: 'width', h: 'height', d: 'depth', l: 'depth' };
