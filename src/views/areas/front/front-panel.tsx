'use client';

import { frontOf } from '@/core/areas/front/place/front';
import { isFilter, isRing, type Filter, type Ring } from '@/core/kit/types';
import { valueOf } from '@/core/quantity/quantity';
import { plain } from '@/core/quantity/say';
import { ringsFor, screwOn, unscrew } from '@/core/areas/front/moves/thread';
import { Choose, Columns, Piece, Section, useEdit } from '../../bench/panel-parts';
import { Under } from '../rods/under-panel';
import type { RigFacts } from '../../bench/use-rig';
import { Box } from './box-form';
import { filterName } from './stages-form';

/** Everything in front of the lens and what holds it, in the order in which light meets it last. */
export default function FrontPanel({ facts }: { facts: RigFacts }) {
  return (
    <Columns>
      <OnTheThread facts={facts} />
      <Box facts={facts} />
      <Under facts={facts} />
    </Columns>
  );
}

function OnTheThread({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, job, rig } = facts;
  const thread = frontOf(built).thread;
  const size = valueOf(built.lens?.filterThread);
  const screws = job.kit.filter(
    (p): p is Ring | Filter =>
      isRing(p) || (isFilter(p) && (p.shape === 'screw' || p.male !== undefined)),
  );
  return (
    <Section
      title={`On the thread${size === null ? ', size not known' : `, ${plain(size, 1)} mm`}`}
    >
      {thread.map((t) => (
        <Piece
          key={t.index}
          part={t.part}
          hint={isFilter(t.part) ? undefined : 'ring'}
          onOff={() => edit(unscrew(job, rig, t.index))}
        />
      ))}
      <Choose
        label="screw on"
        value=""
        none={screws.length === 0 ? 'no ring or filter in the kit' : 'a ring or filter ...'}
        options={screws.map((p) => {
          const rings = ringsFor(job, rig, p);
          const way =
            rings === null
              ? ' (no ring for it)'
              : rings.length > 0
                ? ` with ${rings.map((r) => r.name).join(' + ')}`
                : '';
          return {
            id: p.id,
            name: `${isFilter(p) ? filterName(p) : p.name}${way}`,
            pick: () => edit(screwOn(job, rig, p)),
          };
        })}
      />
    </Section>
  );
}
