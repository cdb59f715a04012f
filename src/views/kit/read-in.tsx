'use client';

import { everyField } from '@/core/kit/describe';
import { isKind, KIND_NAME } from '@/core/kit/fields';
import type { Part } from '@/core/kit/types';
import type { MountIndex } from '@/core/areas/mount/kit/standards';
import { Button } from '@/ui/button';

const SHOWN = 200;

function ReadRow({
  part: p,
  mounts,
  there,
}: {
  part: Part;
  mounts: MountIndex;
  there: Part | undefined;
}) {
  return (
    <tr className="border-b border-rule align-top">
      <td className="py-1 pr-4">{isKind(p.kind) ? KIND_NAME[p.kind].one : p.kind}</td>
      <td className="py-1 pr-4">{p.name}</td>
      <td className="py-1 pr-4 text-soft">{everyField(p, mounts)}</td>
      <td className="py-1 text-soft">{there?.kind === p.kind ? 'changes the one there' : 'new'}</td>
    </tr>
  );
}

/** A list as it was understood, line by line: nothing is stored before it is taken in. */
export function ReadIn({
  name,
  parts,
  mounts,
  kit,
  take,
  leave,
}: {
  name: string;
  parts: readonly Part[];
  mounts: MountIndex;
  kit: readonly Part[];
  take: () => void;
  leave: () => void;
}) {
  const have = new Map(kit.map((p) => [p.id, p]));
  return (
    <section
      aria-label={`${name} as it was read`}
      className="my-3 border-l-4 border-accent bg-panel p-3"
    >
      <p className="font-semibold">
        {name}: {parts.length} {parts.length === 1 ? 'part' : 'parts'}, as they were read. Nothing
        is stored yet.
      </p>
      <div className="my-2 max-h-80 overflow-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="border-b border-edge">
              <th className="py-1 pr-4">kind</th>
              <th className="py-1 pr-4">name</th>
              <th className="py-1 pr-4">what it says</th>
              <th className="py-1">in the kit</th>
            </tr>
          </thead>
          <tbody>
            {parts.slice(0, SHOWN).map((p) => (
              <ReadRow key={p.id} part={p} mounts={mounts} there={have.get(p.id)} />
            ))}
          </tbody>
        </table>
        {parts.length > SHOWN ? (
          <p className="py-2 text-soft">and {parts.length - SHOWN} more</p>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-2">
        <Button look="strong" onClick={take}>
          Take {parts.length === 1 ? 'it' : `these ${parts.length}`} in
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}
