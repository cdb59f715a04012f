'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { hangingOf, type Hanging } from '@/core/areas/carry/model/drawn';
import { leadsDrawn } from '@/core/areas/power/model/drawn';
import { loadLines } from '@/core/areas/joints/model/load-lines';
import { modelOf, type Model } from '@/core/model/model';
import type { Vec } from '@/core/solids/solid';
import { addedTo } from '@/core/model/added';
import { useSize } from '@/ui/use-size';
import type { Pin } from '@/views/areas/joints/place-pins';
import type { RigFacts } from '@/views/bench/use-rig';
import { AXES, Controls, type Options } from './controls';
import { AgainstWords, useAgainst } from './against';
import { keyOf, type Act } from './keys';
import { Overlay } from './overlay';
import { Foul, Leaders, PieceName, PlacePin } from './marks';
import type { AirLine, Standard } from './looks';
import { TurnScene } from './scene';

interface Props {
  facts: RigFacts;
  lit: string | null;
  litParts: readonly string[];
  onPick: (key: string) => void;
  /** Places that can be pressed, in place of what is wrong. */
  pins: readonly Pin[] | null;
  /** The load path is asked for beside it. */
  load: boolean;
  /** There is no such drawing here, and why. */
  onNone: (why: string) => void;
}

const START: Options = {
  standard: 'corner',
  perspective: false,
  names: false,
  sweeps: false,
  load: false,
  hangs: false,
  apart: 0,
  axis: null,
  cut: 1,
};

/** The rig as a model that can be turned: the same solids as in the elevations, drawn the same way. */
export default function TurnView({ facts, lit, litParts, onPick, pins, load, onNone }: Props) {
  const { ref, w, h } = useSize({ w: 800, h: 500 }, { w: 220, h: 220 });
  const model = useMemo(() => modelOf(facts.built), [facts.built]);
  const [options, setOptions] = useState(START);
  const [pointed, setPointed] = useState<number | null>(null);
  const against = useAgainst(facts);
  const added = useMemo(
    () => (against.other ? addedTo(model, modelOf(against.other)) : NOBODY),
    [model, against.other],
  );
  const overlay = useMemo(() => new Overlay(), []);
  const { scene, canvas } = useScene(overlay, onNone);
  const hanging = useMemo(() => hangingOf(facts.built), [facts.built]);
  const hung = options.hangs ? hanging : null;
  const air = useMemo(
    () => [
      ...airLines(model, options.load || load ? facts : null),
      ...plumb(hung),
      // Parts that are drawn apart have their leads pulled.
      ...(options.apart > 0 ? [] : leadLines(facts)),
    ],
    [model, options.load, options.apart, load, facts, hung],
  );
  useEffect(() => scene?.hang(hung), [scene, hung]);
  const lights = useMemo(
    () => new Set(model.pieces.flatMap((p, i) => (litParts.includes(p.part) ? [i] : []))),
    [model, litParts],
  );
  useDrawn(scene, { w, h, model, air });
  useShown(scene, { model, options, added, lit: pointed === null ? lights : pointed });
  const act = useCallback(
    (a: Act) => perform(scene, a, model.pieces.length, setOptions, setPointed),
    [scene, model],
  );
  const shownNames = model.pieces.flatMap((p, i) =>
    options.names || i === pointed || (pointed === null && lights.has(i)) ? [{ p, i }] : [],
  );
  const word = pointed === null ? null : model.pieces[pointed]?.name;
  return (
    <figure className="relative flex min-h-0 min-w-0 flex-1 flex-col bg-paper">
      <figcaption className="sr-only">The rig as a model, to be turned</figcaption>
      <div ref={ref} className="relative min-h-96 flex-1 overflow-hidden lg:min-h-0">
        <canvas
          ref={canvas}
          tabIndex={0}
          role="img"
          aria-label={`${facts.rig.name} as a model. Arrow keys turn it, with shift they move it; plus and minus zoom; 1 to 7 are the standard views; page down and page up go from part to part.`}
          className="absolute inset-0 h-full w-full touch-none outline-offset-[-4px]"
          onKeyDown={(e) => {
            const a = keyOf(e);
            if (!a) return;
            e.preventDefault();
            e.stopPropagation();
            act(a);
          }}
          onPointerMove={(e) => {
            if (e.buttons !== 0 || e.pointerType === 'touch') return;
            const at = scene?.pick(e.nativeEvent.offsetX, e.nativeEvent.offsetY) ?? null;
            setPointed(at);
          }}
          onPointerLeave={() => setPointed(null)}
          onClick={(e) =>
            setPointed(scene?.pick(e.nativeEvent.offsetX, e.nativeEvent.offsetY) ?? null)
          }
        />
        <div className="pointer-events-none absolute inset-0">
          <Leaders overlay={overlay} w={w} h={h} />
          {shownNames.map(({ p, i }) => (
            <PieceName key={p.key} overlay={overlay} piece={i} model={model} />
          ))}
          {pins
            ? pins.map((p) => <PlacePin key={p.key} pin={p} overlay={overlay} />)
            : (options.apart > 0 ? [] : model.fouls).map((f) => (
                <Foul
                  key={f.key}
                  foul={f}
                  facts={facts}
                  overlay={overlay}
                  lit={f.key === lit}
                  onPick={onPick}
                />
              ))}
        </div>
        <p className="sr-only" role="status">
          {word ? `${word}.` : ''}
        </p>
        <AgainstWords against={against} />
      </div>
      <Controls
        options={options}
        onOptions={setOptions}
        onAct={act}
        against={against}
        hanging={hanging !== null}
      />
    </figure>
  );
}

