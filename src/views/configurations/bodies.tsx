'use client';

import type { BodyColumn, BodyTable } from '@/core/set/bodies';
import { Button } from '@/ui/button';
import { putBody } from '@/core/areas/coverage/moves/body';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { ChecksTable, type Column } from './checks-table';

/** The rig that is open on every body of the kit: which could stand in for which. */
export function Bodies({ bodies }: { bodies: BodyTable | null }) {
  const store = useStore();
  const { job, rigId } = useSnapshot();
  const rig = job?.rigs.find((r) => r.id === rigId);
  if (!job || !rig || !bodies || bodies.bodies.length < 2) return null;
  const columns = bodies.bodies.map((b): Column => ({
    key: b.body.id,
    name: b.body.name,
    open: null,
    head: <Head of={b} onPut={() => store?.edit(putBody(job, rig, b.body))} />,
  }));
  return (
    <section aria-label="Other bodies">
      <h2 className="text-lg font-semibold">The same rig on another body</h2>
      <p className="max-w-3xl text-soft">
        Every body of the kit in the place of the one that is on, with the chain that follows it;
        what stood in its holes goes into the like ones.
      </p>
      <ChecksTable caption="Checks on every body" columns={columns} table={bodies.table} />
    </section>
  );
}

function Head({ of: b, onPut }: { of: BodyColumn; onPut: () => void }) {
  return (
    <div className="max-w-64 px-2 font-normal">
      <span className="font-semibold">{b.body.name}</span>
      <span className="block text-sm text-soft">
        {b.on ? 'it is on' : alikeWords(b)}
        {b.toHire ? '; to be hired' : ''}
      </span>
      {b.on ? null : (
        <Button className="my-1" aria-label={`Put ${b.body.name} on`} onClick={onPut}>
          Put on
        </Button>
      )}
    </div>
  );
}

function alikeWords({ likeness }: BodyColumn): string {
  if (!likeness) return 'no body is on to lay it against';
  if (likeness.same === true) return 'the same outside, the same holes';
  return likeness.says.join(', ');
}
