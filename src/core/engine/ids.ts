import { customAlphabet } from 'nanoid';

/** Small letters and figures: easy to read out, and never a number by itself behind its letter. */
const suffix = customAlphabet('23456789abcdefghjkmnpqrstuvwxyz', 6);

/**
 * A new id of something: `rods-k3f9ab`. Two windows never make the same one, as they would by
 * counting.
 */
export function newId(base: string): string {
  return `${base}-${suffix()}`;
}

/** A new id that can be read: `marl-40-mm-k3f9ab`. Two windows that use the same name make two ids. */
export function newNamedId(name: string): string {
  return newId(idFromName(name, new Set()));
}

/** Id made of a name: `Marl 40 mm` is `marl-40-mm`, numbered when it is taken. */
export function idFromName(name: string, taken: ReadonlySet<string>): string {
  const slug =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9.]+/g, '-')
      .replace(/^[-.]+|[-.]+$/g, '')
      .slice(0, 60) || 'part';
  if (!taken.has(slug)) return slug;
  for (let n = 2; ; n++) if (!taken.has(`${slug}-${n}`)) return `${slug}-${n}`;
}
