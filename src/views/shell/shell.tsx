'use client';

import { setNonce } from 'get-nonce';
import { Moon, Redo2, Sun, TerminalSquare, Undo2, X } from 'lucide-react';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { VIEWS } from '@/core/command/views';
import { Button } from '@/ui/button';
import { preloadPicker } from '@/ui/picker';
import { preloadPop } from '@/ui/pop';
import { NamePlate } from './name-plate';
import { PartSheetHost } from '@/views/part/part-sheet';
import { RigSwitch } from './rig-switch';
import { StoreProvider, useSnapshot, useStore } from './store-context';

/** Comes with the first press of its key. */
const loadLine = () => import('./command-line').then((m) => m.CommandLine);
const LaterLine = dynamic(loadLine, { ssr: false });
let loadedLine: Awaited<ReturnType<typeof loadLine>> | null = null;

type Theme = 'auto' | 'bench' | 'set';

export function Shell({
  nonce,
  theme,
  children,
}: {
  nonce: string;
  theme: Theme;
  children: ReactNode;
}) {
  // Radix and cmdk put style elements into the page: they carry the nonce of the policy.
  if (nonce && typeof document !== 'undefined') setNonce(nonce);
  return (
    <StoreProvider>
      <PartSheetHost>
        <Frame initialTheme={theme}>{children}</Frame>
      </PartSheetHost>
    </StoreProvider>
  );
}

function Frame({ initialTheme, children }: { initialTheme: Theme; children: ReactNode }) {
  const path = usePathname();
  const store = useStore();
  const snap = useSnapshot();
  const [line, setLine] = useState(false);

  const CommandLine = loadedLine ?? LaterLine;

  useEffect(() => {
    // Once the rig is on screen, fetch what the next press will want.
    const idle = setTimeout(() => {
      void preloadPop();
      void preloadPicker();
      void loadLine().then((c) => (loadedLine = c));
    }, 300);
    return () => clearTimeout(idle);
  }, []);

  useEffect(() => {
    const onLeave = (e: BeforeUnloadEvent) => {
      // What could not be kept would be gone with the page.
      if (store?.atRisk()) e.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => window.removeEventListener('beforeunload', onLeave);
  }, [store]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const at = e.target as HTMLElement | null;
      const typing = at?.closest('input, textarea, select, [contenteditable]');
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !typing) {
        e.preventDefault();
        void (e.shiftKey ? store?.redo() : store?.undo());
      } else if (e.key === '.' && !typing && !e.ctrlKey && !e.metaKey && !e.altKey) {
        e.preventDefault();
        setLine(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store]);

  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh" data-ready={snap.phase !== 'loading'}>
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-panel focus:p-3"
      >
        Skip to the view
      </a>
      <header className="flex flex-wrap items-center gap-x-2 border-b border-rule bg-panel px-3 py-0.5 lg:flex-nowrap">
        <Link href="/" className="flex min-h-11 items-center" aria-label="Nelvix, to the rig">
          <NamePlate />
        </Link>
        <RigSwitch />
        <nav
          aria-label="Views"
          className="order-last flex w-full overflow-x-auto lg:order-none lg:ml-2 lg:w-auto"
        >
          {VIEWS.map((v) => (
            <Link
              key={v.to}
              href={v.to}
              aria-current={path === v.to ? 'page' : undefined}
              className="flex min-h-11 items-center whitespace-nowrap border-b-[3px] border-transparent px-2.5 font-medium text-soft hover:text-ink aria-[current=page]:border-accent aria-[current=page]:text-ink"
            >
              {v.name}
            </Link>
          ))}
        </nav>
        <div className="ml-auto flex items-center">
          <Button
            look="bare"
            onClick={() => setLine(true)}
            aria-label="Command line, key full stop"
          >
            <TerminalSquare size={20} aria-hidden="true" />
            <span className="hidden whitespace-nowrap text-soft xl:inline">
              put, swap, go, find
            </span>
            <kbd className="hidden rounded-sm border border-edge px-1.5 text-sm xl:inline">.</kbd>
          </Button>
          <Button
            look="bare"
            className="w-11 px-0"
            disabled={!snap.undo}
            onClick={() => void store?.undo()}
            aria-label={snap.undo ? `Undo: ${snap.undo}` : 'Nothing to undo'}
            title={snap.undo ? `Undo: ${snap.undo}` : 'Nothing to undo'}
          >
            <Undo2 size={20} aria-hidden="true" />
          </Button>
          <Button
            look="bare"
            className="w-11 px-0"
            disabled={!snap.redo}
            onClick={() => void store?.redo()}
            aria-label={snap.redo ? `Redo: ${snap.redo}` : 'Nothing to redo'}
            title={snap.redo ? `Redo: ${snap.redo}` : 'Nothing to redo'}
          >
            <Redo2 size={20} aria-hidden="true" />
          </Button>
          <ThemeSwitch initial={initialTheme} />
          <SaveSign />
        </div>
      </header>
      <Notices />
      <main id="main" className="relative min-h-0 flex-1 lg:overflow-auto">
        <Unsound />
        {children}
      </main>
      {line ? <CommandLine open onOpenChange={setLine} /> : null}
    </div>
  );
}

