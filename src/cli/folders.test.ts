import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import ts from 'typescript';

/** Folders of the sources, by the folders they take something from. Tests do not count. */
function folders(root: string): Map<string, Set<string>> {
  const graph = new Map<string, Set<string>>();
  for (const entry of readdirSync(root, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !/(?<!\.test|\.d)\.tsx?$/.test(entry.name)) continue;
    const from = normalize(entry.parentPath);
    const text = readFileSync(join(entry.parentPath, entry.name), 'utf8');
    const to = graph.get(from) ?? graph.set(from, new Set()).get(from)!;
    for (const { fileName } of ts.preProcessFile(text, true, true).importedFiles) {
      const target = fileName.startsWith('@/')
        ? join('src', fileName.slice(2))
        : fileName.startsWith('.')
          ? normalize(join(from, fileName))
          : null;
      if (target !== null && dirname(target) !== from) to.add(dirname(target));
    }
  }
  return graph;
}

/** A way from a folder back to itself, or null. */
function ring(graph: ReadonlyMap<string, ReadonlySet<string>>): string[] | null {
  const done = new Set<string>();
  const walk = (at: string, way: string[]): string[] | null => {
    if (way.includes(at)) return [...way.slice(way.indexOf(at)), at];
    if (done.has(at)) return null;
    for (const next of graph.get(at) ?? []) {
      const found = walk(next, [...way, at]);
      if (found) return found;
    }
    done.add(at);
    return null;
  };
  for (const at of graph.keys()) {
    const found = walk(at, []);
    if (found) return found;
  }
  return null;
}

describe('folders', () => {
  const graph = folders('src');

  it('lean on each other one way: no ring', () => {
    expect(graph.size).toBeGreaterThan(50);
    expect(ring(graph)).toBeNull();
  });

  it('a ring would be found', () => {
    // The lowest folder made to lean on the highest.
    const core = new Map(graph);
    core.set('src/core/quantity', new Set(['src/core/areas']));
    expect(ring(core)).not.toBeNull();
  });
});
