import type { Interface } from './parts';

const NONE: readonly Interface[] = [];

/** What a part holds others by and is held by; none for a part of a kind that has no such list. */
export function interfacesOf(part: object | null | undefined): readonly Interface[] {
  const list = (part as { interfaces?: readonly Interface[] } | null | undefined)?.interfaces;
  return Array.isArray(list) ? list : NONE;
}

/** Whether it can hold something, and whether it can be held. */
export const canHold = (i: Interface) => i.side !== 'guest';
export const canBeHeld = (i: Interface) => i.side !== 'host';
