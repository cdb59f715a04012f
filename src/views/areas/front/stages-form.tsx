'use client';

import type { PlacedStage } from '@/core/areas/front/place/parts';
import type { Edit } from '@/core/edit/edit';
import { useId } from 'react';
import { frontOf } from '@/core/areas/front/place/front';
import { beyond, flagSight } from '@/core/areas/front/model/flags';
import { stageFit } from '@/core/areas/light/model/light';
import { tray } from '@/core/areas/front/kit/trays';
import { isFilter, onHand, type Filter, type Rig } from '@/core/kit/types';
import { valueOf } from '@/core/quantity/quantity';
import { exact, plain } from '@/core/quantity/say';
import { setFlag } from '@/core/areas/front/moves/box';
import { putFilter, setStageOut, takeFilter, turnStage } from '@/core/areas/front/moves/trays';
import { Button } from '@/ui/button';
import { Choose, useEdit } from '../../bench/panel-parts';
import type { RigFacts } from '../../bench/use-rig';

/** What a filter is, in a few letters: `ND 0.9, 3 stops`. */
export function filterName(f: Filter): string {
  const s = valueOf(f.stops);
  const to = valueOf(f.stopsTo);
  const light =
    s === null
      ? ''
      : to === null
        ? `, ${plain(s, 1)} stops`
        : `, ${plain(s, 1)} to ${plain(to, 1)}`;
  return `${f.name}${light}${onHand(f) < 1 ? ' (to hire)' : ''}`;
}

export function Stages({ facts }: { facts: RigFacts }) {
  const placed = frontOf(facts.built).box!;
  return (
    <>
      {placed.stages.map((s) => (
        <OneStage key={s.stage.id} facts={facts} s={s} />
      ))}
    </>
  );
}

function Slide({
  label,
  value,
  min,
  max,
  text,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  text: string;
  onChange: (v: number) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="w-32 shrink-0 text-soft">
        {label}
      </label>
      <span aria-hidden="true" className="text-sm text-soft">
        {min}
      </span>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={1}
        value={value}
        aria-valuetext={text}
        className="h-11 min-w-0 flex-1 accent-current"
        onChange={(e) => onChange(Number(e.target.value))}
      />
      <span aria-hidden="true" className="text-sm text-soft">
        {max}
      </span>
      <span className="w-12 text-right">{text}</span>
    </div>
  );
}

export function Flags({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, rig } = facts;
  const placed = frontOf(built).box!;
  return (
    <>
      {(placed.box.flags ?? []).map((leaf) => {
        const on = placed.flags.find((f) => f.leaf.id === leaf.id);
        const sight = on ? flagSight(built, leaf.id) : null;
        return (
          <div key={leaf.id}>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={on !== undefined}
                onChange={() => edit(setFlag(rig, leaf, on ? undefined : 45))}
              />
              {leaf.name}
            </label>
            {on ? (
              <>
                <Slide
                  label="angle"
                  value={on.use.angle}
                  min={leaf.from ?? -90}
                  max={leaf.to ?? 90}
                  text={`${plain(on.use.angle, 1)}\u00b0`}
                  onChange={(v) =>
                    edit({ ...setFlag(rig, leaf, v), group: `flag ${rig.id} ${leaf.id}` })
                  }
                />
                {sight ? (
                  <p className="flex flex-wrap items-center gap-x-2 text-sm text-soft">
                    {sight.shades !== null
                      ? `Shades the glass from light ${beyond(leaf.side)} ${exact(sight.shades, 0)}\u00b0. `
                      : ''}
                    {sight.lowest !== null ? (
                      <Button
                        look="bare"
                        className="underline underline-offset-4"
                        onClick={() => edit(setFlag(rig, leaf, Math.ceil(sight.lowest! * 2) / 2))}
                      >
                        {`down to the frame: ${exact(sight.lowest, 0)}\u00b0${sight.shadesAtLowest !== null ? `, shades ${beyond(leaf.side)} ${exact(sight.shadesAtLowest, 0)}\u00b0` : ''}`}
                      </Button>
                    ) : (
                      'It is in the frame even fully open.'
                    )}
                  </p>
                ) : null}
              </>
            ) : null}
          </div>
        );
      })}
    </>
  );
}

interface Fitting {
  facts: RigFacts;
  s: PlacedStage;
}

/** What can be put into one stage, what fits first. */
function OneStage({ facts, s }: Fitting) {
  const edit = useEdit();
  const { built, job, rig } = facts;
  const placed = frontOf(built).box!;
  const filters = job.kit.filter(isFilter).filter((f) => f.shape !== 'screw');
  const size = tray(s.stage.tray);
  const fit = (f: Filter) => stageFit(placed.box, s.stage.id, f);
  const order = { fits: 0, insert: 1, unknown: 2, no: 3 } as const;
  return (
    <div>
      <Choose
        label={`${s.stage.name}${s.stage.rotates ? ', turns' : ''}`}
        value={s.out ? 'out' : (s.filter?.id ?? '')}
        none={`free${size ? `, ${size.name}` : ''}`}
        options={[
          ...inOrOut(rig, s, edit),
          ...[...filters]
            .sort((a, b) => order[fit(a)] - order[fit(b)])
            .map((f) => ({
              id: f.id,
              name: `${filterName(f)}${{ fits: '', insert: ' (needs an insert)', unknown: ' (size not known)', no: ' (does not fit)' }[fit(f)]}`,
              pick: () => edit(putFilter(rig, s.stage, f)),
            })),
        ]}
      />
      {s.stage.rotates && s.filter && !s.out ? (
        <Slide
          label={`turned, ${s.stage.name}`}
          value={s.use?.turn ?? 0}
          min={-90}
          max={90}
          text={`${s.use?.turn ?? 0}\u00b0`}
          onChange={(v) => edit(turnStage(rig, s.stage, v))}
        />
      ) : null}
    </div>
  );
}

/** What is in a stage taken out, and the stage itself. */
function inOrOut(rig: Rig, s: PlacedStage, edit: (e: Edit) => void) {
  const { stage, filter } = s;
  const free = filter && {
    id: 'free',
    name: `take ${filter.name} out`,
    pick: () => edit(takeFilter(rig, stage, filter.name)),
  };
  const back = s.out && {
    id: 'back',
    name: 'put the stage back in',
    pick: () => edit(setStageOut(rig, stage, false)),
  };
  const out = stage.removable && {
    id: 'out',
    name: 'stage taken out of the box',
    pick: () => edit(setStageOut(rig, stage, true)),
  };
  return [free, back, out].filter((o) => o !== null && o !== false && o !== undefined);
}
