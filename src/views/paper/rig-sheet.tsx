import { shownUnit } from '@/core/quantity/shown';
import { cautions } from '@/core/areas/cautions';
import { screwBill, toolsOf } from '@/core/areas/joints/model/lists';
import { STATES, type Verdict } from '@/core/checks/finding';
import { onPaper } from '@/core/drawing/paper';
import { isKind, KIND_NAME } from '@/core/kit/fields';
import { onHand } from '@/core/kit/types';
import { known } from '@/core/quantity/quantity';
import { sayLength } from '@/core/quantity/say';
import { massWithTolerance } from '@/core/quantity/with-tolerance';
import { usesOn } from '@/core/roles/uses';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import type { RigFacts } from '@/views/bench/use-rig';
import { Bar } from './bar';
import { inside, type Paper } from './sizes';

/** What heading and bar take of a sheet with a drawing, mm. */
const HEADS = 24;

/** The open rig on paper: what is said of it with its sums, the three views to scale, what it takes. */
export function RigSheet({ facts, paper }: { facts: RigFacts; paper: Paper }) {
  const { rig, built, verdicts } = facts;
  const open = verdicts.filter((v) => v.state !== 'ok');
  const fine = verdicts.filter((v) => v.state === 'ok');
  const less = (room: { w: number; h: number }) => ({ w: room.w, h: room.h - HEADS });
  const { scale, views } = onPaper(built, less(inside(paper)), less(inside(paper, true)));
  return (
    <>
      <section className="sheet">
        <h1>{rig.name}</h1>
        <p>
          {STATES.map(
            (s) => `${verdicts.filter((v) => v.state === s).length} ${STATE_WORD[s]}`,
          ).join(', ')}
        </p>
        <Bar mm={100} said="100 mm. If this bar is not, print at 100 %." />
        {cautions(built, verdicts).map((c) => (
          <p key={c}>{c}</p>
        ))}
        <h2>What is said of it, worst first</h2>
        {open.length === 0 ? <p>Nothing is open.</p> : null}
        <ul>
          {open.map((v) => (
            <Finding key={v.key} v={v} />
          ))}
        </ul>
        {fine.length > 0 ? <h2>In order</h2> : null}
        <ul>
          {fine.map((v) => (
            <li key={v.key}>{v.why}</li>
          ))}
        </ul>
      </section>
      {views.map((v) => (
        <section key={v.view} className={v.across ? 'sheet across' : 'sheet'}>
          <h2>1 : {scale}</h2>
          <div dangerouslySetInnerHTML={{ __html: v.svg }} />
          <Bar mm={100} said={`100 mm on this paper, ${sayLength(100 * scale, 0)} of the rig`} />
        </section>
      ))}
      <Takes facts={facts} />
    </>
  );
}

/** A finding on paper, with its sum. */
export function Finding({ v }: { v: Verdict }) {
  return (
    <li className="finding">
      <span className="flex items-start gap-2">
        <StateGlyph state={v.state} size={14} />
        <span>
          <b>{STATE_WORD[v.state]}</b> {v.why}
        </span>
      </span>
      <span className="sum block">
        {v.sum} ({v.id}; {v.basis})
      </span>
      {v.wanted.length > 0 ? (
        <span className="sum block">Wanted: {v.wanted.join('; ')}</span>
      ) : null}
    </li>
  );
}

/** What goes on the table: parts, what is to be hired, screws, tools. */
function Takes({ facts: { rig, built, verdicts } }: { facts: RigFacts }) {
  const counts = new Map<string, number>();
  for (const id of usesOn(rig)) counts.set(id, (counts.get(id) ?? 0) + 1);
  const parts = [...counts].flatMap(([id, n]) => {
    const part = built.kit.get(id);
    return part ? [{ part, n }] : [];
  });
  const hire = parts.filter(({ part, n }) => onHand(part) < n);
  const wanted = [...new Set(verdicts.flatMap((v) => v.wanted))];
  const screws = screwBill(built);
  const tools = toolsOf(built).needed;
  return (
    <section className="sheet">
      <h2>What it takes</h2>
      <table>
        <thead>
          <tr>
            <th>part</th>
            <th>kind</th>
            <th>whose</th>
            <th className="figure">pieces</th>
            <th className="figure">{shownUnit('g').unit}</th>
          </tr>
        </thead>
        <tbody>
          {parts.map(({ part, n }) => {
            return (
              <tr key={part.id}>
                <td>{part.name}</td>
                <td>{isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind}</td>
                <td>{part.owner ?? ''}</td>
                <td className="figure">{n}</td>
                <td className="figure">{massWithTolerance(known(part.mass, 'mass'), n)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {hire.length + wanted.length > 0 ? <h2>To be hired or found</h2> : null}
      <ul>
        {hire.map(({ part, n }) => (
          <li key={part.id}>
            {part.name}: {n} on the rig, {onHand(part)} on hand
          </li>
        ))}
        {wanted.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
      {screws.length > 0 ? <h2>Screws</h2> : null}
      <ul>
        {screws.map((s) => (
          <li key={`${s.thread} ${s.length}`}>
            {s.count} x {s.thread} x {s.length === null ? '?' : `${sayLength(s.length, 1)}`}
          </li>
        ))}
      </ul>
      {tools.length > 0 ? <h2>Tools</h2> : null}
      <ul>
        {tools.map((t) => (
          <li key={t.driver.id}>{t.driver.name}</li>
        ))}
      </ul>
    </section>
  );
}
