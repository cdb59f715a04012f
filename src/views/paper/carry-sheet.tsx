import { carry } from '@/core/areas/carry/area';
import { carriedWords, massBars } from '@/core/areas/carry/model/drawn';
import { logOf } from '@/core/areas/carry/model/log';
import { lyingOf } from '@/core/areas/carry/model/lying';
import { cautions } from '@/core/areas/cautions';
import { STATES } from '@/core/checks/finding';
import { carried } from '@/core/readings/carried';
import { carriedSet } from '@/core/set/carried';
import { STATE_WORD } from '@/ui/state-mark';
import type { RigFacts } from '@/views/bench/use-rig';
import { Finding } from './rig-sheet';

const OWN: ReadonlySet<string> = new Set(carry.checks.map((c) => c.id));

/** How the rig is carried, on paper: balance, what it asks of who holds it, marks for every lens. */
export function CarrySheet({ facts }: { facts: RigFacts }) {
  const { rig, built, verdicts } = facts;
  const own = verdicts.filter((v) => OWN.has(v.id));
  return (
    <>
      <section className="sheet">
        <h1>{rig.name}: how it is carried</h1>
        <p>{carriedWords(built)}</p>
        {cautions(built, verdicts).map((c) => (
          <p key={c}>{c}</p>
        ))}
        <h2>What is said of it</h2>
        <ul>
          {STATES.flatMap((state) => own.filter((v) => v.state === state)).map((v) => (
            <Finding key={v.key} v={v} />
          ))}
        </ul>
        <h2>Figures</h2>
        <table>
          <tbody>
            {carried(built).map((r) => (
              <tr key={r.id}>
                <td>{r.label}</td>
                <td className="figure">{r.text}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <h2>To lay it down</h2>
        <ul>
          {lyingOf(built).map((l) => (
            <li key={l.side}>
              {l.safe ? <b>can lie </b> : null}
              {l.text}
            </li>
          ))}
        </ul>
      </section>
      <Lenses facts={facts} />
    </>
  );
}

/** Marks for every lens, all masses, and what was measured. */
function Lenses({ facts: { rig, built, job } }: { facts: RigFacts }) {
  const set = carriedSet(job, rig);
  const log = logOf(built);
  return (
    <section className="sheet">
      <h2>Lens by lens</h2>
      {set.one ? <p>{set.one.text}</p> : null}
      <table>
        <thead>
          <tr>
            <th>lens</th>
            <th className="figure">weighs</th>
            <th>centre off the hold</th>
            <th>mark{set.slider ? `, ${set.slider}` : ''}</th>
            <th>asks for</th>
          </tr>
        </thead>
        <tbody>
          {set.lenses.map((l) => (
            <tr key={l.lens.id}>
              <td>{l.lens.name}</td>
              <td className="figure">{l.mass}</td>
              <td>{l.text}</td>
              <td>{l.mark}</td>
              <td>
                {l.asks.map((a) => (
                  <span key={`${a.check} ${a.why}`} className="block">
                    {STATE_WORD[a.state]}: {a.why}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Masses, heaviest first</h2>
      <table>
        <tbody>
          {massBars(built).map((b) => (
            <tr key={b.part}>
              <td>{b.name}</td>
              <td className="figure">{b.count}</td>
              <td className="figure">{b.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {log.length > 0 ? <h2>What was measured</h2> : null}
      <ul>
        {log.map((l) => (
          <li key={l.id}>
            {[l.when, l.what, l.measured, l.off, `forecast ${l.forecast}`]
              .filter(Boolean)
              .join(', ')}
          </li>
        ))}
      </ul>
    </section>
  );
}
