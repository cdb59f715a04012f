'use client';

import { useMemo } from 'react';
import { roomOf, type Room } from '@/core/areas/carry/model/room';
import { setCarry } from '@/core/areas/carry/moves/carry';
import { elevation } from '@/core/drawing/elevation';
import type { Point } from '@/core/drawing/project';
import type { CarryUse } from '@/core/kit/types';
import { sayLength } from '@/core/quantity/say';
import { Length, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { Parts } from '@/views/model/elevation-parts';

/** Of the drawing, px; the fields stand at its right, each at its height. */
const W = 200;
const H = 300;
const TOP = 26;
const FLOOR = H - 16;
/** Middle of the rig, and of who is in the picture. */
const RIG = 78;
const SUBJECT = 168;
/** A field with its label over it. */
const FIELD = 70;
/** Half a head, and how far over the eyes it goes, mm: a sketch. */
const HEAD = { half: 75, over: 115 };

/** Floor, rig, eyes and ceiling to one scale: heights are read and typed where they are. */
export function HeightsDrawing({ facts: { built, rig } }: { facts: RigFacts }) {
  const edit = useEdit();
  const room = useMemo(() => roomOf(built), [built]);
  const carry = rig.carry ?? {};
  const k = (FLOOR - TOP) / room.tall;
  const Y = (mm: number) => FLOOR - mm * k;
  const keep = (key: keyof CarryUse, title: string) => (v: number | undefined) =>
    edit(setCarry(rig, { [key]: v }, title));
  const axis = room.axis?.from ?? room.tall / 2;
  const fields = [
    { at: Y(room.ceiling ?? room.tall), key: 'ceiling' as const },
    { at: Y(room.eyes ?? axis), key: 'eyes' as const },
    { at: Y(axis), key: 'axis' as const },
  ].sort((a, b) => a.at - b.at || (a.key === 'eyes' ? -1 : 1));
  const ys = stacked(fields.map((f) => f.at));
  const field = {
    ceiling: { label: 'ceiling', title: 'Say how high the ceiling is' },
    eyes: { label: 'eyes of the subject', title: 'Say how high the eyes are' },
    axis: {
      label: 'lens over the floor',
      title: 'Say how high the lens is',
      hint: room.axis ? axisText(room.axis) : 'not known',
    },
  };
  return (
    <Section title="Heights over the floor">
      <div className="relative" style={{ height: H }}>
        <svg
          width={W}
          height={H}
          className="absolute left-0 top-0"
          role="img"
          aria-label={saidOf(room)}
        >
          <Room room={room} Y={Y} />
          <Standing facts={{ built }} room={room} k={k} y={Y(axis)} />
          {fields.map((f, i) => (
            <path
              key={f.key}
              d={`M${f.key === 'axis' ? RIG : SUBJECT} ${f.at}H184L${W} ${ys[i]! + FIELD / 2}`}
              fill="none"
              stroke="var(--soft)"
              strokeDasharray={carry[f.key] === undefined ? '4 4' : undefined}
            />
          ))}
        </svg>
        {fields.map((f, i) => {
          const { title, ...own } = field[f.key];
          return (
            <div key={f.key} className="absolute right-0" style={{ left: W + 4, top: ys[i] }}>
              <Length stacked value={carry[f.key]} onKeep={keep(f.key, title)} {...own} />
            </div>
          );
        })}
      </div>
      {room.air !== null && room.top ? (
        <p className="text-sm text-soft">
          {room.air < 0
            ? `${room.top.name} stands ${sayLength(-room.air, 0)} higher than the ceiling.`
            : `${sayLength(room.air, 0)} of air over ${room.top.name}.`}
        </p>
      ) : null}
    </Section>
  );
}

const axisText = ({ from, to, by }: NonNullable<Room['axis']>) =>
  to - from > 1
    ? `${sayLength(from, 0)} to ${sayLength(to, 0)}, ${by}`
    : `${sayLength(from, 0)}, ${by}`;

/** What the drawing shows, for who does not see it. */
function saidOf({ axis, eyes, ceiling }: Room): string {
  return [
    axis ? `Lens over the floor ${axisText(axis)}` : 'How high the lens is, is not known',
    ...(eyes === null ? [] : [`eyes at ${sayLength(eyes, 0)}`]),
    ...(ceiling === null ? [] : [`ceiling at ${sayLength(ceiling, 0)}`]),
  ].join('; ');
}

/** Tops of fields in the order of their heights, none on another, none outside. */
function stacked(at: readonly number[]): number[] {
  const tops: number[] = [];
  at.forEach((y, i) => {
    const least = i === 0 ? 0 : tops[i - 1]! + FIELD;
    tops.push(Math.min(H - FIELD * (at.length - i), Math.max(least, y - FIELD / 2)));
  });
  return tops;
}

/** Floor, ceiling and who is looked at. */
function Room({ room, Y }: { room: Room; Y: (mm: number) => number }) {
  const { eyes, ceiling } = room;
  const k = Y(0) - Y(1);
  return (
    <g stroke="var(--soft)" fill="none">
      <path d={`M2 ${FLOOR}H184`} stroke="var(--ink)" strokeWidth="1.5" />
      {ceiling === null ? null : (
        <path d={`M2 ${Y(ceiling)}H184M2 ${Y(ceiling) - 5}H184`} stroke="var(--ink)" />
      )}
      {eyes === null ? null : (
        <>
          <ellipse
            cx={SUBJECT}
            cy={Y(eyes)}
            rx={HEAD.half * k}
            ry={HEAD.over * k}
            fill="var(--metal)"
          />
          <path d={`M${SUBJECT} ${Y(eyes - HEAD.over)}V${FLOOR}`} />
        </>
      )}
    </g>
  );
}

/** The rig at its height, and what it stands on; dashed at its highest, and where nobody knows it. */
function Standing({
  facts: { built },
  room,
  k,
  y,
}: {
  facts: Pick<RigFacts, 'built'>;
  room: Room;
  k: number;
  y: number;
}) {
  const e = useMemo(() => elevation(built, 'side'), [built]);
  const middle = (e.bounds.u0 + e.bounds.u1) / 2;
  const path = (p: readonly Point[]) =>
    `M${p.map(([u, v]) => `${(RIG + (u - middle) * k).toFixed(1)} ${(y - v * k).toFixed(1)}`).join('L')}Z`;
  const high = room.axis && room.axis.to - room.axis.from > 1 ? room.axis.to : null;
  return (
    <g opacity={room.axis ? 1 : 0.5}>
      <path
        d={`M${RIG} ${Math.min(FLOOR, y + room.under * k)}V${FLOOR}`}
        stroke="var(--soft)"
        strokeWidth="2"
      />
      <Parts outlines={e.outlines.filter((o) => !o.sweep)} path={path} litParts={[]} />
      <path
        d={`M20 ${y}H150`}
        stroke="var(--accent)"
        strokeDasharray={room.axis ? '10 3 2 3' : '3 4'}
      />
      {high === null ? null : (
        <path
          d={`M20 ${y - (high - room.axis!.from) * k}H150`}
          stroke="var(--accent)"
          strokeDasharray="2 5"
        />
      )}
    </g>
  );
}
