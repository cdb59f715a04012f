import { inWords } from '@/core/checks/judge';
import type { Job, Rig } from '@/core/kit/types';
import { sayCommonStop } from '@/core/set/common-stop';
import { fieldText, setTable } from '@/core/set/table';
import { STATE_WORD } from '@/ui/state-mark';
import { lensName } from '@/views/bench/options';
import { Bar } from './bar';

/** The lens set against the modes of the body, on paper. */
export function SetSheet({ job, rig }: { job: Job; rig: Rig }) {
  const table = setTable(job, rig);
  const body = job.kit.find((p) => p.id === rig.body);
  const frames = rig.frames.map((f) => f.name).join(' and ');
  return (
    <section className="sheet across">
      <h1>Lens set on {body?.name ?? 'no body'}</h1>
      <Bar mm={100} said="100 mm. If this bar is not, print at 100 %." />
      <p>
        {frames
          ? `Room at the corners of the ${frames} frame, mm, and the field across.`
          : 'Room at the corners of each mode, mm, and the field across.'}{' '}
        {sayCommonStop(table.common)}
      </p>
      <table>
        <thead>
          <tr>
            <th>lens</th>
            {table.modes.map((m) => (
              <th key={m.id}>{m.name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map(({ lens, between, own, dressed, cells }) => (
            <tr key={lens.id}>
              <td>
                {lens.name}
                <br />
                <span className="sum">
                  {lensName(lens)}
                  {own ? '' : `; wants ${between === '' ? 'no adapter' : between}`}
                  {dressed.dressed.length > 0 ? `; dressed with ${inWords(dressed.dressed)}` : ''}
                </span>
              </td>
              {cells.map((c) => (
                <td key={c.mode}>
                  {STATE_WORD[c.state]}, {c.text}
                  <br />
                  <span className="sum">{fieldText(c.field)}</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
