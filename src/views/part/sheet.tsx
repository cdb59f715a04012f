'use client';

import { useState } from 'react';
import { concerns, FIELDS, isKind, KIND_NAME } from '@/core/kit/fields';
import { newNamedId } from '@/core/engine/ids';
import { partsOn } from '@/core/roles/uses';
import { isLens, onHand, type Job, type Part } from '@/core/kit/types';
import { addPart, setField } from '@/core/solve/kit-moves';
import { removePart } from '@/core/solve/remove-part';
import { keepInSet } from '@/core/areas/coverage/moves/lens';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { FigureEditor, onFigure } from './figure/figure-editor';
import { FieldEditor } from './field-editor';

interface SheetProps {
  id: string;
  close: () => void;
  openOther: (id: string) => void;
}

/** A part with what it says about itself: most needed first, the rest on request. */
export function Sheet({ id, close, openOther }: SheetProps) {
  const { job } = useSnapshot();
  const store = useStore();
  const [all, setAll] = useState(false);
  const [listed, setListed] = useState(false);
  const part = job?.kit.find((p) => p.id === id);
  if (!job || !part) return null;
  const fields = isKind(part.kind) ? FIELDS[part.kind] : [];
  const filled = (key: string) => (part as unknown as Record<string, unknown>)[key] !== undefined;
  // What stands on the drawing is not asked for twice.
  const drawn = listed ? new Set<string>() : onFigure(part);
  const own = fields.filter((f) => (filled(f.key) || concerns(f, part)) && !drawn.has(f.key));
  const shown = own.filter((f) => all || f.first || filled(f.key));
  const hidden = own.length - shown.length;
  const usedBy = job.rigs.filter((r) => partsOn(r).has(part.id));
  return (
    <Dialog open onOpenChange={(o) => !o && close()} title={part.name} side wide>
      <div className="mb-2 flex flex-wrap items-center gap-x-4">
        <p className="min-w-0 flex-1 text-soft">
          {isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind}
          {usedBy.length > 0 ? `, on ${usedBy.map((r) => r.name).join('; ')}` : ', on no rig'}
        </p>
        {fields.length > 0 ? (
          <Button look="bare" className="underline" onClick={() => setListed(!listed)}>
            {listed ? 'Show the drawing' : 'All as a list'}
          </Button>
        ) : null}
      </div>
      {listed ? null : <FigureEditor key={part.id} part={part} job={job} />}
      <div className="mt-2 border-t border-rule pt-2" data-kind={part.kind}>
        <div className="gap-x-8 *:break-inside-avoid md:columns-2">
          {fields.length === 0 ? (
            <p>This version carries parts of this kind along but does not compute with them.</p>
          ) : null}
          {isLens(part) ? (
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={!job.lensSet || job.lensSet.includes(part.id)}
                onChange={(e) => store?.edit(keepInSet(job, part, e.target.checked))}
              />
              in the lens set that is stepped through
            </label>
          ) : null}
          {shown.map((f) => (
            <FieldEditor
              key={`${part.id}/${f.key}`}
              field={f}
              part={part}
              path={['kit', part.id, f.key]}
            />
          ))}
          {hidden > 0 || all ? (
            <Button
              look="bare"
              className="mt-2 underline"
              onClick={() => setAll(!all)}
              aria-expanded={all}
            >
              {all
                ? 'Only what is known and needed'
                : `${hidden} more ${hidden === 1 ? 'field' : 'fields'}`}
            </Button>
          ) : null}
        </div>
      </div>
      <Acts job={job} part={part} close={close} openOther={openOther} />
    </Dialog>
  );
}

/** What can be done with a part as a whole. */
function Acts({
  job,
  part,
  close,
  openOther,
}: Pick<SheetProps, 'close' | 'openOther'> & { job: Job; part: Part }) {
  const store = useStore();
  return (
    <div className="mt-4 flex flex-wrap items-center gap-2 border-t border-rule pt-4">
      {onHand(part) < 1 ? (
        <>
          <p className="text-soft">Nobody has one of these yet: it stands on the hire list.</p>
          <Button
            onClick={() =>
              store?.edit(setField(job, ['kit', part.id, 'count'], 1, `pieces of ${part.name}`))
            }
          >
            It is on hand
          </Button>
        </>
      ) : null}
      <Button
        onClick={() => {
          const name = `${part.name}, copy`.slice(0, 120);
          const copy = { ...part, name, id: newNamedId(name) };
          store?.edit(addPart(job, copy));
          openOther(copy.id);
        }}
      >
        Copy
      </Button>
      <Button
        look="danger"
        onClick={() => {
          close();
          store?.edit(removePart(job, part));
        }}
      >
        Take out of the kit
      </Button>
    </div>
  );
}
