'use client';

import { useState } from 'react';
import { csvText } from '@/core/format/cells';
import { problemSentence, type Problem } from '@/core/format/problem';
import { isKind, KIND_NAME } from '@/core/kit/fields';
import type { Job, Kind, Part } from '@/core/kit/types';
import type { MountIndex } from '@/core/areas/mount/kit/standards';
import type { ListGrid } from '@/core/list/grid';
import { mergeParts } from '@/core/solve/merge';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { FilePick, Problems } from '@/views/jobs/file-pick';
import { PrintButton } from '@/views/paper/print-button';
import { useStore } from '@/views/store/store-context';
import { files } from '@/workers/files';
import { AddPicker } from './add-picker';
import { ListImport } from './list-import';
import { ReadIn } from './read-in';

/** The parts of one kind as a list for a spreadsheet. */
async function exportCsv(job: Job, kind: Kind): Promise<void> {
  const parts = job.kit.filter((p) => p.kind === kind);
  saveFile(`${job.id}-${kind}.csv`, await files.run((f) => f.writeKitCsv(kind, parts)), 'text/csv');
}

/** Parts added one by one, lists in and out. */
export function InAndOut({ job, kind, mounts }: { job: Job; kind: string; mounts: MountIndex }) {
  const store = useStore();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [readIn, setReadIn] = useState<{ name: string; parts: Part[] } | null>(null);
  const [loose, setLoose] = useState<(ListGrid & { name: string }) | null>(null);
  const importList = async (file: File, cancel: AbortSignal) => {
    setProblems([]);
    setReadIn(null);
    setLoose(null);
    const list = await files.run((f) => f.readGrid(file), cancel);
    // It is shown as it was understood before anything is stored.
    if (!list.own) {
      setLoose({ name: file.name, grid: list.grid, notes: list.notes });
      return;
    }
    const own = [...mounts.values()].map((m) => ({ id: m.id, name: m.name }));
    const read = await files.run(async (f) => f.readKitCsv(await file.text(), null, own), cancel);
    setProblems(read.ok ? [] : read.problems);
    if (read.ok) setReadIn({ name: file.name, parts: read.value.parts });
  };
  const template = async (k: Kind) =>
    saveFile(`${k}-template.csv`, csvText(await files.run((f) => f.templateOf(k)), []), 'text/csv');
  const takeIn = (list: { name: string; parts: Part[] }) => {
    const { edit, added, changed } = mergeParts(job, list.parts);
    setReadIn(null);
    setLoose(null);
    store?.edit({ ...edit, title: `Import ${list.name}` });
    store?.notice(
      `${list.name}: ${added} new ${added === 1 ? 'part' : 'parts'}, ${changed} changed. Undo takes them all back.`,
    );
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <AddPicker job={job} looked={kind} />
        <FilePick
          label="Import a list"
          accept=".csv,.tsv,.txt,.xlsx,text/csv"
          onFile={importList}
        />
        <PrintButton />
        {isKind(kind) ? (
          <>
            <Button onClick={() => void exportCsv(job, kind)}>
              Export {KIND_NAME[kind].many}, CSV
            </Button>
            <Button onClick={() => void template(kind)}>Save an empty list to fill in</Button>
          </>
        ) : null}
      </div>
      <Problems problems={problems} sentence={problemSentence} close={() => setProblems([])} />
      {loose ? (
        <ListImport
          key={loose.name}
          {...loose}
          job={job}
          mounts={mounts}
          take={(parts) => takeIn({ name: loose.name, parts })}
          leave={() => setLoose(null)}
        />
      ) : null}
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
