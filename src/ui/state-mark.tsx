import type { State } from '@/core/checks/finding';

export const STATE_WORD: Record<State, string> = {
  ok: 'ok',
  tight: 'tight',
  fail: 'fails',
  unknown: 'unknown',
};

export const STATE_TEXT: Record<State, string> = {
  ok: 'text-ok',
  tight: 'text-tight',
  fail: 'text-fail',
  unknown: 'text-unknown',
};

/**
 * The sign of a state: two jaws seen from the side. Apart: there is room. Touching: tight.
 * One through the other, solid: it fails. One jaw only dotted: nobody has measured.
 */
export function StateGlyph({ state, size = 18 }: { state: State; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 18 18"
      aria-hidden="true"
      className={`shrink-0 ${STATE_TEXT[state]}`}
    >
      <StateShape state={state} />
    </svg>
  );
}

/** The bare shape on an 18 x 18 field, for use inside a drawing. */
export function StateShape({ state }: { state: State }) {
  switch (state) {
    case 'ok':
      return (
        <g fill="currentColor">
          <rect x="1.5" y="2" width="3.2" height="14" />
          <rect x="13.3" y="2" width="3.2" height="14" />
          <rect x="6.4" y="8.4" width="5.2" height="1.2" />
        </g>
      );
    case 'tight':
      return (
        <g fill="currentColor">
          <rect x="5" y="2" width="3.4" height="14" />
          <rect x="9.6" y="2" width="3.4" height="14" />
        </g>
      );
    case 'fail':
      return (
        <g>
          <rect x="2.5" y="4.5" width="8.5" height="11.5" fill="currentColor" />
          <rect
            x="7"
            y="2"
            width="8.5"
            height="11.5"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.8"
          />
        </g>
      );
    case 'unknown':
      return (
        <g>
          <rect x="2.5" y="2" width="3.2" height="14" fill="currentColor" />
          <path
            d="M13.5 2v14"
            stroke="currentColor"
            strokeWidth="2.4"
            strokeDasharray="2.2 2.4"
            fill="none"
          />
        </g>
      );
  }
}

/** Sign and word together: a state is never colour alone. */
export function StateMark({ state }: { state: State }) {
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold ${STATE_TEXT[state]}`}>
      <StateGlyph state={state} />
      {STATE_WORD[state]}
    </span>
  );
}
