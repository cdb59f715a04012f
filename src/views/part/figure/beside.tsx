'use client';

import { differences, unitShown, written } from '@/core/kit/numbers';
import type { Job, Part } from '@/core/kit/types';
import { signed } from '@/core/quantity/say';
import { LabelledSelect } from '@/ui/labelled-select';

/** Another part of the kind laid over the drawing, and what the two say otherwise. */
export function Beside({
  part,
  job,
  other,
  onOther,
}: {
  part: Part;
  job: Job;
  other: Part | null;
  onOther: (id: string | null) => void;
}) {
  const rest = job.kit.filter((p) => p.kind === part.kind && p.id !== part.id);
  if (rest.length === 0) return null;
  const list = other ? differences(part, other) : [];
  return (
    <div className="mt-1">
      <LabelledSelect
        label="lay over it"
        value={other?.id ?? ''}
        options={[{ id: '', name: 'nothing' }, ...rest.map((p) => ({ id: p.id, name: p.name }))]}
        onPick={(id) => onOther(id === '' ? null : id)}
      />
      {other ? (
        <div className="max-h-72 overflow-auto">
          <table className="w-full text-left">
            <caption className="sr-only">
              What {part.name} and {other.name} say otherwise
            </caption>
            <thead>
              <tr className="border-b border-edge">
                <th scope="col">number</th>
                <th scope="col" className="pr-4 text-right">
                  {part.name}
                </th>
                <th scope="col" className="pr-4 text-right text-accent">
                  {other.name}
                </th>
                <th scope="col" className="text-right">
                  difference
                </th>
              </tr>
            </thead>
            <tbody>
              {list.map((d) => (
                <tr key={d.label} className="border-b border-rule">
                  <th scope="row" className="font-normal text-soft">
                    {d.label}
                    {d.unit ? `, ${unitShown(d.a ?? d.b ?? d).unit}` : ''}
                  </th>
                  <td className="pr-4 text-right">{d.a ? written(d.a) : '?'}</td>
                  <td className="pr-4 text-right">{d.b ? written(d.b) : '?'}</td>
                  <td className="text-right">
                    {d.differs === null
                      ? 'not known'
                      : signed(
                          d.differs * unitShown(d.a ?? d.b ?? d).per,
                          2 + Math.max(0, unitShown(d.a ?? d.b ?? d).more),
                        )}
                    {d.within ? ' (may be the same)' : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {list.length === 0 ? <p className="py-2">The two say the same.</p> : null}
        </div>
      ) : null}
    </div>
  );
}
