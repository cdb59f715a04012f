'use client';

import { useEffect, useState } from 'react';

interface Device {
  /** It opens without the server. */
  alone: boolean;
  /** The browser promised not to clear what is kept; null where it does not tell. */
  promised: boolean | null;
}

/** What this device does for the jobs in it: said as it is, not as one would like it. */
export function ThisDevice() {
  const [device, setDevice] = useState<Device | null>(null);
  useEffect(() => {
    let gone = false;
    const look = async () => {
      const promised = (await navigator.storage?.persisted?.().catch(() => null)) ?? null;
      const alone = (navigator.serviceWorker?.controller ?? null) !== null;
      if (!gone) setDevice({ alone, promised });
    };
    void look();
    const again = () => void look();
    navigator.serviceWorker?.addEventListener('controllerchange', again);
    return () => {
      gone = true;
      navigator.serviceWorker?.removeEventListener('controllerchange', again);
    };
  }, []);
  if (!device) return null;
  return (
    <section aria-label="This device" className="mt-6 border-t border-rule pt-3 text-soft">
      <p>
        {device.alone
          ? 'Nelvix opens on this device without a network and without its server.'
          : 'Nelvix does not open on this device without its server yet.'}
      </p>
      <p>
        {device.promised === true
          ? 'The browser keeps these jobs, also when it is short of room.'
          : device.promised === false
            ? 'The browser may clear these jobs when it is short of room: export a backup.'
            : 'Whether the browser clears these jobs when it is short of room, it does not tell: export a backup.'}
      </p>
    </section>
  );
}
