'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import { Button } from '@/ui/button';
import { useSnapshot, useStore } from '../store/store-context';

/** Windows that edit hold it together; who takes a new version wants it alone. */
const LOCK = 'nelvix-editing';
/** How often it is looked whether something is being edited, ms. */
const LOOK = 250;
/** How often a window that is open asks for a new version, ms. */
const ASK = 3_600_000;

/** Something is being typed, or a sheet lies open. */
function midEdit(): boolean {
  const at = document.activeElement;
  return (
    at?.matches('input, textarea, select, [contenteditable]') === true ||
    document.querySelector('[role=dialog]') !== null
  );
}

/** Holds the lock of those that edit for as long as something is edited here; returns what ends it. */
function holdWhile(busy: () => boolean): () => void {
  let release: (() => void) | null = null;
  let asked = false;
  const look = () => {
    const edits = busy();
    if (edits && !asked) {
      asked = true;
      void navigator.locks?.request(
        LOCK,
        { mode: 'shared' },
        () => new Promise<void>((go) => (release = go)),
      );
    } else if (!edits && release) {
      release();
      release = null;
      asked = false;
    }
  };
  const timer = setInterval(look, LOOK);
  return () => {
    clearInterval(timer);
    release?.();
  };
}

/**
 * Has the application kept on the device, and tells of a version that waits; once another one took
 * over, the page is loaded anew. Returns what ends it.
 */
function watchVersions(
  busy: () => boolean,
  tell: (waiting: ServiceWorker | null) => void,
): (() => void) | undefined {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return undefined;
  const { serviceWorker } = navigator;
  const had = serviceWorker.controller !== null;
  let gone = false;
  let timer: ReturnType<typeof setInterval> | undefined;
  // Another version took over: the page is loaded anew as soon as nothing is typed in it.
  const changed = () => {
    if (!had || gone) return;
    timer = setInterval(() => {
      if (busy()) return;
      clearInterval(timer);
      location.reload();
    }, LOOK);
  };
  serviceWorker.addEventListener('controllerchange', changed);
  let asking: ReturnType<typeof setInterval> | undefined;
  serviceWorker.register('/sw.js', { updateViaCache: 'none' }).then(
    (r: ServiceWorkerRegistration | undefined) => {
      // Where it is forbidden from outside nothing comes of it, and nothing is refused either.
      if (gone || !r) return;
      const see = () => !gone && tell(r.active && r.waiting ? r.waiting : null);
      see();
      r.addEventListener('updatefound', () => r.installing?.addEventListener('statechange', see));
      asking = setInterval(() => {
        if (document.visibilityState === 'visible') void r.update().catch(() => undefined);
      }, ASK);
    },
    // A browser that forbids it works as before: with the server.
    () => undefined,
  );
  return () => {
    gone = true;
    clearInterval(timer);
    clearInterval(asking);
    serviceWorker.removeEventListener('controllerchange', changed);
  };
}

/**
 * Keeps the application open without its server, and tells of a new version: it is taken when
 * somebody says so, and never while something is edited in any window.
 */
export default function Offline() {
  const store = useStore();
  const snap = useSnapshot();
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  const [said, setSaid] = useState('');
  const busy = useEffectEvent(() => store?.atRisk() === true || snap.waiting > 0 || midEdit());

  useEffect(() => holdWhile(() => busy()), []);

  useEffect(() => watchVersions(() => busy(), setWaiting), []);

  // What somebody made is worth keeping: the browser is asked not to clear it, once there is any.
  const made = snap.undo !== null && snap.save === 'saved';
  useEffect(() => {
    if (made) void navigator.storage?.persist?.().catch(() => false);
  }, [made]);

  if (!waiting) return null;
  const take = () =>
    void navigator.locks.request(LOCK, { mode: 'exclusive', ifAvailable: true }, (lock) => {
      if (!lock) {
        setSaid('Something is still being edited in one of the windows.');
        return;
      }
      waiting.postMessage({ type: 'TAKE' });
      return new Promise((go) => setTimeout(go, 1000));
    });
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 border-b border-rule bg-sunk px-4 py-1"
    >
      <p className="min-w-0 flex-1">A new version of Nelvix is here. {said}</p>
      <Button onClick={take}>Take it</Button>
    </div>
  );
}
