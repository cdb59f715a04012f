'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { searchParts } from '@/core/command/search';
import { problemSentence, type Problem } from '@/core/format/problem';
import { idFromName } from '@/core/kit/ids';
import { frontPartLine } from '@/core/kit/describe';
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
import { mountIndex, mountName, type MountIndex } from '@/core/mounts/registry';
import { valueOf } from '@/core/quantity/quantity';
import { exact, plain } from '@/core/quantity/say';
import { addPart } from '@/core/solve/moves';
import { mergeParts } from '@/core/solve/merge';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { files } from '@/workers/files';
import { lensName } from '@/views/rig/options';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot, useStore } from '@/views/shell/store-context';
import { FilePick, Problems } from '@/views/jobs/file-pick';
import { Mounts } from './mounts';

const SHOWN = 200;

export function KitView() {
  const { job } = useSnapshot();
  if (!job) return <p className="p-8 text-soft">No job is open.</p>;
  return <Kit job={job} />;
}

function Kit({ job }: { job: Job }) {
  const store = useStore();
  const sheet = usePartSheet();
  const [query, setQuery] = useState('');
  const [kind, setKind] = useState<string>('');
  const [problems, setProblems] = useState<Problem[]>([]);
  const asked = useDeferredValue(query);
  const mounts = useMemo(() => mountIndex(job), [job]);
  const list = useMemo(() => {
    const pool = kind === '' ? job.kit : job.kit.filter((p) => p.kind === kind);
    return searchParts(pool, asked, job.kit.length);
  }, [job.kit, kind, asked]);
  const kinds = [...new Set([...KINDS, ...job.kit.map((p) => p.kind)])];

  const add = (k: Kind) => {
    const name = `New ${KIND_NAME[k].one}`;
    const part: Part = {
      id: idFromName(name, new Set(job.kit.map((p) => p.id))),
      kind: k,
      name,
    } as Part;
    store?.edit(addPart(job, part));
    sheet.open(part.id);
  };
  const importCsv = async (file: File) => {
    const read = await files().readKitCsv(await file.text());
    if (!read.ok) {
      setProblems(read.problems);
      return;
    }
    setProblems([]);
    const { edit, added, changed } = mergeParts(job, read.value.parts);
    store?.edit({ ...edit, title: `Import ${file.name}` });
    store?.notice(
      `${file.name}: ${added} new ${KIND_NAME[read.value.kind][added === 1 ? 'one' : 'many']}, ${changed} changed. Undo takes them all back.`,
    );
  };
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
        <label className="flex items-center gap-2">
          <span className="text-soft">kind</span>
          <select
            value={kind}
            onChange={(e) => setKind(e.target.value)}
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
        <span className="text-soft">
          {list.length} of {job.kit.length}
        </span>
      </div>
      <div className="my-3 flex flex-wrap gap-2">
        {KINDS.map((k) => (
          <Button key={k} onClick={() => add(k)}>
            Add {/^[aeiou]/.test(KIND_NAME[k].one) ? 'an' : 'a'} {KIND_NAME[k].one}
          </Button>
        ))}
        <FilePick label="Import a kit, CSV" accept=".csv,text/csv" onFile={importCsv} />
        {isKind(kind) ? (
          <Button
            onClick={async () =>
              saveFile(
                `${job.id}-${kind}.csv`,
                await files().writeKitCsv(
                  kind,
                  job.kit.filter((p) => p.kind === kind),
                ),
                'text/csv',
              )
            }
          >
            Export {KIND_NAME[kind].many}, CSV
          </Button>
        ) : null}
      </div>
      <Problems problems={problems} sentence={problemSentence} close={() => setProblems([])} />
      {list.length === 0 ? (
        <p className="py-6">
          {job.kit.length === 0
            ? 'The kit is empty. Add a body and a lens to begin, or import a list.'
            : 'Nothing in the kit by these words.'}
        </p>
      ) : (
        <ul className="grid gap-x-6 lg:grid-cols-2">
          {list.slice(0, SHOWN).map((p) => (
            <li key={p.id} className="border-b border-rule">
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
  return frontPartLine(p) ?? 'carried along, not computed with yet';
}
