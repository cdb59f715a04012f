'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useId, useMemo, useState } from 'react';
import { howMany } from '@/core/quantity/say';
import { newNamedId } from '@/core/engine/ids';
import { isBody, isLens, type Job, type Part } from '@/core/kit/types';
import { GOALS, type Goal } from '@/core/shelf/goals';
import { classesOf } from '@/core/shelf/shelf';
import type { Sketch } from '@/core/shelf/sketch';
import { STATES } from '@/core/checks/finding';
import { Button } from '@/ui/button';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { useTake } from '@/views/jobs/use-take';
import { beginner } from '@/workers/rig';
import { Silhouette } from './silhouette';

interface Chosen {
  goal: Goal;
  body: string;
  lens: string;
}

/** A rig of one's own in three choices: it stands at once, of typical parts, and says how sure it is. */
export function BeginView() {
  const store = useStore();
  const snap = useSnapshot();
  const [chosen, setChosen] = useState<Chosen>(() => of(GOALS[0]!));
  const { sketch, busy, trouble } = useSketch(chosen, snap.job);
  return (
    <section className="mx-auto max-w-6xl p-4">
      <h1 className="text-xl font-semibold">Begin a rig</h1>
      <p className="max-w-[68ch] text-soft">
        Three choices. What you do not have numbers for stands in as a typical part: a range over
        all pieces of its class, so every finding says how sure it is and what to measure first.
      </p>
      <div className="mt-3 grid gap-4 lg:grid-cols-[22rem_1fr]">
        <div>
          <Goals goal={chosen.goal} pick={(g) => setChosen(of(g))} />
          <Pick
            label="Body"
            kind="body"
            kit={snap.job?.kit.filter(isBody) ?? []}
            value={chosen.body}
            pick={(body) => setChosen({ ...chosen, body })}
          />
          <Pick
            label="Lens"
            kind="lens"
            kit={snap.job?.kit.filter(isLens) ?? []}
            value={chosen.lens}
            pick={(lens) => setChosen({ ...chosen, lens })}
          />
        </div>
        <Standing sketch={sketch} busy={busy} trouble={trouble}>
          {store ? <Take store={store} sketch={busy ? null : sketch} goal={chosen.goal} /> : null}
        </Standing>
      </div>
    </section>
  );
}

/** What one would begin with for it. */
const of = (goal: Goal): Chosen => ({ goal, body: goal.body, lens: goal.lens });

/** A class of the shelf, or a piece of the open job. */
const asked = (value: string, job: Job | null): string | Part =>
  job?.kit.find((p) => `own ${p.id}` === value) ?? value;

interface Question {
  goal: Goal;
  body: string | Part;
  lens: string | Part;
}

interface Answer {
  to: Question;
  sketch: Sketch | null;
  trouble: string | null;
}

/** Puts the rig together off the page's thread; the last answer stays until the next is there. */
function useSketch({ goal, body, lens }: Chosen, job: Job | null) {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const question = useMemo<Question>(
    () => ({ goal, body: asked(body, job), lens: asked(lens, job) }),
    [goal, body, lens, job],
  );
  useEffect(() => {
    let gone = false;
    const say = (sketch: Sketch | null, trouble: string | null) => {
      if (!gone)
        setAnswer((was) => ({ to: question, sketch: sketch ?? was?.sketch ?? null, trouble }));
    };
    void beginner
      .run((w) => {
        const { goal: what, body: camera, lens: glass } = question;
        return w.begin(what.id, camera, glass, what.name, newNamedId(what.name));
      })
      .then(
        (s) => say(s, s ? null : 'That is no body and lens that go on a rig.'),
        (e: unknown) =>
          say(null, e instanceof Error ? e.message : 'The rig could not be put together.'),
      );
    return () => {
      gone = true;
    };
  }, [question]);
  const busy = answer?.to !== question;
  return { sketch: answer?.sketch ?? null, busy, trouble: busy ? null : answer.trouble };
}