/** Leads as they lie along the rig. */
const leadLines = ({ built }: RigFacts): AirLine[] =>
  leadsDrawn(built).flatMap(({ points, open }) =>
    points.slice(1).map((to, i): AirLine => ({
      from: points[i]!,
      to,
      tone: 'ink',
      dashed: open,
      over: false,
    })),
  );

/** Keeps the picture at its size, and of the rig as it stands. */
function useDrawn(
  scene: TurnScene | null,
  { w, h, model, air }: { w: number; h: number; model: Model; air: AirLine[] },
) {
  useEffect(() => scene?.size(w, h), [scene, w, h]);
  useEffect(() => scene?.take(model, air), [scene, model, air]);
  // From where it is looked at is the hand's afterwards.
  useEffect(() => scene?.look('corner'), [scene]);
}

function useShown(
  scene: TurnScene | null,
  {
    model,
    options: { axis, cut, apart, sweeps },
    added,
    lit,
  }: {
    model: Model;
    options: Options;
    added: ReadonlySet<number>;
    lit: number | ReadonlySet<number>;
  },
) {
  useEffect(() => {
    const n = axis === null ? null : AXES[axis].n;
    scene?.shown({
      apart,
      lit: typeof lit === 'number' ? new Set([lit]) : lit,
      added,
      sweeps,
      cut: n === null ? null : { axis: n, at: at(model, n, cut) },
    });
  }, [scene, model, axis, cut, apart, sweeps, added, lit]);
}

const NOBODY: ReadonlySet<number> = new Set();

/** Where a share of the rig's size along an axis lies, mm. */
function at(model: Model, axis: 0 | 1 | 2, share: number): number {
  const [a, b] = [model.from[axis], model.to[axis]];
  return a - 1 + share * (b - a + 2);
}

/** From what holds it straight down to its centre of gravity, and on. */
function plumb(hung: Hanging | null): AirLine[] {
  if (!hung) return [];
  const { about, down, centre } = hung;
  const on = (p: Vec, far: number): Vec => [
    p[0] + far * down[0],
    p[1] + far * down[1],
    p[2] + far * down[2],
  ];
  const line = (from: Vec, to: Vec, dashed: boolean): AirLine => ({
    from,
    to,
    tone: 'accent',
    dashed,
    over: true,
  });
  return [line(on(about, -60), centre, false), line(centre, on(centre, 120), true)];
}

function airLines(model: Model, load: RigFacts | null): AirLine[] {
  const cone = model.cone.map(([from, to]): AirLine => ({
    from,
    to,
    tone: 'accent',
    dashed: true,
    over: false,
  }));
  const path = load
    ? loadLines(load.built).flatMap((l) =>
        l.points.slice(1).map((to, i): AirLine => ({
          from: l.points[i]!,
          to,
          tone: 'accent',
          dashed: !l.only,
          over: true,
        })),
      )
    : [];
  return [...cone, ...path];
}

/** The picture, made with its canvas and gone with it. */
function useScene(overlay: Overlay, onNone: (why: string) => void) {
  const [scene, setScene] = useState<TurnScene | null>(null);
  const canvas = useCallback(
    (el: HTMLCanvasElement | null) => {
      if (!el) return;
      let own: TurnScene;
      const sheet = () => ({ w: el.clientWidth, h: el.clientHeight });
      try {
        own = new TurnScene(
          el,
          () => overlay.place(own, sheet()),
          () =>
            onNone('The device took its graphics away. The three views stand in for the model.'),
        );
      } catch {
        onNone('This browser draws no models (WebGL is off). The three views stand in for it.');
        return;
      }
      const theme = new MutationObserver(() => own.theme());
      theme.observe(document.documentElement, { attributeFilter: ['data-theme'] });
      const dark = matchMedia('(prefers-color-scheme: dark)');
      const again = () => own.theme();
      dark.addEventListener('change', again);
      overlay.asks(() => own.ask());
      setScene(own);
      return () => {
        theme.disconnect();
        dark.removeEventListener('change', again);
        own.end();
        setScene(null);
      };
    },
    [overlay, onNone],
  );
  return { scene, canvas };
}

/** What a key or a button does to the picture. */
function perform(
  scene: TurnScene | null,
  a: Act,
  pieces: number,
  setOptions: (f: (o: Options) => Options) => void,
  setPointed: (f: (n: number | null) => number | null) => void,
) {
  if (!scene) return;
  if ('turn' in a) scene.turn(...a.turn);
  else if ('pan' in a) scene.pan(...a.pan);
  else if ('zoom' in a) scene.zoom(a.zoom);
  else if ('fit' in a) scene.fit();
  else if ('perspective' in a) {
    const on = scene.parallel;
    scene.perspective(on);
    setOptions((o) => ({ ...o, perspective: on }));
  } else if ('part' in a)
    setPointed((n) =>
      pieces === 0 ? null : ((n ?? (a.part > 0 ? -1 : 0)) + a.part + pieces) % pieces,
    );
  else {
    scene.look(a.look satisfies Standard);
    setOptions((o) => ({ ...o, standard: a.look }));
  }
}
