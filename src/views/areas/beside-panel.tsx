'use client';

import type { RigFacts } from '@/views/bench/use-rig';
import { Columns } from '@/views/bench/panel-parts';
import { Under } from '@/views/areas/rods/under-panel';
import { RodsSection } from './rods/rods-form';
import { Supports } from './support/supports-form';
import { Drives } from './drive/drives-form';
import { Fitted } from './space/fitted-form';
import { Limits } from './space/limits-form';

/** Everything under and beside the camera: plate, rods, support, drives, what is fitted, limits. */
export default function BesidePanel({ facts }: { facts: RigFacts }) {
  return (
    <Columns>
      <Under facts={facts} />
      <RodsSection facts={facts} />
      <Supports facts={facts} />
      <Drives facts={facts} />
      <Fitted facts={facts} />
      <Limits facts={facts} />
    </Columns>
  );
}
