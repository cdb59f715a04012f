'use client';

import dynamic from 'next/dynamic';
import { ThemeSwitch } from './theme-switch';
import { type ReactNode, useEffect, useSyncExternalStore } from 'react';
import { setNonce } from 'get-nonce';
import { StoreProvider, useStore, useSnapshot } from '../store/store-context';
import { PartSheetHost } from '@/views/part/part-sheet';
import { usePathname } from 'next/navigation';
import { preloadPop } from '@/ui/pop';
import { preloadPicker } from '@/ui/picker';
import Link from 'next/link';
import { NamePlate } from './name-plate';
import { ConfigurationSwitch } from './configuration-switch';
import { RigSwitch } from './rig-switch';
import type { JobStore } from '@/db/store';
import { Button } from '@/ui/button';
import { useWide } from '@/ui/use-wide';
import { BenchProvider, useBench } from '@/views/bench/bench';
import { placeAt } from '@/views/places';
import { isWelcomed } from '@/views/begin/welcomed';
import { preloadLine, useCommandLine } from './use-command-line';
import { useShow } from './use-show';
import { LensSwitch } from './lens-switch';
import { Rail } from './rail';
import { Standing } from './standing';
import { TerminalSquare, Undo2, Redo2 } from 'lucide-react';
import { SaveSign } from './save-sign';

/** What is seldom said comes a moment after the first picture. */
const loadNotices = () => import('./notices');
const NotKept = dynamic(() => loadNotices().then((m) => m.NotKept), { ssr: false });
const Notes = dynamic(() => loadNotices().then((m) => m.Notes), { ssr: false });
const Unsound = dynamic(() => loadNotices().then((m) => m.Unsound), { ssr: false });
/** Findings at the side of any place, and what a narrow screen has instead of the rail. */
const Dock = dynamic(() => import('./dock').then((m) => m.Dock), { ssr: false });
const Welcome = dynamic(() => import('@/views/begin/welcome'), { ssr: false });
const Help = dynamic(() => import('@/views/help/help'), { ssr: false });
const Sheets = dynamic(() => import('@/views/paper/sheets'), { ssr: false });
const Offline = dynamic(() => import('./offline'), { ssr: false });
const PhoneBar = dynamic(() => import('./phone-bar'), { ssr: false });
const Strip = dynamic(() => import('@/views/bench/strip').then((m) => m.Strip), {
  ssr: false,
  // As high as it will be: what stands below must not jump.
  loading: () => <div className="h-[77px] shrink-0 border-b border-rule" />,
});

