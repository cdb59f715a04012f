'use client';

import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import { withChanges, type Edit } from '@/core/edit/edit';
import type { Verdict } from '@/core/checks/finding';
import type { Job, Rig } from '@/core/kit/types';
import { useAreas } from '@/views/store/use-checks';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { useUnhurried } from '@/ui/use-unhurried';
import { UnderHand } from './under-hand';
import { useAdvice, useRigFacts, type Advice, type RigFacts } from './use-rig';

/** The open rig: what is dragged shows before it is kept, one finding is lit. */
export interface Bench {
  job: Job;
  rig: Rig;
  /** What is said of it; of what is being dragged a moment later than what is under the hand. */
  facts: RigFacts;
  advice: Advice;
  /** Key of the finding that is open, and the parts it speaks of. */
  lit: string | null;
  litParts: readonly string[];
  /** What was pressed by hand. */
  picked: string | null;
  setPicked: (key: string | null) => void;
  /** The area whose findings are shown; null for all. */
  area: string | null;
  setArea: (area: string | null) => void;
  /** Which of its panels is looked at where there is room for one. */
  panel: Panel;
  setPanel: (panel: Panel) => void;
  /** It stands open at the side of a place that does not show it itself. */
  docked: boolean;
  setDocked: (docked: boolean) => void;
  /** The lead that is being tied on the drawing, by its key. */
  tying: string | null;
  setTying: (line: string | null) => void;
  /** Something is being dragged: what shows is not kept yet. */
  dragging: boolean;
  /** Shows an edit that is still being dragged; null shows what is kept. */
  setDraft: (edit: Edit | null) => void;
  /** Keeps an edit that was let go of. */
  drop: (edit: Edit | null) => void;
  /** Says that advice is looked at; what comes back says that it no longer is. */
  look: () => () => void;
}

/** Findings, what to measure, what stands under and beside. */
export type Panel = 'findings' | 'measure' | 'parts' | 'joints';

const Context = createContext<Bench | null>(null);

/** While something is dragged the rest of the page follows so often, ms. */
const FOLLOW = 100;

/** What is said of the open rig, the same in every place. */
export function BenchProvider({ children }: { children: ReactNode }) {
  const { job: kept, rigId } = useSnapshot();
  const store = useStore();
  // While something is dragged the picture runs ahead of what is kept: one step when it is let go.
  const [held, setHeld] = useState<{ of: string; edit: Edit } | null>(null);
  const draft = kept && held?.of === kept.id ? held.edit : null;
  const [picked, setPicked] = useState<string | null>(null);
  const [area, setArea] = useState<string | null>(null);
  const [panel, setPanel] = useState<Panel>('findings');
  const [docked, setDocked] = useState(false);
  const [tying, setTying] = useState<string | null>(null);
  const [lookers, setLookers] = useState(0);
  const dragged = useMemo(
    () => (kept && draft ? withChanges(kept, draft.changes) : kept),
    [kept, draft],
  );
  const id = kept?.id;
  const setDraft = useCallback(
    (edit: Edit | null) => setHeld(edit && id !== undefined ? { of: id, edit } : null),
    [id],
  );
  const underHand = useRigFacts(dragged, dragged?.rigs.find((r) => r.id === rigId) ?? null);
  const dragging = draft !== null;
  const facts = useUnhurried(underHand, dragging, FOLLOW);
  const drop = useCallback(
    (edit: Edit | null) => {
      setHeld(null);
      if (edit) store?.edit(edit);
    },
    [store],
  );
  const look = useCallback(() => {
    setLookers((n) => n + 1);
    return () => setLookers((n) => n - 1);
  }, []);
  const areas = useAreas();
  // Where only one area is shown the first of it stands open.
  const shown = (v: Verdict) => area === null || !areas || areas.areaOf(v.id)?.id === area;
  const open = facts?.verdicts.filter((v) => v.state !== 'ok') ?? [];
  const first = (open.find(shown) ?? open[0])?.key ?? null;
  const lit = facts?.verdicts.some((v) => v.key === picked) ? picked : first;
  const advice = useAdvice(facts, lit, dragging || lookers === 0 || facts?.behind);
  // The same parts are the same list: what shows them is not drawn anew with every move.
  const about = JSON.stringify(facts?.verdicts.find((v) => v.key === lit)?.about ?? []);
  const litParts = useMemo(() => JSON.parse(about) as string[], [about]);
  const bench = useMemo<Bench | null>(
    () =>
      facts
        ? {
            job: facts.job,
            rig: facts.rig,
            facts,
            advice,
            lit,
            litParts,
            picked,
            setPicked,
            area,
            setArea,
            panel,
            setPanel,
            docked,
            setDocked,
            tying,
            setTying,
            dragging,
            setDraft,
            drop,
            look,
          }
        : null,
    [
      facts,
      advice,
      lit,
      litParts,
      picked,
      area,
      panel,
      docked,
      tying,
      dragging,
      setDraft,
      drop,
      look,
    ],
  );
  return (
    <Context value={bench}>
      <UnderHand value={underHand}>{children}</UnderHand>
    </Context>
  );
}

/** The open rig; null while there is none. */
export function useBench(): Bench | null {
  return useContext(Context);
}

/** Has fixes and the measuring list worked out for as long as something shows them. */
export function useLooking(bench: Bench | null): void {
  const look = bench?.look;
  useEffect(() => look?.(), [look]);
}
