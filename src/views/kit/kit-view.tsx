'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { searchParts } from '@/core/command/search';
import { problemSentence, type Problem } from '@/core/format/problem';
import { newNamedId } from '@/core/engine/ids';
import { everyField, frontPartLine } from '@/core/kit/describe';
import { isKind, KIND_NAME, KINDS } from '@/core/kit/fields';
import {
  isBody,
  isLens,
  isLink,
  isReducer,
  onHand,
  type Job,
  type Kind,
  type Part,
} from '@/core/kit/types';
import { mountIndex, mountName, type MountIndex } from '@/core/areas/mount/kit/standards';
import { valueOf, type QuantityInput } from '@/core/quantity/quantity';
import { exact, plain } from '@/core/quantity/say';
import { addPart } from '@/core/solve/kit-moves';
import { mergeParts } from '@/core/solve/merge';
import { Button } from '@/ui/button';
import type { Option } from '@/ui/option';
import { Picker } from '@/ui/picker';
import { ChevronDown } from 'lucide-react';
import { saveFile } from '@/ui/file';
import { files } from '@/workers/files';
import { lensName } from '@/views/bench/options';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { FilePick, Problems } from '@/views/jobs/file-pick';
import { Mounts } from './mounts';
import { PrintButton } from '@/views/paper/print-button';
import { TypicalPicker } from './typical-picker';

const SHOWN = 200;

export function KitView() {
  const { job } = useSnapshot();
  if (!job) return <p className="p-8 text-soft">No job is open.</p>;
  return <Kit job={job} />;
}

function Kit({ job }: { job: Job }) {
  const [query, setQuery] = useState('');
  const [kind, setKind] = useState<string>('');
  const asked = useDeferredValue(query);
  const mounts = useMemo(() => mountIndex(job), [job]);
  const list = useMemo(() => {
    const pool = kind === '' ? job.kit : job.kit.filter((p) => p.kind === kind);
    return searchParts(pool, asked, job.kit.length);
  }, [job.kit, kind, asked]);
  return (
    <section className="p-4">
      <div className="flex flex-wrap items-end gap-2">
        <h1 className="mr-4 text-xl font-semibold">Kit of {job.name}</h1>
        <label className="flex items-center gap-2">
          <span className="text-soft">find</span>
          <input
            type="search"
            value={query}
            onChange={(e) => setQuery(e.target.value)}
            className="h-11 w-56 rounded-sm border border-edge bg-panel px-2"
          />
        </label>
        <KindChoice job={job} kind={kind} onKind={setKind} />
        <span className="text-soft">
          {list.length} of {job.kit.length}
        </span>
      </div>
      <InAndOut job={job} kind={kind} mounts={mounts} />
      {list.length === 0 ? (
        <p className="py-6">
          {job.kit.length === 0
            ? 'The kit is empty. Add a body and a lens, your own or typical ones, or import a list.'
            : 'Nothing in the kit by these words.'}
        </p>
      ) : (
        <ul className="grid gap-x-6 lg:grid-cols-2">
          {list.slice(0, SHOWN).map((p) => (
            <PartItem key={p.id} part={p} mounts={mounts} />
          ))}
        </ul>
      )}
      {list.length > SHOWN ? (
        <p className="py-3 text-soft">
          The first {SHOWN} are shown; type more of the name to narrow the list.
        </p>
      ) : null}
      <Mounts job={job} />
    </section>
  );
}

function KindChoice({
  job,
  kind,
  onKind,
}: {
  job: Job;
  kind: string;
  onKind: (kind: string) => void;
}) {
  const kinds = [...new Set([...KINDS, ...job.kit.map((p) => p.kind)])];
  return (
    <label className="flex items-center gap-2">
      <span className="text-soft">kind</span>
      <select
        value={kind}
        onChange={(e) => onKind(e.target.value)}
        className="h-11 rounded-sm border border-edge bg-panel px-2"
      >
        <option value="">all</option>
        {kinds.map((k) => (
          <option key={k} value={k}>
            {isKind(k) ? KIND_NAME[k].many : k}
          </option>
        ))}
      </select>
    </label>
  );
}

function PartItem({ part: p, mounts }: { part: Part; mounts: MountIndex }) {
  const sheet = usePartSheet();
  return (
    <li className="border-b border-rule">
      <button
        type="button"
        onClick={() => sheet.open(p.id)}
        className="flex min-h-12 w-full items-center gap-3 px-2 text-left hover:bg-sunk"
      >
        <span className="min-w-0 flex-1">
          <span className="font-semibold">{p.name}</span>
          <span className="block text-sm text-soft">{partLine(p, mounts)}</span>
        </span>
        <span className="text-right text-sm text-soft">
          {isKind(p.kind) ? KIND_NAME[p.kind].one : p.kind}
          <span className="block">{onHand(p) < 1 ? 'to hire' : (p.owner ?? '')}</span>
        </span>
      </button>
    </li>
  );
}

