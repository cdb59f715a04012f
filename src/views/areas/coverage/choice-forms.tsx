'use client';

import { shownUnit } from '@/core/quantity/shown';
import { useId, type ReactNode } from 'react';
import { focalRange, isZoom } from '@/core/build/lens';
import { ASPECTS, REFERENCES, format } from '@/core/optics/formats';
import { parseLength, parseQuantity } from '@/core/quantity/parse';
import { exact, plain } from '@/core/quantity/say';
import { valueOf } from '@/core/quantity/quantity';
import type { Frame } from '@/core/kit/types';
import {
  putFrame,
  scaleFrame,
  setFocal,
  setFocus,
  setStop,
  setUpright,
  takeFrame,
} from '@/core/areas/coverage/moves/picture';
import { renameRig } from '@/core/solve/rigs';
import { LabelledSelect } from '@/ui/labelled-select';
import { TextInput } from '@/views/part/cells';
import { useStore } from '@/views/store/store-context';
import type { RigFacts } from '../../bench/use-rig';

const CAMERA = [
  { id: 'level', name: 'level' },
  { id: 'left', name: 'upright, its left side on top' },
  { id: 'right', name: 'upright, its right side on top' },
];

/** Delivery frames: which, how large, where, delivered as what. */
export function FramesForm({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const { rig } = facts;
  return (
    <>
      <div className="mb-2 border-b border-rule pb-2">
        <LabelledSelect
          label="camera"
          value={rig.upright ?? 'level'}
          options={CAMERA}
          onPick={(x) => store?.edit(setUpright(rig, x === 'level' ? undefined : (x as 'left')))}
        />
      </div>
      <p className="mb-1 text-soft">Several at once; each is checked for itself.</p>
      <div className="grid grid-cols-3 gap-1">
        {ASPECTS.map((a) => {
          const have = rig.frames.find((f) => Math.abs(f.aspect - a.aspect) < 0.005);
          return (
            <label
              key={a.id}
              className="flex min-h-11 items-center gap-2 rounded-sm px-2 hover:bg-sunk"
            >
              <input
                type="checkbox"
                className="size-5"
                checked={have !== undefined}
                onChange={() =>
                  store?.edit(
                    have
                      ? takeFrame(rig, have)
                      : putFrame(rig, {
                          id: `f${a.id.replace(/[^0-9]/g, '')}${Date.now().toString(36)}`,
                          name: a.name,
                          aspect: a.aspect,
                          deliver: a.deliver,
                        }),
                  )
                }
              />
              {a.name}
            </label>
          );
        })}
      </div>
      {rig.frames.map((f) => (
        <FrameLine key={f.id} facts={facts} frame={f} />
      ))}
      <OwnFrame facts={facts} />
    </>
  );
}

function FrameLine({ facts, frame }: { facts: RigFacts; frame: Frame }) {
  const store = useStore();
  const id = useId();
  return (
    <div className="mt-2 grid grid-cols-[1fr_auto_auto] items-center gap-x-2 gap-y-1 border-t border-rule pt-2">
      <span className="font-semibold">{frame.name}</span>
      <label htmlFor={`${id}s`} className="text-soft">
        size, % of what fits
      </label>
      <TextInput
        id={`${id}s`}
        value={exact((frame.scale ?? 1) * 100, 1)}
        className="w-20 text-right"
        check={(t) => {
          const n = Number(t.replace(',', '.'));
          return n >= 5 && n <= 100 ? null : 'From 5 to 100.';
        }}
        onKeep={(t) => store?.edit(scaleFrame(facts.rig, frame, Number(t.replace(',', '.')) / 100))}
      />
      <Moved facts={facts} frame={frame} />
      <Delivered facts={facts} frame={frame} />
    </div>
  );
}

function OwnFrame({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const id = useId();
  return (
    <div className="mt-2 flex items-center gap-2 border-t border-rule pt-2">
      <label htmlFor={id} className="flex-1 text-soft">
        another aspect, like 2.2 or 5:4
      </label>
      <TextInput
        id={id}
        value=""
        className="w-24 text-right"
        check={(t) => (t === '' || aspectOf(t) !== null ? null : 'Like 2.2 or 5:4.')}
        onKeep={(t) => {
          const aspect = aspectOf(t);
          if (aspect === null) return;
          store?.edit(
            putFrame(facts.rig, { id: `own${Date.now().toString(36)}`, name: t, aspect }),
          );
        }}
      />
    </div>
  );
}

/** Two lengths, across and up, on the chip. */
function movedBy(t: string): [number, number] | null {
  const m = /^(-?\d+(?:\.\d+)?)\s*[,;\s]\s*(-?\d+(?:\.\d+)?)$/.exec(t.trim());
  if (!m || Math.abs(Number(m[1])) > 100 || Math.abs(Number(m[2])) > 100) return null;
  return [Number(m[1]), Number(m[2])];
}

function aspectOf(t: string): number | null {
  const m = /^(\d+(?:[.,]\d+)?)(?:\s*[:/x]\s*(\d+(?:[.,]\d+)?))?$/.exec(t.trim());
  if (!m) return null;
  const a = Number(m[1]!.replace(',', '.')) / (m[2] ? Number(m[2].replace(',', '.')) : 1);
  return a >= 0.05 && a <= 20 ? Math.round(a * 10000) / 10000 : null;
}

/** Focal length of a zoom, stop, focus and what to compare with. */
export function SettingsForm({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const id = useId();
  const { built, rig } = facts;
  const range = focalRange(built.lens);
  const zoom = isZoom(built.lens) && range;
  const focal = built.focal.known?.value;
  const widest = built.lens ? (valueOf(built.lens.tStop) ?? valueOf(built.lens.fStop)) : null;
  return (
    <>
      {zoom && focal !== undefined ? (
        <Row label={`zoom, ${plain(range.from)} to ${plain(range.to)} mm`} id={`${id}z`}>
          <input
            id={`${id}z`}
            type="range"
            min={range.from}
            max={range.to}
            step={range.to - range.from > 60 ? 5 : 1}
            value={focal}
            className="h-11 w-40 accent-current"
            onChange={(e) => store?.edit(setFocal(rig, Number(e.target.value)))}
          />
        </Row>
      ) : null}
      <Row
        label={widest === null ? 'stop worked at' : `stop worked at, widest T${plain(widest)}`}
        id={`${id}t`}
      >
        <TextInput
          id={`${id}t`}
          value={rig.stop === undefined ? '' : plain(rig.stop)}
          className="w-24 text-right"
          check={(t) => {
            if (t === '') return null;
            const q = parseQuantity(t, 'T');
            if (!q.ok || q.value.value < 0.3 || q.value.value > 128) return 'A stop, like 2.8.';
            return widest !== null && q.value.value < widest - 0.001
              ? `It opens to T${plain(widest)}.`
              : null;
          }}
          onKeep={(t) => {
            const q = parseQuantity(t, 'T');
            store?.edit(setStop(rig, q.ok ? q.value.value : undefined));
          }}
        />
      </Row>
      <Row
        label={`focused at, ${shownUnit('m').unit === 'm' ? 'metres' : 'feet'} or 5'6"`}
        id={`${id}f`}
      >
        <TextInput
          id={`${id}f`}
          value={rig.focus === undefined ? '' : exact((rig.focus / 1000) * shownUnit('m').per, 2)}
          className="w-24 text-right"
          check={(t) => {
            if (t === '') return null;
            const r = parseLength(t, 1000 / shownUnit('m').per);
            return r.ok && r.value >= 10 && r.value <= 1e7 ? null : 'A distance, like 2.5.';
          }}
          onKeep={(t) => {
            const r = parseLength(t, 1000 / shownUnit('m').per);
            store?.edit(setFocus(rig, t === '' || !r.ok ? undefined : Math.round(r.value)));
          }}
        />
      </Row>
      <Row label="compared with" id={`${id}r`}>
        <select
          id={`${id}r`}
          className="h-11 rounded-sm border border-edge bg-paper px-2"
          value={format(rig.reference).id}
          onChange={(e) =>
            store?.edit({
              title: `Compare with ${format(e.target.value).name}`,
              changes: [{ path: ['rigs', rig.id, 'reference'], value: e.target.value }],
            })
          }
        >
          {REFERENCES.map((r) => (
            <option key={r} value={r}>
              {format(r).name}
            </option>
          ))}
        </select>
      </Row>
      <Row label="name of the rig" id={`${id}n`}>
        <TextInput
          id={`${id}n`}
          value={rig.name}
          className="w-48"
          check={(t) => (t === '' || t.length > 120 ? 'From 1 to 120 characters.' : null)}
          onKeep={(t) => store?.edit(renameRig(rig, t))}
        />
      </Row>
    </>
  );
}

function Row({ label, id, children }: { label: string; id: string; children: ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-2 py-0.5">
      <label htmlFor={id} className="min-w-32 flex-1 text-soft">
        {label}
      </label>
      {children}
    </div>
  );
}

/** Where a frame is moved to from the middle. */
function Moved({ facts, frame }: { facts: RigFacts; frame: Frame }) {
  const store = useStore();
  const id = useId();
  return (
    <>
      <span />
      <label htmlFor={id} className="text-soft">
        moved across, up, mm
      </label>
      <TextInput
        id={id}
        value={
          frame.x || frame.y
            ? `${plain(frame.x ?? 0)}, ${plain(frame.y ?? 0)}`.replaceAll('\u2212', '-')
            : ''
        }
        className="w-28 text-right"
        check={(t) => (t === '' || movedBy(t) ? null : 'Like 3.5, 0.')}
        onKeep={(t) => {
          const [x, y] = movedBy(t) ?? [0, 0];
          const at = ['rigs', facts.rig.id, 'frames', frame.id];
          store?.edit({
            title: `Move the ${frame.name} frame`,
            changes: [
              { path: [...at, 'x'], value: x || undefined },
              { path: [...at, 'y'], value: y || undefined },
            ],
          });
        }}
      />
    </>
  );
}

/** The size in pixels that a frame is delivered at. */
function Delivered({ facts, frame }: { facts: RigFacts; frame: Frame }) {
  const store = useStore();
  const id = useId();
  return (
    <>
      <span />
      <label htmlFor={id} className="text-soft">
        delivered as, px
      </label>
      <TextInput
        id={id}
        value={frame.deliver ? `${frame.deliver.w} x ${frame.deliver.h}` : ''}
        className="w-28 text-right"
        check={(t) =>
          t === '' || /^\d{1,5}\s*[x\u00d7*]\s*\d{1,5}$/.test(t) ? null : 'Like 3840 x 2160.'
        }
        onKeep={(t) => {
          const m = /^(\d+)\D+(\d+)$/.exec(t);
          store?.edit({
            title: `Deliver ${frame.name} as ${t || 'nothing set'}`,
            changes: [
              {
                path: ['rigs', facts.rig.id, 'frames', frame.id, 'deliver'],
                value: m ? { w: Number(m[1]), h: Number(m[2]) } : undefined,
              },
            ],
          });
        }}
      />
    </>
  );
}