/** A stored job that cannot be shown: why, and what can be done with it. */
function Unsound() {
  const snap = useSnapshot();
  if (snap.phase !== 'unsound') return null;
  return (
    <div role="alert" className="m-4 border-l-4 border-fail bg-fail-wash p-3">
      <p>{snap.trouble}</p>
      <Link href="/rescue" className="inline-flex min-h-11 items-center underline">
        Save what this browser keeps
      </Link>
    </div>
  );
}

function ThemeSwitch({ initial }: { initial: Theme }) {
  const [theme, setTheme] = useState<Theme>(initial);
  const dark = () =>
    theme === 'set' ||
    (theme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches);
  return (
    <Button
      look="bare"
      className="w-11 px-0"
      aria-label={
        theme === 'set' ? 'Theme: set. Change to bench' : 'Theme: change between bench and set'
      }
      title="bench or set"
      onClick={() => {
        const next = dark() ? 'bench' : 'set';
        setTheme(next);
        document.documentElement.dataset.theme = next;
        document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=strict`;
      }}
    >
      {theme === 'set' ? (
        <Sun size={20} aria-hidden="true" />
      ) : (
        <Moon size={20} aria-hidden="true" />
      )}
    </Button>
  );
}

const SAVE_WORD = {
  saved: 'kept',
  saving: 'keeping',
  full: 'no room',
  broken: 'not kept',
} as const;

function SaveSign() {
  const snap = useSnapshot();
  if (snap.phase === 'loading') return null;
  return (
    <span
      data-testid="save"
      data-waiting={snap.waiting}
      className={`ml-1 w-14 text-sm ${snap.save === 'full' || snap.save === 'broken' ? 'font-semibold text-fail' : 'text-soft'}`}
    >
      {SAVE_WORD[snap.save]}
    </span>
  );
}

function Notices() {
  const snap = useSnapshot();
  const store = useStore();
  return (
    <>
      {snap.save === 'full' || snap.save === 'broken' ? (
        <div
          role="alert"
          className="flex flex-wrap items-center gap-3 border-b border-fail bg-fail-wash px-4 py-1"
        >
          <p className="min-w-0 flex-1">
            {snap.save === 'full'
              ? 'This browser has no room left. '
              : 'This browser does not let Nelvix keep anything. '}
            {snap.waiting > 0
              ? `The last ${snap.waiting === 1 ? 'change stands' : `${snap.waiting} changes stand`} on this page but ${snap.waiting === 1 ? 'is' : 'are'} not kept yet: export the job to a file, or make room and try again.`
              : 'What was kept before is untouched.'}
          </p>
          <Button onClick={() => void store?.retry()}>Try again</Button>
          <Link href="/jobs" className="inline-flex min-h-11 items-center underline">
            Export
          </Link>
        </div>
      ) : null}
      <div
        aria-live="polite"
        className="pointer-events-none fixed bottom-3 left-3 z-40 flex max-w-[min(34rem,94vw)] flex-col gap-2"
      >
        {snap.notices.map((n) => (
          <Note key={n.id} id={n.id} text={n.text} warn={n.tone === 'warn'} />
        ))}
      </div>
    </>
  );
}

function Note({ id, text, warn }: { id: number; text: string; warn: boolean }) {
  const store = useStore();
  useEffect(() => {
    if (warn) return;
    const t = setTimeout(() => store?.dismiss(id), 5000);
    return () => clearTimeout(t);
  }, [id, warn, store]);
  return (
    <div
      className={`pointer-events-auto flex items-center gap-2 rounded-sm border bg-panel pl-3 ${warn ? 'border-tight' : 'border-edge'}`}
    >
      <p className="min-w-0 flex-1 py-2">{text}</p>
      <button
        type="button"
        aria-label="Dismiss"
        className="grid size-11 place-items-center"
        onClick={() => store?.dismiss(id)}
      >
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  );
}
