import type { ButtonHTMLAttributes, Ref } from 'react';

type Look = 'plain' | 'strong' | 'bare' | 'danger';

const LOOK: Record<Look, string> = {
  plain: 'border border-edge bg-panel hover:bg-sunk',
  strong: 'bg-accent text-accent-ink border border-accent hover:opacity-90',
  bare: 'border border-transparent hover:bg-sunk',
  danger: 'border border-fail text-fail bg-panel hover:bg-fail-wash',
};

/** Classes of a button, for links that look like one. */
export function buttonClass(look: Look = 'plain', more = ''): string {
  return `inline-flex min-h-11 items-center justify-center gap-2 rounded-sm px-3 text-left font-medium disabled:opacity-50 ${LOOK[look]} ${more}`;
}

export function Button({
  look = 'plain',
  className = '',
  ref,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look; ref?: Ref<HTMLButtonElement> }) {
  return <button type="button" ref={ref} className={buttonClass(look, className)} {...rest} />;
}
