'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { PLACES } from '@/views/places';
import { askForHelp } from '@/views/help/ask';

/** The places as stations along an axis: where one is stands on it. */
export function Rail() {
  const path = usePathname();
  return (
    <nav
      aria-label="Places"
      className="hidden w-[5.75rem] shrink-0 flex-col overflow-y-auto border-r border-rule bg-panel py-1 lg:flex"
    >
      {PLACES.filter((p) => !p.aside).map((p) => (
        <PlaceLink key={p.to} to={p.to} name={p.name} broken={p.broken} here={path === p.to} />
      ))}
      <HelpButton />
    </nav>
  );
}

/** What one is looking at, for who has no key for it. */
export function HelpButton({ onGo }: { onGo?: () => void }) {
  return (
    <button
      type="button"
      onClick={() => {
        onGo?.();
        askForHelp();
      }}
      className="mt-auto flex min-h-11 items-center gap-2 pl-2 font-medium text-soft hover:bg-sunk hover:text-ink"
    >
      <kbd className="w-3 text-center">?</kbd> Help
    </button>
  );
}

/** A station on the axis, filled where one is. */
export function PlaceLink({
  to,
  name,
  broken,
  here,
  onGo,
}: {
  to: string;
  name: string;
  /** Written like this where it has to be broken. */
  broken?: string;
  here: boolean;
  onGo?: () => void;
}) {
  return (
    <Link
      prefetch={false}
      href={to}
      aria-current={here ? 'page' : undefined}
      onClick={onGo}
      className="group relative flex min-h-11 items-center gap-2 whitespace-nowrap pl-2 pr-1 font-medium text-soft hover:bg-sunk hover:text-ink aria-[current=page]:text-ink"
    >
      <svg width="12" height="44" viewBox="0 0 12 44" aria-hidden="true" className="shrink-0">
        <path d="M6 0V44" stroke="var(--tight)" strokeWidth="1" strokeDasharray="12 3 3 4" />
        {here ? (
          <path d="M0 22H12M6 15V29" stroke="var(--accent)" strokeWidth="4" />
        ) : (
          <path d="M2 22H10" stroke="var(--soft)" strokeWidth="1.5" />
        )}
      </svg>
      {broken ? (
        <>
          <span className="sr-only">{name}</span>
          <span aria-hidden="true" className="whitespace-normal leading-tight">
            {broken.split('-').map((t, i, all) => (
              <span key={t} className="block">
                {t}
                {i < all.length - 1 ? '-' : ''}
              </span>
            ))}
          </span>
        </>
      ) : (
        name
      )}
    </Link>
  );
}
