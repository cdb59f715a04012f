'use client';

import { useId, useMemo, useState } from 'react';
import { handUnitOf } from '@/core/areas/drive/model/hand-unit';
import {
  motorsOn,
  pullingOf,
  pullLines,
  pullTrouble,
  sayPulling,
  sayWent,
  standInPull,
  type Pulling,
} from '@/core/areas/drive/model/pulls';
import { forgetPull, logPull } from '@/core/areas/drive/moves/pull';
import type { PlacedDrive } from '@/core/areas/drive/place/drive';
import { WENT } from '@/core/kit/records';
import type { Went } from '@/core/kit/types';
import { exact, plain, say } from '@/core/quantity/say';
import { Button } from '@/ui/button';
import { useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { LogLine, Small } from './log-parts';

/** How a motor pulls from a full pack to an empty one, and how pulls of it went. */
export function Pulls({ facts, use }: { facts: RigFacts; use: string }) {
  const { built } = facts;
  const motor = useMemo(() => motorsOn(built).find((d) => d.use.id === use), [built, use]);
  return motor ? <Motor facts={facts} motor={motor} /> : null;
}

const EMPTY = { went: '' as Went | '', volts: '', left: '', madeUp: false };

function Motor({ facts, motor }: { facts: RigFacts; motor: PlacedDrive }) {
  const edit = useEdit();
  const { built } = facts;
  const pulling = useMemo(() => pullingOf(built, motor), [built, motor]);
  const lines = useMemo(() => pullLines(built, motor), [built, motor]);
  return (
    <div className="py-0.5">
      {pulling ? (
        <>
          <Torque pulling={pulling} name={motor.part.name} />
          <p>{sayPulling(pulling, built.rules['drive.torque-reserve'])}</p>
        </>
      ) : null}
      <Note facts={facts} motor={motor} />
      <ul>
        {lines.map((l) => (
          <LogLine
            key={l.id}
            said={l.said}
            odd={l.odd !== null}
            more={[l.when, l.odd, l.elsewhere]}
            onOut={() => edit(forgetPull(l.id))}
          />
        ))}
      </ul>
    </div>
  );
}

/** How a pull went, noted or made up. */
function Note({ facts: { built }, motor }: { facts: RigFacts; motor: PlacedDrive }) {
  const edit = useEdit();
  const [noted, setNoted] = useState(EMPTY);
  const [said, setSaid] = useState('');
  const id = useId();
  const number = (t: string) =>
    t.trim() === ''
      ? undefined
      : /^\d+([.,]\d+)?\s*%?$/.test(t.trim())
        ? parseFloat(t.replace(',', '.'))
        : NaN;
  const set = (more: Partial<typeof EMPTY>) => {
    setSaid('');
    setNoted({ ...noted, madeUp: false, ...more });
  };
  const keep = () => {
    const pull = {
      went: noted.went === '' ? undefined : noted.went,
      volts: number(noted.volts),
      left: number(noted.left),
    };
    const trouble = pullTrouble(pull);
    if (trouble || !pull.went) return setSaid(trouble ?? '');
    const when = new Date().toISOString().slice(0, 10);
    const log = logPull(built, motor, { ...pull, went: pull.went, standIn: noted.madeUp, when });
    if (!log) return;
    edit(log);
    setNoted(EMPTY);
    setSaid('Kept in the log.');
  };
  const tryOut = (left: number) => {
    const made = standInPull(built, motor, left, Math.random);
    if (!made) return setSaid('A stand-in cannot pull: a number is missing.');
    setNoted({
      went: made.went,
      volts: plain(made.volts!, 1),
      left: String(left),
      madeUp: true,
    });
    const unit = handUnitOf(built, motor.use)?.name ?? 'a hand unit';
    setSaid(`A made-up ${motor.part.name}, worked by ${unit}, ${sayWent(made.went)}.`);
  };
  const percent = number(noted.left) ?? 100;
  return (
    <>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <span className="flex flex-col">
          <label htmlFor={id} className="text-sm text-soft">
            it went
          </label>
          <select
            id={id}
            className="h-11 rounded-sm border border-edge bg-paper px-2"
            value={noted.went}
            onChange={(e) => set({ went: e.target.value as Went | '' })}
          >
            <option value="">nobody said</option>
            {WENT.map((w) => (
              <option key={w} value={w}>
                {w}
              </option>
            ))}
          </select>
        </span>
        <Small
          label="read at it, V"
          value={noted.volts}
          hint="11.4"
          onChange={(volts) => set({ volts })}
        />
        <Small label="pack at" value={noted.left} hint="%" onChange={(left) => set({ left })} />
        <Button onClick={keep}>Keep in the log</Button>
        <Button look="bare" onClick={() => tryOut(percent >= 0 && percent <= 100 ? percent : 100)}>
          Let a stand-in pull
        </Button>
      </div>
      <p role="status" className="min-h-5 text-sm">
        {said}
      </p>
    </>
  );
}

const W = 340;
const H = 118;
const LEFT = 8;
const RIGHT = 92;
const TOP = 8;
const BOTTOM = 22;

/** Torque at the ring from the full pack to the empty one, over what the ring takes and what is wanted. */
function Torque({
  pulling: { steps, takes, wanted, even },
  name,
}: {
  pulling: Pulling;
  name: string;
}) {
  const most = Math.max(wanted, ...steps.map((s) => s.torque.hi)) * 1.08;
  const x = (left: number) => LEFT + ((100 - left) / 100) * (W - LEFT - RIGHT);
  const y = (torque: number) => TOP + (1 - torque / most) * (H - TOP - BOTTOM);
  const line = (of: 'value' | 'lo' | 'hi') =>
    steps.map((s) => `${x(s.left).toFixed(1)} ${y(s.torque[of]).toFixed(1)}`);
  const [full, empty] = [steps[0]!, steps.at(-1)!];
  const apart = Math.max(13, y(takes.value) - y(wanted));
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${name} brings ${say(full.torque.value, 'N m')} to the ring at ${plain(full.volts.value, 1)} V${even ? '' : ` on the full pack, ${say(empty.torque.value, 'N m')} at ${plain(empty.volts.value, 1)} V on the empty one`}; the ring takes ${say(takes.value, 'N m')}, ${say(wanted, 'N m')} are wanted`}
      className="w-full max-w-xl"
    >
      <path
        d={`M${line('hi').join('L')}L${line('lo').reverse().join('L')}Z`}
        className="fill-sunk stroke-edge"
        strokeWidth={0.75}
      />
      {[takes.value, wanted].map((t, i) => (
        <line
          key={t}
          x1={x(100)}
          x2={x(0)}
          y1={y(t)}
          y2={y(t)}
          className={i === 0 ? 'stroke-fail' : 'stroke-tight'}
          strokeWidth={1.25}
          strokeDasharray={i === 0 ? undefined : '5 3'}
        />
      ))}
      <path d={`M${line('value').join('L')}`} className="fill-none stroke-ink" strokeWidth={2} />
      <text x={x(0) + 5} y={y(wanted) + 3} className="fill-ink text-[10px]">
        {`${exact(wanted, 2)} wanted`}
      </text>
      <text x={x(0) + 5} y={y(wanted) + apart + 3} className="fill-ink text-[10px]">
        {`${exact(takes.value, 2)} ring takes`}
      </text>
      <text x={x(100)} y={H - 7} className="fill-soft text-[10px]">
        {`${even ? 'at any charge' : 'full'}, ${plain(full.volts.value, 1)} V`}
      </text>
      {even ? null : (
        <text x={x(0)} y={H - 7} textAnchor="end" className="fill-soft text-[10px]">
          {`empty, ${plain(empty.volts.value, 1)} V`}
        </text>
      )}
    </svg>
  );
}
