import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

const root = join(__dirname, '../..');

/** Sources below a folder, without tests. */
function sources(dir: string): string[] {
  return readdirSync(dir, { withFileTypes: true }).flatMap((e) => {
    const path = join(dir, e.name);
    if (e.isDirectory()) return sources(path);
    return /\.(ts|tsx|mjs)$/.test(e.name) && !/\.test\./.test(e.name) ? [path] : [];
  });
}

/** Lines of every function of a source, arrows too, with where it begins. */
function lengths(path: string, text: string): { at: string; lines: number }[] {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const line = (pos: number) => source.getLineAndCharacterOfPosition(pos).line;
  const out: { at: string; lines: number }[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) && 'body' in node && node.body)
      out.push({
        at: `${path}:${line(node.getStart()) + 1}`,
        lines: line(node.end) - line(node.getStart()) + 1,
      });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out;
}

describe('functions', () => {
  const all = ['src', 'scripts']
    .flatMap((dir) => sources(join(root, dir)))
    .flatMap((path) => lengths(path, readFileSync(path, 'utf8')));

  test('99 of 100 are taken in at one look: no longer than 60 lines', () => {
    const long = all.filter((f) => f.lines > 60).sort((a, b) => b.lines - a.lines);
    expect(all.length).toBeGreaterThan(4000);
    expect(long.length).toBeLessThanOrEqual(all.length / 100);
  });

  test('none is longer than 100', () => {
    expect(all.filter((f) => f.lines > 100)).toEqual([]);
  });

  test('a long one is counted', () => {
    const text = `const f = () => {\n${'  g();\n'.repeat(70)}};`;
    expect(lengths('made-up.ts', text)).toEqual([{ at: 'made-up.ts:1', lines: 72 }]);
  });
});
