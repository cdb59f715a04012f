'use client';

import type { useAreas } from '@/views/store/use-checks';
import type { RigFacts } from './use-rig';

/** Shows the findings of one area, or all. */
export function AreaFilter({
  facts,
  areas,
  area,
  onArea,
  onPick,
}: {
  facts: RigFacts;
  areas: NonNullable<ReturnType<typeof useAreas>>;
  area: string | null;
  onArea: (area: string | null) => void;
  onPick: (key: string) => void;
}) {
  const open = areas.openAreas(facts.verdicts);
  // An area that was cleared while it was looked at stays in the list.
  const gone = area !== null && !open.some((a) => a.id === area);
  const choose = (next: string | null) => {
    onArea(next);
    const first = facts.verdicts.find(
      (v) => v.state !== 'ok' && (next === null || areas.areaOf(v.id)?.id === next),
    );
    if (first) onPick(first.key);
  };
  return (
    <select
      aria-label="Findings of which area"
      value={area ?? ''}
      onChange={(e) => choose(e.target.value === '' ? null : e.target.value)}
      className="ml-auto h-11 rounded-sm border border-edge bg-paper px-2"
    >
      <option value="">all areas</option>
      {open.map((a) => (
        <option key={a.id} value={a.id}>
          {a.name}, {a.open}
        </option>
      ))}
      {gone ? <option value={area}>{areas.areaName(area)}, none</option> : null}
    </select>
  );
}
