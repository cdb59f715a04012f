import { build, shared } from '../build/build';
import type { Finding, State } from '../checks/finding';
import type { Job } from '../kit/types';
import { readings } from '../readings/readings';
import { findings } from '../solve/fixes';

/** What the terminal says about a job, as data. */
export interface Report {
  format: 'nelvix-report';
  version: 1;
  rigs: {
    id: string;
    name: string;
    findings: Finding[];
    readings: {
      id: string;
      label: string;
      value: number | null;
      unit: string;
      text: string;
      sum: string;
    }[];
  }[];
  counts: Record<State, number>;
}

/** Checks every rig of a job, with tried fixes. */
export function report(job: Job): Report {
  const base = shared(job);
  const counts: Record<State, number> = { ok: 0, tight: 0, fail: 0, unknown: 0 };
  const rigs = job.rigs.map((rig) => {
    const list = findings(job, rig, base);
    for (const f of list) counts[f.state]++;
    return {
      id: rig.id,
      name: rig.name,
      findings: list,
      readings: readings(build(job, rig, base)).map(({ id, label, value, unit, text, sum }) => ({
        id,
        label,
        value: value !== null && Number.isFinite(value) ? value : null,
        unit,
        text,
        sum,
      })),
    };
  });
  return { format: 'nelvix-report', version: 1, rigs, counts };
}

const WORD: Record<State, string> = { ok: 'ok', tight: 'tight', fail: 'FAIL', unknown: 'unknown' };

/** The report as text, worst first, one line a finding and its fixes below it. */
export function reportText(job: Job, r: Report): string {
  const lines: string[] = [job.name, ''];
  for (const rig of r.rigs) {
    lines.push(`${rig.name}`);
    for (const f of rig.findings) {
      lines.push(`  ${WORD[f.state].padEnd(8)}${f.id.padEnd(22)}${f.why}`);
      for (const fix of f.fixes)
        lines.push(`${' '.repeat(32)}try: ${fix.title} (then ${fix.state})`);
      for (const w of f.wanted) lines.push(`${' '.repeat(32)}look for: ${w}`);
    }
    lines.push('');
  }
  const { counts } = r;
  lines.push(
    `${counts.fail} fail, ${counts.tight} tight, ${counts.unknown} unknown, ${counts.ok} ok`,
  );
  return `${lines.join('\n')}\n`;
}
