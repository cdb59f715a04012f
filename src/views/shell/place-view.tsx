'use client';

import dynamic from 'next/dynamic';
import { createElement, type ComponentType } from 'react';
import { PLACES } from '@/views/places';

/** What each place shows comes when it is gone to. */
const VIEWS: ReadonlyMap<string, ComponentType> = new Map(
  PLACES.flatMap(({ to, load }) => (load ? [[to, dynamic(load)] as const] : [])),
);

export function PlaceView({ to }: { to: string }) {
  const View = VIEWS.get(to);
  return View ? createElement(View) : null;
}
