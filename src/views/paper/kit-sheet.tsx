import { everyField } from '@/core/kit/describe';
import { isKind, KIND_NAME } from '@/core/kit/fields';
import { onHand, type Job } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import { Bar } from './bar';

/** The kit on paper, kind by kind, to be ticked. */
export function KitSheet({ job }: { job: Job }) {
  const mounts = mountIndex(job);
  const kinds = [...new Set(job.kit.map((p) => p.kind))];
  return (
    <section className="sheet">
      <h1>Kit of {job.name}</h1>
      <Bar mm={100} said="100 mm. If this bar is not, print at 100 %." />
      {kinds.map((kind) => (
        <div key={kind}>
          <h2>{isKind(kind) ? KIND_NAME[kind].many : kind}</h2>
          <table>
            <tbody>
              {job.kit
                .filter((p) => p.kind === kind)
                .map((p) => (
                  <tr key={p.id}>
                    <td>{'\u2610'}</td>
                    <td>{p.name}</td>
                    <td className="sum">{everyField(p, mounts)}</td>
                    <td>{p.owner ?? ''}</td>
                    <td className="figure">{onHand(p) < 1 ? 'to hire' : onHand(p)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      ))}
    </section>
  );
}
