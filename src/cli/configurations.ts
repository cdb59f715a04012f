import { shared } from '../core/build/build';
import { RANK } from '../core/checks/finding';
import { sideBySide } from '../core/doc/side-by-side';
import type { JobDoc } from '../core/kit/kept';
import { exact, mm } from '../core/quantity/say';
import { changesBetween, type RigChanges } from '../core/set/changes';
import { configurationTable, type ConfigurationTable } from '../core/set/configurations';

/** One rig in all of its configurations, for the terminal. */
export interface ConfigurationReport {
  rig: { id: string; name: string };
  configurations: {
    id: string | null;
    name: string;
    column: ConfigurationTable['columns'][number];
    /** Checks that say worse than on the rig itself, with the worst of it. */
    worse: { check: string; title: string; state: string; why: string }[];
    /** From the rig itself; null for that. */
    changes: RigChanges | null;
  }[];
}

/** Every rig of a job that has configurations, each of them against the rig itself. */
export function configurationReports(doc: JobDoc): ConfigurationReport[] {
  return doc.rigs.flatMap((rig): ConfigurationReport[] => {
    const side = rig.configurations?.length ? sideBySide(doc, rig.id) : null;
    if (!side) return [];
    const base = shared(side.job);
    const [itself] = side.standings;
    const table = configurationTable(
      side.job,
      side.standings.map((s) => s.rig),
      base,
    );
    return [
      {
        rig: { id: rig.id, name: rig.name },
        configurations: side.standings.map((s, i) => ({
          id: s.id,
          name: s.name,
          column: table.columns[i]!,
          worse: table.rows.flatMap((r) => {
            const [was, now] = [r.cells[0]!, r.cells[i]!];
            return now.state !== null && RANK[now.state] < RANK[was.state ?? 'ok']
              ? [{ check: r.check, title: r.title, state: now.state, why: now.why }]
              : [];
          }),
          changes: s === itself ? null : changesBetween(side.job, base, itself!, s),
        })),
      },
    ];
  });
}

/** The same in lines. */
export function configurationText(reports: readonly ConfigurationReport[]): string {
  if (reports.length === 0) return 'No rig of this job has configurations.\n';
  const lines: string[] = [];
  for (const { rig, configurations } of reports) {
    lines.push(rig.name);
    for (const { name, column: c, worse, changes } of configurations) {
      const weighs = `${exact(c.mass, 0)} g${c.unweighed > 0 ? ` and ${c.unweighed} not weighed` : ''}`;
      const size = c.size
        ? `${c.open ? 'at least ' : ''}${exact(c.size[1], 0)} tall, ${exact(c.size[0], 0)} wide, ${mm(c.size[2], 0)} long`
        : 'size not known';
      lines.push(
        `  ${name}: ${c.count.fail} fail, ${c.count.tight} tight, ${c.count.unknown} unknown, ${c.count.ok} ok; ${weighs}; ${size}`,
      );
      for (const w of worse) lines.push(`    worse: ${w.state}  ${w.check}  ${w.why}`);
      if (!changes) continue;
      for (const x of changes.list) lines.push(`    ${x.what}: ${x.text}`);
      for (const x of changes.screws.more) lines.push(`    screws: ${x} more`);
      for (const x of changes.screws.fewer) lines.push(`    screws: ${x} fewer`);
      for (const x of changes.tools.more) lines.push(`    tools: ${x} is wanted`);
      for (const x of changes.tools.fewer) lines.push(`    tools: ${x} is not wanted any more`);
    }
  }
  return `${lines.join('\n')}\n`;
}
