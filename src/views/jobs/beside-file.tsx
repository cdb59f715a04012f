'use client';

import { useMemo, useState } from 'react';
import { takeFrom, whatDiffers, type DifferingThing } from '@/core/doc/beside';
import { problemSentence } from '@/core/format/problem';
import { referenceProblems } from '@/core/format/references';
import type { JobDoc } from '@/core/kit/kept';
import { howMany } from '@/core/quantity/say';
import type { JobStore as Store } from '@/db/store';
import { Button } from '@/ui/button';

/** What keeps a job from being worked with; null when nothing does. */
const sound = (job: JobDoc): string | null => {
  const [first] = referenceProblems(job);
  return first ? problemSentence(first) : null;
};

/** As many things are listed. */
const SHOWN = 300;

const STATE = { new: 'only in the file', gone: 'only here', other: 'other' } as const;

/** A file of a job that is here already: what differs, to be taken all, none, or each by itself. */
export function BesideFile({
  store,
  here,
  there,
  copy,
  leave,
}: {
  store: Store;
  here: JobDoc;
  there: JobDoc;
  copy: () => void;
  leave: () => void;
}) {
  const things = useMemo(() => whatDiffers(here, there), [here, there]);
  const all = things.flatMap((t) => t.items.filter((i) => i.changes.length > 0).map((i) => i.key));
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const mark = (keys: readonly string[], on: boolean) =>
    setMarked((was) => new Set(on ? [...was, ...keys] : [...was].filter((k) => !keys.includes(k))));
  const take = (keys: ReadonlySet<string>) => {
    const edit = takeFrom(here, things, keys, 'the file', sound);
    if (!edit) {
      store.notice(
        'Taken so, the job could not be worked with: what goes onto a rig and what holds it belong together. Take more of it, or all.',
        'warn',
      );
      return;
    }
    store.edit(edit, true);
    store.notice(`Taken from the file: ${howMany(keys.size, 'difference')}. Undo takes it back.`);
    leave();
  };
  const marks = [...marked].filter((k) => all.includes(k));
  return (
    <section
      aria-label={`${there.name} in the file and here`}
      className="my-3 border-l-4 border-accent bg-panel p-3"
    >
      <p className="font-semibold">
        {here.name} is here already.{' '}
        {things.length === 0
          ? 'The file says the same.'
          : `${howMany(things.length, 'thing')} in the file ${things.length === 1 ? 'is' : 'are'} other. Nothing is taken yet.`}
      </p>
      <div className="my-2 max-h-96 overflow-auto">
        {things.slice(0, SHOWN).map((t) => (
          <Thing key={t.key} thing={t} marked={marked} mark={mark} />
        ))}
        {things.length > SHOWN ? (
          <p className="py-2 text-soft">
            and {things.length - SHOWN} more; Take all takes them, too
          </p>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-2">
        {things.length > 0 ? (
          <Takes marked={marks} all={all} take={(keys) => take(new Set(keys))} />
        ) : null}
        <Button onClick={copy}>Take it in as a copy</Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}

function Takes({
  marked,
  all,
  take,
}: {
  marked: readonly string[];
  all: readonly string[];
  take: (keys: readonly string[]) => void;
}) {
  return (
    <>
      <Button look="strong" disabled={marked.length === 0} onClick={() => take(marked)}>
        Take what is marked
      </Button>
      <Button disabled={all.length === 0} onClick={() => take(all)}>
        Take all
      </Button>
    </>
  );
}

function Thing({
  thing: t,
  marked,
  mark,
}: {
  thing: DifferingThing;
  marked: ReadonlySet<string>;
  mark: (keys: readonly string[], on: boolean) => void;
}) {
  const keys = t.items.filter((i) => i.changes.length > 0).map((i) => i.key);
  const on = keys.filter((k) => marked.has(k)).length;
  return (
    <fieldset className="border-b border-rule py-1">
      <legend className="sr-only">{t.name}</legend>
      <label className="flex min-h-11 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="size-5"
          disabled={keys.length === 0}
          checked={keys.length > 0 && on === keys.length}
          onChange={(e) => mark(keys, e.target.checked)}
        />
        {t.name}
        <span className="font-normal text-soft">
          {t.sort === 'rig' ? 'rig, ' : ''}
          {STATE[t.state]}
        </span>
      </label>
      <ul className="pl-7">
        {t.items.map((i) => (
          <li key={i.key}>
            {t.items.length === 1 ? (
              <span className="text-soft">{i.said}</span>
            ) : (
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  disabled={i.changes.length === 0}
                  checked={marked.has(i.key)}
                  onChange={(e) => mark([i.key], e.target.checked)}
                />
                {i.said}
              </label>
            )}
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
