'use client';

import { sayLength } from '@/core/quantity/say';
import { FITTING_KINDS, isFitting, type FittedUse } from '@/core/kit/types';
import { KIND_NAME } from '@/core/kit/fields';
import { canBeHeld, interfacesOf } from '@/core/areas/joints/kit/sides';
import { firstHoles } from '@/core/areas/joints/kit/pattern';
import { isSlide } from '@/core/areas/joints/model/free';
import { turnedWith } from '@/core/areas/joints/model/lists';
import { carriesWords, type LoadLine } from '@/core/areas/joints/model/load-lines';
import { namedSeats, seatsOf, type NamedSeat } from '@/core/areas/joints/model/seats';
import { setHold, setOverhead, setSeat } from '@/core/areas/joints/moves/seat';
import { takeFitted } from '@/core/areas/space/moves/fitted';
import type { FreeHost } from '@/core/solve/fill';
import { placeWords, type TriedPlace } from '@/core/solve/places';
import { letsMove } from '@/core/solve/range';
import { worst } from '@/core/checks/finding';
import { Button } from '@/ui/button';
import { StateGlyph, STATE_WORD } from '@/ui/state-mark';
import { Check } from '@/views/bench/check-box';
import { named } from '@/views/bench/found';
import { Overridden } from '@/views/bench/overridden';
import { Choose, Length, Piece, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import type { TriedPosition } from '@/core/solve/positions';
import { Positions, usePositions } from './positions';
import { HowTight, Screws, Tightness, Tools } from './joint-lists';
import { Free } from './free-list';
import { HowFar } from './how-far';
import { Tree } from './tree';
import type { Placing } from './placing';
import { stateOf } from './place-words';

/** What holds what: what the rig is held by, where a part could go, every joint, screws and tools. */
const withWords = (p: TriedPlace) => {
  const words = placeWords(p);
  return words === '' ? '' : ` ${words[0]!.toUpperCase()}${words.slice(1)}.`;
};

export default function JointsPanel({
  facts,
  placing,
  onPlace,
  onStop,
  onTake,
  lines,
  onLit,
  free,
  freeOpen,
  onFreeOpen,
  onHost,
}: {
  facts: RigFacts;
  /** What is free; null while nobody asked, or it is being looked for. */
  free: readonly FreeHost[] | null;
  freeOpen: boolean;
  onFreeOpen: (open: boolean) => void;
  /** A place is to be filled. */
  onHost: (key: string, name: string) => void;
  /** What every joint carries, as it is drawn. */
  lines: readonly LoadLine[];
  /** A joint is looked at in the list. */
  onLit: (use: string | null) => void;
  placing: Placing | null;
  onPlace: (part: string, use: string | null) => void;
  onStop: () => void;
  onTake: (place: TriedPlace) => void;
}) {
  return (
    <div className="flex flex-col gap-4">
      <h2 className="sr-only">Joints</h2>
      {placing ? (
        <Places placing={placing} onStop={onStop} onTake={onTake} />
      ) : (
        <>
          <PutOn facts={facts} onPlace={onPlace} />
          <Free free={free} open={freeOpen} onOpen={onFreeOpen} onHost={onHost} />
        </>
      )}
      <HeldBy facts={facts} />
      <Joints facts={facts} onPlace={onPlace} lines={lines} onLit={onLit} />
      <Tree facts={facts} />
      <Tightness facts={facts} />
      <Screws facts={facts} />
      <Tools facts={facts} />
    </div>
  );
}

/** A part of the kit to be put on, or one that is on to be moved. */
function PutOn({
  facts,
  onPlace,
}: {
  facts: RigFacts;
  onPlace: (part: string, use: string | null) => void;
}) {
  const fitted = facts.rig.fitted ?? [];
  const kit = facts.job.kit.filter(
    (p) => isFitting(p) && p.kind !== 'cage' && interfacesOf(p).some(canBeHeld),
  );
  return (
    <Section title="Put on">
      <Choose
        label="where could"
        value=""
        none={
          kit.length === 0 ? 'no part of the kit names what it is held by' : 'choose a part ...'
        }
        options={FITTING_KINDS.flatMap((k) =>
          kit
            .filter((p) => p.kind === k)
            .map((p) => {
              const on = fitted.find((u) => u.part === p.id);
              const moves = on !== undefined && (p.count ?? 1) < 2;
              return {
                id: p.id,
                name: `${named(p)}, ${KIND_NAME[k].one}${moves ? ', on the rig' : ''}`,
                pick: () => onPlace(p.id, moves ? on.id : null),
              };
            }),
        )}
      />
    </Section>
  );
}

/** Every place that would do, best first. */
function Places({
  placing,
  onStop,
  onTake,
}: {
  placing: Placing;
  onStop: () => void;
  onTake: (place: TriedPlace) => void;
}) {
  const { places, trouble, title, nothing } = placing;
  return (
    <section aria-live="polite">
      <div className="flex items-center gap-2">
        <h3 className="min-w-0 flex-1 font-semibold">{title}</h3>
        <Button look="bare" onClick={onStop}>
          leave it
        </Button>
      </div>
      {trouble ? <p className="text-fail">{trouble}</p> : null}
      {places === null && !trouble ? (
        <p className="text-soft">Everything that would do is being tried ...</p>
      ) : null}
      {places?.length === 0 ? <p>{nothing}</p> : null}
      <ol>
        {(places ?? []).map((p, i) => (
          <li key={p.name} className="border-t border-rule">
            <button
              type="button"
              className="flex min-h-11 w-full items-start gap-2 py-1 text-left hover:bg-paper"
              onClick={() => onTake(p)}
            >
              <span className="w-6 shrink-0 pt-0.5 text-right tabular-nums">{i + 1}</span>
              <span className="pt-1">
                <StateGlyph state={stateOf(p)} />
              </span>
              <span className="min-w-0">
                <span className="block underline decoration-edge underline-offset-4">{p.name}</span>
                <span className="block text-sm text-soft">
                  {p.worst ?? 'Brings no new finding.'}
                  {withWords(p)} The rig then reaches {sayLength(p.height, 0)} above the axis.
                </span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}

function HeldBy({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { rig, base } = facts;
  return (
    <Section title="What the rig is held by">
      <Choose
        label="held"
        value={rig.hold ?? ''}
        none={null}
        options={[
          { id: '', name: 'from below', pick: () => edit(setHold(rig, undefined, '')) },
          ...(rig.fitted ?? []).flatMap((u) => {
            const part = base.kit.get(u.part);
            return part && part.kind !== 'cage'
              ? [
                  {
                    id: u.id,
                    name: `by ${part.name}`,
                    pick: () => edit(setHold(rig, u.id, part.name)),
                  },
                ]
              : [];
          }),
        ]}
      />
      <Overridden field="hold" name="held by" />
      <Check
        label="above a head, or on a vehicle"
        on={rig.overhead === true}
        onChange={(on) => edit(setOverhead(rig, on))}
      />
    </Section>
  );
}

function Joints({
  facts,
  onPlace,
  lines,
  onLit,
}: {
  facts: RigFacts;
  lines: readonly LoadLine[];
  onLit: (use: string | null) => void;
  onPlace: (part: string, use: string | null) => void;
}) {
  const { built, rig } = facts;
  const seats = namedSeats(built);
  const line = new Map(lines.map((l) => [l.use, l]));
  const others = seatsOf(built).length - seats.length;
  const tried = usePositions(facts);
  return (
    <Section title="Joints">
      {seats.map((s) => (
        <Joint
          key={s.use.id}
          facts={facts}
          seat={s}
          line={line.get(s.use.id) ?? null}
          tried={tried}
          onLit={onLit}
          onMove={() => onPlace(s.part.id, s.use.id)}
        />
      ))}
      {others > 0 ? (
        <p className="border-t border-rule py-1 text-soft">
          {others} more {others === 1 ? 'part stands' : 'parts stand'} on rods, around the body or
          against a face of {rig.name}.
        </p>
      ) : null}
    </Section>
  );
}

/** One joint: its place, its screw and tool, how tight, what it carries. */
function Joint({
  facts,
  seat: s,
  line,
  tried,
  onLit,
  onMove,
}: {
  facts: RigFacts;
  seat: NamedSeat;
  line: LoadLine | null;
  tried: readonly TriedPosition[] | null;
  onLit: (use: string | null) => void;
  onMove: () => void;
}) {
  const edit = useEdit();
  const { rig, verdicts } = facts;
  const own = verdicts.filter((v) => v.pieces[0] === s.piece);
  const state = worst(own.map((v) => v.state));
  const set = (to: Partial<FittedUse>, title: string) => edit(setSeat(rig, s.use.id, to, title));
  const holes = isSlide(s.at) ? [] : firstHoles(s.at, s.by);
  const driver = turnedWith(s);
  const lets = letsMove(s);
  return (
    <div
      className="border-t border-rule pt-1"
      onMouseEnter={() => onLit(s.use.id)}
      onMouseLeave={() => onLit(null)}
      onFocus={() => onLit(s.use.id)}
      onBlur={() => onLit(null)}
    >
      <Piece
        part={s.part}
        use={s.use.id}
        onOff={() => edit(takeFitted(rig, s.use.id, s.part.name))}
      />
      <p className="flex items-start gap-2 text-sm">
        <StateGlyph state={state} />
        <span>
          <span className="sr-only">{STATE_WORD[state]}: </span>
          {s.by.name} in {s.at.name} of {s.host.part.name}
          {driver ? `, ${driver.name}` : ''}.{line ? ` ${carriesWords(line)}` : ''}
        </span>
      </p>
      <div className="flex items-center gap-1">
        <Button look="bare" onClick={onMove}>
          where else?
        </Button>
        <Check
          label="second tie"
          on={s.use.line === true}
          onChange={(on) =>
            set(
              { line: on ? true : undefined },
              on ? `A second tie on ${s.part.name}` : `No second tie on ${s.part.name}`,
            )
          }
        />
      </div>
      {holes.length > 1 ? (
        <Choose
          label="hole"
          value={String(s.use.n ?? 0)}
          none={null}
          options={holes.map((n) => ({
            id: String(n),
            name: `from hole ${n + 1} of ${s.at.count}`,
            pick: () => set({ n: n === 0 ? undefined : n }, `Put ${s.part.name} in hole ${n + 1}`),
          }))}
        />
      ) : null}
      {isSlide(s.at) ? (
        <Length
          label="slid by"
          value={s.use.slide}
          hint="in the middle"
          onKeep={(v) => set({ slide: v }, `Slide ${s.part.name}`)}
        />
      ) : null}
      <Length
        label="turned by"
        unit="deg"
        value={s.use.turn}
        hint="as it goes on"
        onKeep={(v) => set({ turn: v }, `Turn ${s.part.name}`)}
      />
      {lets ? <HowFar facts={facts} use={s.use.id} name={s.part.name} what={lets} /> : null}
      {lets ? <Positions facts={facts} seat={s} tried={tried} /> : null}
      <HowTight seat={s} onSet={set} />
    </div>
  );
}
