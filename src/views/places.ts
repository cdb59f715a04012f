import type { ComponentType } from 'react';

/** Where one can be in the application. */
export interface Place {
  /** Its address. */
  to: string;
  name: string;
  /** Where a long name may be broken on the narrow rail. */
  broken?: string;
  /** What it speaks of: with the rig the line stays in sight. */
  subject: 'rig' | 'job';
  /** It shows findings and what to measure next itself; elsewhere they open at the side. */
  findings?: true;
  /** It is gone to from another place, and has no station of its own. */
  aside?: true;
  /** None for the first one, which has a route of its own. */
  load?: () => Promise<ComponentType>;
}

/** The places, in the order of the work. What an area shows joins here. */
export const PLACES: readonly Place[] = [
  {
    to: '/jobs',
    name: 'Job',
    subject: 'job',
    load: () => import('./jobs/jobs-view').then((m) => m.JobsView),
  },
  {
    to: '/begin',
    name: 'Begin a rig',
    subject: 'job',
    aside: true,
    load: () => import('./begin/begin-view').then((m) => m.BeginView),
  },
  {
    to: '/kit',
    name: 'Kit',
    subject: 'job',
    load: () => import('./kit/kit-view').then((m) => m.KitView),
  },
  { to: '/', name: 'Rig', subject: 'rig', findings: true },
  {
    to: '/model',
    name: 'Model',
    subject: 'rig',
    findings: true,
    load: () => import('./model/model-view').then((m) => m.ModelView),
  },
  {
    to: '/carry',
    name: 'Carry',
    subject: 'rig',
    findings: true,
    load: () => import('./carry/carry-view').then((m) => m.CarryView),
  },
  {
    to: '/power',
    name: 'Power',
    subject: 'rig',
    findings: true,
    load: () => import('./power/power-view').then((m) => m.PowerView),
  },
  {
    to: '/set',
    name: 'Lens set',
    subject: 'rig',
    load: () => import('./set/set-view').then((m) => m.SetView),
  },
  {
    to: '/configurations',
    name: 'Configurations',
    broken: 'Configu-rations',
    subject: 'rig',
    load: () => import('./configurations/configurations-view').then((m) => m.ConfigurationsView),
  },
  {
    to: '/compare',
    name: 'Compare',
    subject: 'job',
    load: () => import('./compare/compare-view').then((m) => m.CompareView),
  },
  {
    to: '/rules',
    name: 'Rules',
    subject: 'job',
    load: () => import('./rules/rules-view').then((m) => m.RulesView),
  },
];

/** The place at an address. */
export function placeAt(path: string): Place | null {
  return PLACES.find((p) => p.to === path) ?? null;
}
