import { KIND_NAME, isKind } from '../kit/fields';
import { isLens, type Part } from '../kit/types';
import { valueOf } from '../quantity/quantity';

/** A part's words, made once per part: kits have thousands. */
const words = new WeakMap<object, string>();

export function searchText(part: Part): string {
  let t = words.get(part);
  if (t === undefined) {
    const kind = isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind;
    const focal = isLens(part) ? `${valueOf(part.focal) ?? ''}mm` : '';
    t = `${part.name} ${kind} ${part.owner ?? ''} ${focal}`.toLowerCase();
    words.set(part, t);
  }
  return t;
}

/**
 * Parts that hold every word of a query, best first: names that begin with it, then words that
 * begin with it, then anywhere.
 */
export function searchParts(kit: readonly Part[], query: string, most = 50): Part[] {
  const tokens = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (tokens.length === 0) return kit.slice(0, most);
  const hits: { part: Part; score: number }[] = [];
  for (const part of kit) {
    const text = searchText(part);
    let score = 0;
    for (const t of tokens) {
      const i = text.indexOf(t);
      if (i < 0) {
        score = -1;
        break;
      }
      score += i === 0 ? 3 : text.charCodeAt(i - 1) === 32 || text.includes(` ${t}`) ? 2 : 1;
    }
    if (score > 0) hits.push({ part, score });
  }
  return hits
    .sort(
      (a, b) =>
        b.score - a.score ||
        a.part.name.length - b.part.name.length ||
        a.part.name.localeCompare(b.part.name),
    )
    .slice(0, most)
    .map((h) => h.part);
}