export function Shell({ nonce, children }: { nonce: string; children: ReactNode }) {
  // Radix and cmdk put style elements into the page: they carry the nonce of the policy.
  if (nonce && typeof document !== 'undefined') setNonce(nonce);
  return (
    <StoreProvider>
      <PartSheetHost>
        <BenchProvider>
          <Frame>{children}</Frame>
        </BenchProvider>
      </PartSheetHost>
    </StoreProvider>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const path = usePathname();
  const store = useStore();
  const snap = useSnapshot();
  const { Line, take, openLine, closeLine } = useCommandLine();
  const wide = useWide();
  const place = placeAt(path);
  useTitle(place?.name);
  const greet = useSyncExternalStore(never, isNew, isOld);
  const ready = snap.phase === 'ready' || snap.phase === 'none';
  useIdleLoading();
  useLeaving(store);
  useKeys(store, openLine);

  return (
    <div
      className="flex min-h-dvh flex-col pb-14 lg:h-dvh lg:pb-0 print:pb-0"
      data-ready={snap.phase !== 'loading'}
    >
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-panel focus:p-3"
      >
        Skip to the view
      </a>
      <header className="flex flex-wrap items-center gap-x-1 border-b border-rule bg-panel px-3 py-0.5 lg:flex-nowrap">
        <Link
          href="/"
          prefetch={false}
          className="flex min-h-11 items-center"
          aria-label="Nelvix, to the rig"
        >
          <NamePlate />
        </Link>
        <div className="order-last flex w-full min-w-0 items-center lg:order-none lg:w-auto lg:flex-1">
          <RigSwitch />
          <ConfigurationSwitch />
          <span aria-hidden="true" className="text-soft">
            /
          </span>
          <LensSwitch />
          <span className="hidden lg:inline">
            <Standing />
          </span>
        </div>
        <div className="ml-auto flex shrink-0 items-center">
          <Button look="bare" onClick={openLine} aria-label="Command line, key full stop">
            <TerminalSquare size={20} aria-hidden="true" />
            <span className="hidden whitespace-nowrap text-soft xl:inline">
              put, swap, go, find
            </span>
            <kbd className="hidden rounded-sm border border-edge px-1.5 text-sm xl:inline">.</kbd>
          </Button>
          <StepButton which="undo" />
          <StepButton which="redo" />
          <ThemeSwitch />
          <SaveSign />
        </div>
      </header>
      {ready ? <Offline /> : null}
      {snap.save === 'full' || snap.save === 'broken' ? <NotKept /> : null}
      <div
        aria-live="polite"
        className="pointer-events-none fixed bottom-16 left-3 z-40 flex max-w-[min(34rem,94vw)] flex-col gap-2 lg:bottom-3"
      >
        {snap.notices.length > 0 ? <Notes /> : null}
      </div>
      <div className="flex min-h-0 flex-1">
        <Rail />
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
          {greet ? <Welcome /> : null}
          {place?.subject === 'rig' && place.to !== '/' ? <StripHost /> : null}
          <main id="main" className="relative min-h-0 flex-1 lg:overflow-auto">
            {snap.phase === 'unsound' ? <Unsound /> : null}
            {children}
          </main>
        </div>
        {!wide || !place?.findings ? <DockHost over={!wide} /> : null}
      </div>
      <Sheets />
      <Help />
      {wide ? null : <PhoneBar />}
      {Line ? <Line open take={take} onOpenChange={closeLine} /> : null}
    </div>
  );
}

/** Whether this browser is new does not change while the page is open: the strip goes by itself. */
const never = () => () => undefined;
const isNew = () => !isWelcomed();
const isOld = () => false;

/** The title goes with the place at once: the server's comes a moment after it. */
function useTitle(name: string | undefined): void {
  useEffect(() => {
    if (name) document.title = `${name} - Nelvix`;
  }, [name]);
}

/** Once the rig is on screen, fetches what the next press will want. */
function useIdleLoading(): void {
  useEffect(() => {
    const idle = setTimeout(() => {
      void preloadPop();
      void preloadPicker();
      void loadNotices();
      void preloadLine();
    }, 300);
    return () => clearTimeout(idle);
  }, []);
}

/** What could not be kept would be gone with the page: leaving it is asked about. */
function useLeaving(store: JobStore | null): void {
  useEffect(() => {
    const onLeave = (e: BeforeUnloadEvent) => {
      // What could not be kept would be gone with the page.
      if (store?.atRisk()) e.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => window.removeEventListener('beforeunload', onLeave);
  }, [store]);
}

/** Keys that work anywhere: a step back and forward, the command line. */
function useKeys(store: JobStore | null, openLine: () => void): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const at = e.target as HTMLElement | null;
      const typing = at?.closest('input, textarea, select, [contenteditable]');
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !typing) {
        e.preventDefault();
        void (e.shiftKey ? store?.redo() : store?.undo());
      } else if (e.key === '.' && !typing && !e.ctrlKey && !e.metaKey && !e.altKey) {
        e.preventDefault();
        openLine();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, openLine]);
}

/** A step back, or forward again; it says which. */
function StepButton({ which }: { which: 'undo' | 'redo' }) {
  const store = useStore();
  const snap = useSnapshot();
  const step = snap[which];
  const word = which === 'undo' ? 'Undo' : 'Redo';
  const said = step ? `${word}: ${step}` : `Nothing to ${which}`;
  const Icon = which === 'undo' ? Undo2 : Redo2;
  return (
    <Button
      look="bare"
      className="w-11 px-0"
      disabled={!step}
      onClick={() => void store?.[which]()}
      aria-label={said}
      title={said}
    >
      <Icon size={20} aria-hidden="true" />
    </Button>
  );
}

/** The line along the top, of the rig that is open. */
function StripHost() {
  const bench = useBench();
  const { show } = useShow();
  return bench ? <Strip bench={bench} onPick={() => show('findings')} /> : null;
}

function DockHost({ over }: { over: boolean }) {
  const bench = useBench();
  return bench?.docked ? <Dock bench={bench} over={over} /> : null;
}
