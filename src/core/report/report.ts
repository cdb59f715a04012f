import { buildAfresh, shared, type Shared } from '../build/build';
import type { Finding, State } from '../checks/finding';
import { cautions } from '../areas/cautions';
import { said } from '../checks/judge';
import { check } from '../areas/checks';
import { frontOf } from '../areas/front/place/front';
import { flagSight } from '../areas/front/model/flags';
import { lightFigures, type LightFigures } from '../areas/light/model/light';
import { CORNERS, judgedFrames } from '../areas/front/model/judged';
import { shadingView } from '../areas/front/model/view';
import type { Job, Rig } from '../kit/types';
import { exact, plain } from '../quantity/say';
import { readings } from '../readings/readings';
import { BLACK } from '../pupil/map';
import { findingsOf } from '../solve/fixes';

/** What the terminal says about a job, as data. */
export interface Report {
  format: 'nelvix-report';
  version: 1;
  rigs: {
    id: string;
    name: string;
    findings: Finding[];
    /** What always holds where something can hurt someone. */
    cautions: string[];
    /** The corners of every delivery frame and of the chip, each at the setting that is worst there. */
    shading: {
      frame: string;
      at: string;
      hard: boolean;
      corners: {
        corner: string;
        front: number;
        lens: number;
        reducer: number | null;
        culprit: string | null;
      }[];
    }[];
    /** How far each flag can come down, and how low a light it shades, degrees. */
    flags: {
      id: string;
      name: string;
      angle: number;
      lowest: number | null;
      shades: number | null;
      shadesAtLowest: number | null;
    }[];
    light: LightFigures;
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

/**
 * Checks every rig of a job, with tried fixes.
 *
 * @param fixes false leaves them out: the verdicts alone
 */
export function report(job: Job, fixes = true): Report {
  const base = shared(job);
  return reportOf(job.rigs.map((rig) => reportRig(job, rig, base, fixes)));
}

/** A report of rigs that were looked at one by one. */
export function reportOf(rigs: Report['rigs']): Report {
  const counts: Record<State, number> = { ok: 0, tight: 0, fail: 0, unknown: 0 };
  for (const rig of rigs) for (const f of rig.findings) counts[f.state]++;
  return { format: 'nelvix-report', version: 1, rigs, counts };
}

/** What there is to say of one rig; plain data. */
export function reportRig(
  job: Job,
  rig: Rig,
  base: Shared,
  fixes: boolean,
): Report['rigs'][number] {
  const built = buildAfresh(job, rig, base);
  const list: Finding[] = fixes
    ? findingsOf(built, base)
    : check(built).map((v) => ({ ...said(v), fixes: [] }));
  return {
    id: rig.id,
    name: rig.name,
    findings: list,
    cautions: cautions(built, list),
    shading: judgedFrames(built).flatMap((j) => {
      const view = shadingView(built, null, j.id);
      return view
        ? [
            {
              frame: j.id,
              at: view.situation.label,
              hard: view.look.hard,
              corners: view.corners.map((c, i) => ({
                corner: CORNERS[i]!,
                front: c.mechanical,
                lens: c.natural,
                reducer: c.reducer,
                culprit: c.culprit,
              })),
            },
          ]
        : [];
    }),
    flags: (frontOf(built).box?.flags ?? []).flatMap(({ leaf }) => {
      const sight = flagSight(built, leaf.id);
      return sight
        ? [
            {
              id: leaf.id,
              name: leaf.name,
              angle: sight.angle,
              lowest: sight.lowest,
              shades: sight.shades,
              shadesAtLowest: sight.shadesAtLowest,
            },
          ]
        : [];
    }),
    light: lightFigures(built),
    readings: readings(built).map(({ id, label, value, unit, text, sum }) => ({
      id,
      label,
      value: value !== null && Number.isFinite(value) ? value : null,
      unit,
      text,
      sum,
    })),
  };
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
    for (const s of rig.shading) {
      const loss = Math.max(...s.corners.map((c) => c.front));
      if (loss < 0.005) continue;
      lines.push(
        `  corners of ${s.frame} at ${s.at}: ${s.corners.map((c) => `${c.corner} ${c.front >= BLACK ? 'black' : exact(c.front, 2)}`).join(', ')} stops${s.hard ? ', hard cut' : ''}`,
      );
    }
    for (const f of rig.flags)
      lines.push(
        `  ${f.name} at ${plain(f.angle, 1)} degrees${f.shades === null ? '' : `, shades from ${exact(f.shades, 0)} degrees up`}${f.lowest === null ? '' : `; clear of the frame down to ${exact(f.lowest, 0)}`}`,
      );
    const { light } = rig;
    if (light.total && light.glass.length > 0)
      lines.push(
        `  filters take ${exact(light.total.least, 1)}${light.total.most > light.total.least ? ` to ${exact(light.total.most, 1)}` : ''} stops${light.lightFor === null ? '' : `; light the scene for T${exact(light.lightFor, 1)}`}`,
      );
    for (const c of rig.cautions) lines.push(`  caution  ${c}`);
    lines.push('');
  }
  const { counts } = r;
  lines.push(
    `${counts.fail} fail, ${counts.tight} tight, ${counts.unknown} unknown, ${counts.ok} ok`,
  );
  return `${lines.join('\n')}\n`;
}
