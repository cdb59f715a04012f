const TAGS: Readonly<Record<string, string>> = {
  math: 'computed',
  std: 'a published standard',
  trade: 'common practice',
  mem: 'from memory, unverified',
  tried: 'tried together',
};

/** What a finding rests on, for people: the tags of the basis in words. */
export function sayBasis(basis: string): string {
  const text = basis.replace(/\[(\w+)\]/g, (tag, key: string) => TAGS[key] ?? tag).trim();
  return text.replace(/^(computed|common practice|tried together) (?=\S)/, '$1: ');
}
