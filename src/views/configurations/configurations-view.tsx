'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { shared } from '@/core/build/build';
import { sideBySide, type SideBySide } from '@/core/doc/side-by-side';
import { changesBetween, type Done, type RigChange, type RigChanges } from '@/core/set/changes';
import { addConfiguration, asTheRig } from '@/core/solve/configurations';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';
import { StateGlyph, STATE_WORD } from '@/ui/state-mark';
import { useBench } from '@/views/bench/bench';
import { PrintButton } from '@/views/paper/print-button';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { Bodies } from './bodies';
import { useBeside, type Beside } from './beside';
import { ChecksTable, HEAD, Heads, type Column } from './checks-table';

/** One rig in all of its configurations: what gets worse where, and what has to be done in between. */
export function ConfigurationsView() {
  const { doc, rigId } = useSnapshot();
  const side = doc && rigId !== null ? sideBySide(doc, rigId) : null;
  if (!side) return <p className="p-8 text-soft">No rig is open.</p>;
  return <Configurations side={side} />;
}

function Configurations({ side }: { side: SideBySide }) {
  const { job, rigId, configuration } = useSnapshot();
  const store = useStore();
  const rig = job?.rigs.find((r) => r.id === rigId);
  const { beside, trouble } = useBeside(side, configuration);
  const columns = useColumns(side, configuration);
  if (!rig) return null;
  const begin = () => {
    const { edit, id } = addConfiguration(rig, 'configuration');
    store?.edit(edit);
    store?.selectRig(rig.id, id);
  };
  const alone = side.standings.length === 1;
  return (
    <section className="flex flex-col gap-6 p-4">
      <div>
        <div className="flex flex-wrap items-center justify-between gap-x-4">
          <h1 className="text-xl font-semibold">Configurations of {rig.name}</h1>
          <span className="flex items-center gap-2">
            <PrintButton />
          </span>
        </div>
        <p className="max-w-3xl text-soft">
          {alone
            ? 'The same rig for another job of work: studio, shoulder, cabin, gimbal. A configuration is what is other than on the rig itself; all else follows the rig.'
            : 'Press a cell to open that configuration at its finding. What is changed while one is open belongs to it alone.'}
        </p>
        {alone ? (
          <Button className="mt-2" onClick={begin}>
            New configuration
          </Button>
        ) : null}
      </div>
      {trouble ? <p className="text-fail">{trouble}</p> : null}
      {beside ? (
        <ChecksTable
          caption="Checks in every configuration"
          columns={columns}
          table={beside.table}
        />
      ) : (
        <p className="text-soft" role="status">
          Every configuration is being checked ...
        </p>
      )}
      {alone ? null : <Changes key={rig.id} side={side} open={configuration} />}
      <Lenses side={side} columns={columns} beside={beside} />
      <Bodies bodies={beside?.bodies ?? null} />
    </section>
  );
}

function useOpen(side: SideBySide) {
  const store = useStore();
  const bench = useBench();
  const router = useRouter();
  const rigId = side.standings[0]!.rig.id;
  return (id: string | null, key?: string | null) => {
    store?.selectRig(rigId, id);
    if (key === undefined) return;
    bench?.setArea(null);
    bench?.setPicked(key);
    bench?.setPanel('findings');
    router.push('/');
  };
}

function useColumns(side: SideBySide, open: string | null): Column[] {
  const go = useOpen(side);
  return side.standings.map((s) => ({
    key: s.id ?? '',
    name: s.name,
    open: (finding) => go(s.id, finding),
    head: (
      <button
        type="button"
        className={`min-h-11 w-full rounded-sm px-2 text-left hover:bg-sunk ${s.id === open ? 'border-b-2 border-accent' : ''}`}
        aria-current={s.id === open || undefined}
        aria-label={`${s.name}${s.id === open ? ', open' : ': open it'}`}
        onClick={() => go(s.id)}
      >
        {s.name}
      </button>
    ),
  }));
}

const SAID: Readonly<Record<Done, string>> = {
  'left off': 'comes off',
  added: 'goes on',
  swapped: 'is swapped',
  moved: 'moves',
  set: 'is set otherwise',
  'goes along': 'goes along with what it is on',
};