function Goals({ goal, pick }: { goal: Goal; pick: (g: Goal) => void }) {
  return (
    <fieldset>
      <legend className="font-semibold">What is shot</legend>
      <div className="mt-1 grid gap-px border border-edge bg-edge">
        {GOALS.map((g) => (
          <label
            key={g.id}
            className="flex min-h-12 cursor-pointer items-center gap-3 bg-panel px-3 py-1 has-checked:bg-sunk has-focus-visible:outline-2 has-focus-visible:outline-accent"
          >
            <input
              type="radio"
              name="goal"
              className="size-5 shrink-0 accent-[var(--accent)]"
              checked={g.id === goal.id}
              onChange={() => pick(g)}
            />
            <span>
              <span className="block font-semibold leading-tight">{g.name}</span>
              <span className="block text-sm leading-tight text-soft">{g.says}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Pick({
  label,
  kind,
  kit,
  value,
  pick,
}: {
  label: string;
  kind: string;
  kit: readonly Part[];
  value: string;
  pick: (value: string) => void;
}) {
  const id = useId();
  return (
    <div className="mt-3">
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <select
        id={id}
        className="mt-1 h-11 w-full rounded-sm border border-edge bg-panel px-2"
        value={value}
        onChange={(e) => pick(e.target.value)}
      >
        <optgroup label="Typical, by class">
          {classesOf(kind).map((t) => (
            <option key={t.id} value={t.id}>
              {t.name}
            </option>
          ))}
        </optgroup>
        {kit.length > 0 ? (
          <optgroup label="From the open job">
            {kit.map((p) => (
              <option key={p.id} value={`own ${p.id}`}>
                {p.name}
              </option>
            ))}
          </optgroup>
        ) : null}
      </select>
    </div>
  );
}

/** How the rig would stand: drawn to scale, counted, the worst of it and what to measure first. */
function Standing({
  sketch,
  busy,
  trouble,
  children,
}: {
  sketch: Sketch | null;
  busy: boolean;
  trouble: string | null;
  children: React.ReactNode;
}) {
  return (
    <div aria-busy={busy} className="min-w-0">
      <div className="border border-edge bg-panel">
        {sketch ? (
          <Silhouette outlines={sketch.outlines} bounds={sketch.bounds} />
        ) : (
          <div className="h-[24rem]" />
        )}
      </div>
      <p role="status" className="min-h-6 pt-1 text-sm text-soft">
        {trouble ?? (busy ? 'Putting it together ...' : '')}
      </p>
      {sketch && !trouble ? (
        <>
          <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
            {STATES.filter((s) => sketch.counts[s] > 0).map((s) => (
              <span key={s} className="flex items-center gap-1.5">
                <StateGlyph state={s} />
                {sketch.counts[s]} {STATE_WORD[s]}
              </span>
            ))}
            <span className="text-soft">{howMany(sketch.parts.length, 'part')}</span>
          </p>
          <div className="mt-3">{children}</div>
          <div className="mt-4 grid gap-4 md:grid-cols-2">
            <Lines title="What stands out" lines={sketch.worst} none="Nothing." />
            <Lines title="Measure first" lines={sketch.next} none="Nothing." />
          </div>
          <Lines title="What it is made of" lines={sketch.parts} none="Nothing." flow />
        </>
      ) : null}
    </div>
  );
}

function Lines({
  title,
  lines,
  none,
  flow = false,
}: {
  title: string;
  lines: readonly string[];
  none: string;
  flow?: boolean;
}) {
  return (
    <div className={flow ? 'mt-4' : ''}>
      <h2 className="font-semibold">{title}</h2>
      {lines.length === 0 ? <p className="text-soft">{none}</p> : null}
      <ul className={flow ? 'gap-x-6 md:columns-2' : ''}>
        {lines.map((l) => (
          <li key={l} className="border-t border-rule py-1">
            {l}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Takes it as a job of its own and goes to the rig. */
function Take({
  store,
  sketch,
  goal,
}: {
  store: NonNullable<ReturnType<typeof useStore>>;
  sketch: Sketch | null;
  goal: Goal;
}) {
  const router = useRouter();
  const take = useTake(store);
  return (
    <Button
      look="strong"
      disabled={!sketch}
      onClick={async () => {
        if (!sketch) return;
        const said = `${goal.name} stands, of typical parts: measure what is asked for first.`;
        if (await take([sketch.doc], said)) router.push('/');
      }}
    >
      Begin with this rig
    </Button>
  );
}
