import { modesBeside, sayMode } from '@/core/areas/media/model/modes';
import { power } from '@/core/areas/power/area';
import { dayOf, sayDay } from '@/core/areas/power/model/day';
import { deviceCards } from '@/core/areas/power/model/device-cards';
import { runLines } from '@/core/areas/power/model/log';
import { nightOf, sayNight } from '@/core/areas/power/model/night';
import { CARD_NAMES, cardsOnHand } from '@/core/areas/media/model/marks';
import { packsOnHand, STATE_NAMES } from '@/core/areas/power/model/marks';
import { layingOrder } from '@/core/areas/power/model/lines';
import { sayLine } from '@/core/areas/power/model/say-line';
import { sayHours } from '@/core/areas/power/model/say';
import { CARRIED } from '@/core/areas/power/model/signals';
import { saySwap, swapsOn } from '@/core/areas/power/model/swap';
import { powerTree, type PowerTree } from '@/core/areas/power/model/tree';
import { plugOf } from '@/core/engine/plugs';
import { cabinOf } from '@/core/feed/hours';
import { STATES } from '@/core/checks/finding';
import { PACK_STATES } from '@/core/kit/records';
import { valueOf } from '@/core/quantity/quantity';
import { plain, sayLength } from '@/core/quantity/say';
import { STATE_WORD } from '@/ui/state-mark';
import type { RigFacts } from '@/views/bench/use-rig';
import { Finding } from './rig-sheet';

const OWN: ReadonlySet<string> = new Set(power.checks.map((c) => c.id));

/** What feeds what, on paper: the tree as a table, the leads, the packs for whoever carries them. */
export function PowerSheet({ facts }: { facts: RigFacts }) {
  const { job, rig, built, verdicts } = facts;
  const { day, night } = job.goal ?? {};
  const tree = powerTree(built, verdicts);
  const name = (id: string) => tree.nodes.find((n) => n.id === id)?.name ?? id;
  return (
    <section className="sheet">
      <h1>{rig.name}: what feeds what</h1>
      <table>
        <thead>
          <tr>
            <th>what</th>
            <th>fed from</th>
            <th>lead</th>
            <th>arrives</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {tree.nodes
            .filter((n) => n.is === 'device')
            .map((n) => {
              const e = tree.edges.find((x) => x.to === n.id);
              return (
                <tr key={n.id}>
                  <td>{n.name}</td>
                  <td>{e ? name(e.from) : n.line}</td>
                  <td>{e?.name}</td>
                  <td className="figure">{e?.line}</td>
                  <td>{n.state ? STATE_WORD[n.state] : ''}</td>
                </tr>
              );
            })}
        </tbody>
      </table>
      <h2>Leads</h2>
      <ul>
        {layingOrder(built).flatMap((l) =>
          l.lead
            ? [
                <li key={l.key}>
                  {l.lead.name}
                  {l.signal ? ` (${CARRIED[l.signal.use.carries]} to ${l.part.name})` : ''}:{' '}
                  {plugOf(l.plugs[0])?.name ?? 'plug not known'} to{' '}
                  {plugOf(l.plugs[1])?.name ?? 'plug not known'}, {long(valueOf(l.lead.length))};{' '}
                  {sayLine(built, l)}
                </li>,
              ]
            : [],
        )}
      </ul>
      <h2>When a pack is changed</h2>
      <ul>
        {swapsOn(built).map((s) => (
          <li key={s.id}>
            {s.name}: {saySwap(s)}
          </li>
        ))}
      </ul>
      {day === undefined ? null : (
        <Lines
          title={`The day, ${sayHours(day)}`}
          lines={dayOf(built).flatMap((s) => sayDay(s, day))}
        />
      )}
      {night === undefined ? null : (
        <Lines title={`The night, ${sayHours(night)}`} lines={sayNight(nightOf(built))} />
      )}
      <Lines
        title="How long packs lasted"
        lines={runLines(built).map((l) => `${l.when ? `${l.when}: ` : ''}${l.said}`)}
      />
      <Lines
        title="Modes side by side"
        lines={modesBeside(built).map((m) => `${m.mode.name}: ${sayMode(m)}`)}
      />
      <Packs facts={facts} />
      <Devices facts={facts} tree={tree} />
      <h2>What is said of it</h2>
      <ul>
        {STATES.flatMap((state) => verdicts.filter((v) => OWN.has(v.id) && v.state === state)).map(
          (v) => (
            <Finding key={v.key} v={v} />
          ),
        )}
      </ul>
    </section>
  );
}

/** A card for each device, to go with it. */
function Devices({ facts: { built }, tree }: { facts: RigFacts; tree: PowerTree }) {
  return (
    <>
      <h2>A card for each device</h2>
      <ul className="labels">
        {deviceCards(built, tree).map((c) => (
          <li key={c.key}>
            <strong>{c.name}</strong>
            {c.lines.map((line) => (
              <span key={line}>
                <br />
                {line}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What whoever carries them asks of each sort, and a label for each pack. */
function Packs({ facts: { built } }: { facts: RigFacts }) {
  const packs = packsOnHand(built);
  return (
    <>
      <h2>Packs, for the carrier</h2>
      <ul>
        {packs
          .filter((p) => p.n === 1)
          .map(({ part, of }) => {
            const wh = valueOf(part.wattHours);
            return (
              <li key={part.id}>
                {of > 1 ? `${of} of ${part.name}` : part.name}:{' '}
                {wh === null
                  ? 'watt-hours not known'
                  : `${plain(wh, 0)} Wh${of > 1 ? ' each' : ''}; in the cabin ${cabinOf(wh)}`}
              </li>
            );
          })}
      </ul>
      <p>Always ask the carrier; spares go in the cabin, contacts covered.</p>
      <h2>Labels for packs and cards</h2>
      <ul className="labels">
        {packs.map(({ part, n, name, mark }) => {
          const wh = valueOf(part.wattHours);
          return (
            <li key={`${part.id} ${n}`}>
              <strong>{name}</strong> {wh === null ? '' : `${plain(wh, 0)} Wh`}
              <br />
              {PACK_STATES.map((s) => (
                <span key={s}>
                  {mark?.state === s ? '\u25a0' : '\u25a1'} {STATE_NAMES[s]}{' '}
                </span>
              ))}
              <br />
              {mark?.when ?? 'at ________'}
            </li>
          );
        })}
        {cardsOnHand(built).map(({ part, n, name, mark }) => (
          <li key={`${part.id} ${n}`}>
            <strong>{name}</strong>
            <br />
            {Object.entries(CARD_NAMES).map(([s, as]) => (
              <span key={s}>
                {mark?.state === s ? '\u25a0' : '\u25a1'} {as}{' '}
              </span>
            ))}
            <br />
            {mark?.when ?? 'at ________'}
          </li>
        ))}
      </ul>
    </>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  return lines.length === 0 ? null : (
    <>
      <h2>{title}</h2>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );
}

const long = (mm: number | null) => (mm === null ? 'length not known' : sayLength(mm, 0));