/** What has to be done from one to another. */
function Changes({ side, open }: { side: SideBySide; open: string | null }) {
  const [from, setFrom] = useState<string | null>(null);
  const [chosen, setTo] = useState<string | null | undefined>(undefined);
  const to = chosen !== undefined ? chosen : (open ?? side.standings[1]!.id);
  const find = (x: string | null) => side.standings.find((s) => s.id === x) ?? side.standings[0]!;
  const [a, b] = [find(from), find(to)];
  const store = useStore();
  const rig = side.standings[0]!.rig;
  const kit = useMemo(() => new Map(side.job.kit.map((p) => [p.id, p])), [side]);
  const changes = useMemo(() => changesBetween(side.job, shared(side.job), a, b), [side, a, b]);
  const back = (id: string | null) => {
    const of = rig.configurations?.find((c) => c.id === id);
    return of
      ? (c: RigChange) =>
          store?.edit(
            asTheRig(rig, of, {
              use: c.use,
              field: c.field,
              links: c.links,
              name: kit.get(c.part ?? '')?.name ?? c.text,
            }),
          )
      : null;
  };
  const options = side.standings.map((x) => ({ id: x.id ?? '', name: x.name }));
  return (
    <section aria-label="What changes">
      <h2 className="text-lg font-semibold">What changes</h2>
      <div className="flex flex-wrap gap-x-5 gap-y-2">
        <LabelledSelect
          label="from"
          value={a.id ?? ''}
          options={options}
          onPick={(x) => setFrom(x === '' ? null : x)}
        />
        <LabelledSelect
          label="to"
          value={b.id ?? ''}
          options={options}
          onPick={(x) => setTo(x === '' ? null : x)}
        />
      </div>
      <ChangeList changes={changes} back={a.id === null ? back(b.id) : null} />
    </section>
  );
}

function ChangeList({
  changes,
  back,
}: {
  changes: RigChanges;
  /** Takes back what a configuration says; null where it is not laid against its rig. */
  back: ((c: RigChange) => void) | null;
}) {
  const { list, screws, tools } = changes;
  const kinds = (Object.keys(SAID) as Done[]).filter((k) => list.some((c) => c.what === k));
  if (kinds.length === 0) return <p className="mt-2">Nothing: the two stand alike.</p>;
  return (
    <div className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-2 xl:grid-cols-3">
      {kinds.map((k) => (
        <div key={k}>
          <h3 className="font-semibold">{SAID[k]}</h3>
          <ul>
            {list
              .filter((c) => c.what === k)
              .map((c) => (
                <li
                  key={`${c.use ?? ''} ${c.text}`}
                  className="flex min-h-11 items-center gap-2 border-t border-rule"
                >
                  <span className="min-w-0 flex-1">{c.text}</span>
                  {back && c.what !== 'goes along' ? (
                    <Button
                      look="bare"
                      aria-label={`${c.text}: as the rig has it again`}
                      onClick={() => back(c)}
                    >
                      as the rig
                    </Button>
                  ) : null}
                </li>
              ))}
          </ul>
        </div>
      ))}
      <div>
        <h3 className="font-semibold">screws and tools</h3>
        <ul>
          {[
            ...screws.more.map((s) => `${s} more`),
            ...screws.fewer.map((s) => `${s} fewer`),
            ...tools.more.map((t) => `${t} is wanted`),
            ...tools.fewer.map((t) => `${t} is not wanted any more`),
          ].map((t) => (
            <li key={t} className="border-t border-rule py-1">
              {t}
            </li>
          ))}
          {screws.more.length + screws.fewer.length + tools.more.length + tools.fewer.length ===
          0 ? (
            <li className="border-t border-rule py-1 text-soft">the same</li>
          ) : null}
        </ul>
      </div>
    </div>
  );
}

/** Every lens of the set in every configuration, by everything there is to check. */
function Lenses({
  side,
  columns,
  beside,
}: {
  side: SideBySide;
  columns: readonly Column[];
  beside: Beside | null;
}) {
  if (!beside || beside.lenses.length === 0) return null;
  const on = side.standings[0]!.rig.lens;
  return (
    <section aria-label="Lens set">
      <h2 className="text-lg font-semibold">The lens set in every configuration</h2>
      <p className="max-w-3xl text-soft">
        The worst of everything there is to check, each lens with what follows it when it is put on,
        and what it brings that is not there with the lens that is on.
      </p>
      <div className="overflow-x-auto">
        <table className="border-collapse">
          <thead>
            <Heads columns={columns} />
          </thead>
          <tbody>
            {beside.lenses.map(({ lens, cells }) => (
              <tr key={lens.id} className="border-t border-rule">
                <th scope="row" className={`${HEAD} font-normal`}>
                  <span className={lens.id === on ? 'font-semibold' : ''}>{lens.name}</span>
                </th>
                {cells.map((c, i) => (
                  <td key={side.standings[i]!.id ?? ''} className="max-w-64 p-2 align-top">
                    <span className="flex items-center gap-2">
                      <StateGlyph state={c.state} />
                      <span className="font-semibold">
                        {c.fails > 0
                          ? `${c.fails} ${c.fails === 1 ? 'fails' : 'fail'}`
                          : STATE_WORD[c.state]}
                      </span>
                    </span>
                    {c.more > 0 ? (
                      <span className="line-clamp-3 text-sm text-soft">
                        {c.more} more: {c.why}
                      </span>
                    ) : (
                      <span className="text-sm text-soft">
                        {lens.id === on ? 'it is on' : 'brings nothing more'}
                      </span>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