/** A part of a kind of which nothing is known yet. */
function newPart(kind: Kind): Part {
  const name = `New ${KIND_NAME[kind].one}`;
  return { id: newNamedId(name), kind, name } as Part;
}

/** The parts of one kind as a list for a spreadsheet. */
async function exportCsv(job: Job, kind: Kind): Promise<void> {
  const parts = job.kit.filter((p) => p.kind === kind);
  saveFile(`${job.id}-${kind}.csv`, await files.run((f) => f.writeKitCsv(kind, parts)), 'text/csv');
}

/** Parts added one by one, lists in and out. */
function InAndOut({ job, kind, mounts }: { job: Job; kind: string; mounts: MountIndex }) {
  const store = useStore();
  const sheet = usePartSheet();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [readIn, setReadIn] = useState<{ name: string; parts: Part[] } | null>(null);
  const add = (k: Kind) => {
    const part = newPart(k);
    store?.edit(addPart(job, part));
    sheet.open(part.id);
  };
  const importCsv = async (file: File, cancel: AbortSignal) => {
    const own = [...mounts.values()].map((m) => ({ id: m.id, name: m.name }));
    const read = await files.run(async (f) => f.readKitCsv(await file.text(), null, own), cancel);
    setProblems(read.ok ? [] : read.problems);
    // It is shown as it was understood before anything is stored.
    if (read.ok) setReadIn({ name: file.name, parts: read.value.parts });
  };
  const takeIn = (list: { name: string; parts: Part[] }) => {
    const { edit, added, changed } = mergeParts(job, list.parts);
    setReadIn(null);
    store?.edit({ ...edit, title: `Import ${list.name}` });
    store?.notice(
      `${list.name}: ${added} new ${added === 1 ? 'part' : 'parts'}, ${changed} changed. Undo takes them all back.`,
    );
  };
  return (
    <>
      <div className="my-3 flex flex-wrap gap-2">
        <Picker
          label="Kinds of parts"
          placeholder="what to add"
          options={(typed) => kindOptions(typed, kind, add)}
          trigger={
            <Button look="strong">
              Add a part
              <ChevronDown size={16} aria-hidden="true" />
            </Button>
          }
        />
        <TypicalPicker job={job} />
        <FilePick label="Import a kit, CSV" accept=".csv,text/csv" onFile={importCsv} />
        <PrintButton />
        {isKind(kind) ? (
          <Button onClick={() => void exportCsv(job, kind)}>
            Export {KIND_NAME[kind].many}, CSV
          </Button>
        ) : null}
      </div>
      <Problems problems={problems} sentence={problemSentence} close={() => setProblems([])} />
      {readIn ? (
        <ReadIn
          name={readIn.name}
          parts={readIn.parts}
          mounts={mounts}
          kit={job.kit}
          take={() => takeIn(readIn)}
          leave={() => setReadIn(null)}
        />
      ) : null}
    </>
  );
}

/** The kinds that can be added, the one that is looked at first. */
function kindOptions(typed: string, looked: string, add: (k: Kind) => void): Option[] {
  const words = typed.trim().toLowerCase();
  return [...KINDS]
    .sort((a, b) => Number(b === looked) - Number(a === looked))
    .filter((k) => `${KIND_NAME[k].one} ${KIND_NAME[k].many}`.toLowerCase().includes(words))
    .map((k) => ({ id: k, name: KIND_NAME[k].one, pick: () => add(k) }));
}

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
function ReadIn({
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

/** The line under a part's name: what tells it apart. */
function partLine(p: Part, mounts: MountIndex): string {
  if (isLens(p)) return `${lensName(p)}; ${mountName(mounts, p.mount)}`;
  if (isBody(p))
    return `${mountName(mounts, p.mount)}; ${(p.modes ?? []).map((m) => m.name).join(', ') || 'no modes yet'}`;
  if (isLink(p)) {
    const length = valueOf(p.length);
    return [
      `${mountName(mounts, p.lensMount)} to ${mountName(mounts, p.bodyMount)}`,
      isReducer(p) && valueOf(p.magnification) !== null
        ? `${plain(valueOf(p.magnification)!)}\u00d7`
        : null,
      length === null ? 'length not known' : `${exact(length, 2)} mm`,
    ]
      .filter(Boolean)
      .join('; ');
  }
  const line = frontPartLine(p);
  if (line !== null) return line;
  if (!isKind(p.kind)) return 'carried along, not computed with yet';
  const size = (['width', 'height', 'depth'] as const)
    .map((k) => valueOf((p as unknown as Record<string, QuantityInput | undefined>)[k]))
    .filter((v): v is number => v !== null);
  const mass = valueOf(p.mass);
  return (
    [
      size.length === 3 ? `${size.map((v) => plain(v, 1)).join(' x ')} mm` : null,
      mass === null ? null : `${exact(mass, 0)} g`,
    ]
      .filter(Boolean)
      .join('; ') || 'size and mass not known'
  );
}
