'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { flushSync } from 'react-dom';
import { useEffect, useEffectEvent, useState } from 'react';
import { suggest, type Suggestion } from '@/core/command/command';
import { Dialog } from '@/ui/dialog';
import { PLACES } from '@/views/places';
import { PLACES_WORDS } from '@/views/places-words';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot, useStore } from '../store/store-context';

/** The places with what they are found by. */
const FOUND = PLACES.map((p) => ({ ...p, words: PLACES_WORDS[p.to] ?? '' }));

/** What was typed before the line was there. */
export interface Begun {
  text: string;
  /** It was ended with Enter. */
  entered: boolean;
}

interface CommandLineProps {
  open: boolean;
  /** Hands over what was typed before it was there. */
  take: () => Begun;
  onOpenChange: (open: boolean) => void;
}

/** The command line: one key, a few verbs, everything in the job. */
export function CommandLine({ open, take, onOpenChange }: CommandLineProps) {
  const [line, setLine] = useState('');
  const snap = useSnapshot();
  const store = useStore();
  const router = useRouter();
  const sheet = usePartSheet();
  const rig = snap.job?.rigs.find((r) => r.id === snap.rigId) ?? null;
  const list = open && snap.job ? suggest(snap.job, rig, line, FOUND) : [];
  const close = () => {
    onOpenChange(false);
    setLine('');
  };
  const run = (s: Suggestion) => {
    close();
    switch (s.deed.kind) {
      case 'edit':
        store?.edit(s.deed.edit);
        break;
      case 'go':
        router.push(s.deed.to);
        break;
      case 'rig':
        store?.selectRig(s.deed.rig);
        router.push('/');
        break;
      case 'part':
        sheet.open(s.deed.part);
    }
  };
  const begin = useEffectEvent(() => {
    const begun = take();
    // What was ended before the line was there is done as if it had been.
    const first =
      begun.entered && snap.job ? suggest(snap.job, rig, begun.text, FOUND)[0] : undefined;
    if (first) run(first);
    // At once: the next key must find it in the field, or it would stand in its place.
    else if (begun.text !== '') flushSync(() => setLine((since) => begun.text + since));
  });
  useEffect(() => {
    // By then the field has the focus; until then what is typed is taken down.
    const soon = setTimeout(begin);
    return () => clearTimeout(soon);
  }, []);
  return (
    <Dialog
      open={open}
      onOpenChange={(o) => (o ? onOpenChange(true) : close())}
      title="Command line"
    >
      <Command shouldFilter={false} label="Command line" loop>
        <Command.Input
          autoFocus
          data-first
          value={line}
          onValueChange={setLine}
          placeholder="put marl 35, swap 50 on wheelhouse, t4, go kit, find wafer"
          className="h-12 w-full rounded-sm border border-edge bg-paper px-3 text-lg placeholder:text-soft"
        />
        <Command.List className="mt-2">
          {line.trim() !== '' ? (
            <Command.Empty className="p-3 text-soft">
              Nothing by these words. Verbs: put, swap, go, find; a name, a focal length or a stop
              does too.
            </Command.Empty>
          ) : null}
          {list.map((s) => (
            <Command.Item
              key={s.id}
              value={s.id}
              onSelect={() => run(s)}
              className="flex min-h-11 items-center gap-3 rounded-sm px-3 data-[selected=true]:bg-sunk"
            >
              <span className="min-w-0 flex-1">{s.title}</span>
              <span className="text-sm text-soft">{s.hint}</span>
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}
