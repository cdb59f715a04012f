import { shared } from '@/core/build/build';
import { sideBySide } from '@/core/doc/side-by-side';
import type { JobDoc } from '@/core/kit/kept';
import { sayLength, sayMass } from '@/core/quantity/say';
import { changesBetween } from '@/core/set/changes';
import { configurationTable, type ConfigurationCell } from '@/core/set/configurations';
import { STATE_WORD } from '@/ui/state-mark';
import { Bar } from './bar';

/** One rig in all of its configurations, and what has to be done from the rig itself to each. */
export function ConfigurationsSheet({ doc, rigId }: { doc: JobDoc; rigId: string }) {
  const side = sideBySide(doc, rigId);
  if (!side) return null;
  const base = shared(side.job);
  const { columns, rows } = configurationTable(
    side.job,
    side.standings.map((s) => s.rig),
    base,
  );
  const differs = rows.filter((r) => r.differs);
  const [first, ...others] = side.standings;
  return (
    <>
      <section className="sheet across">
        <h1>Configurations of {first!.rig.name}</h1>
        <Bar mm={100} said="100 mm. If this bar is not, print at 100 %." />
        <table>
          <thead>
            <tr>
              <th />
              {side.standings.map((s) => (
                <th key={s.id ?? ''}>{s.name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>weighed parts</td>
              {columns.map((c, i) => (
                <td key={i}>
                  {sayMass(c.mass)}
                  {c.unweighed > 0 ? `, ${c.unweighed} not weighed` : ''}
                </td>
              ))}
            </tr>
            <tr>
              <td>across, up, along</td>
              {columns.map((c, i) => (
                <td key={i}>
                  {c.size ? c.size.map((x) => sayLength(x, 0)).join(' x ') : 'nothing stands'}
                  {c.open ? ', sizes missing' : ''}
                </td>
              ))}
            </tr>
            {differs.map((r) => (
              <tr key={r.check}>
                <td>{r.title}</td>
                {r.cells.map((c, i) => (
                  <td key={i}>{cellWords(c)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p>
          {rows.length - differs.length} checks say the same in all of them and are not listed. An
          empty cell was not looked at.
        </p>
      </section>
      <section className="sheet">
        {others.map((s) => {
          const { list, screws, tools } = changesBetween(side.job, base, first!, s);
          return (
            <div key={s.id}>
              <h2>
                From {first!.name} to {s.name}
              </h2>
              <ul>
                {list.map((c, i) => (
                  <li key={i}>
                    {'\u2610'} {c.what}: {c.text}
                  </li>
                ))}
                {screws.more.map((x) => (
                  <li key={`s${x}`}>
                    {'\u2610'} screw: {x}
                  </li>
                ))}
                {tools.more.map((x) => (
                  <li key={`t${x}`}>
                    {'\u2610'} tool: {x}
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
      </section>
    </>
  );
}

const cellWords = (c: ConfigurationCell) =>
  c.state === null ? '' : c.state === 'ok' ? STATE_WORD.ok : `${STATE_WORD[c.state]}: ${c.why}`;
