import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { isReducer, type Lens, type Reducer } from '../../../kit/types';
import { exact, mm, rangeMm } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { judge, said } from '../../../checks/judge';

export const mountRearDepth: Check = {
  id: 'mount.rear-depth',
  tried: () => true,
  title: 'Rear group in the cavity',
  short: 'depth is wrong',
  says: 'Whether a rear group has room behind the mount: too deep strikes shutter, filter glass or mirror box; a reducer that is too shallow for the body never reaches infinity.',
  formula: 'cavity depth - clearance - rear protrusion; and rear protrusion - reducer depth needed',
  run(built) {
    if (!built.closed || !built.body) return [];
    const verdicts: Verdict[] = [];
    built.links.forEach(({ link }, i) => {
      if (isReducer(link)) verdicts.push(reducerDepth(built, link, i));
    });
    if (built.lens) {
      const v = lensDepth(built, built.lens);
      if (v) verdicts.push(v);
    }
    return verdicts;
  },
};

/** Lengths of plain pieces behind link `i` down to the body. */
function roomBehind(built: Built, i: number): Given[] {
  return built.links.slice(0, i).map(({ link }) => given(link, 'length'));
}

function reducerDepth(built: Built, reducer: Reducer, i: number): Verdict {
  const body = built.body!;
  const clearance = built.rules['mount.rear-clearance'];
  const protrusion = given(reducer, 'rearProtrusion');
  const cavity = given(body, 'cavityDepth');
  const room = roomBehind(built, i);
  const madeFor = reducer.madeFor;
  const own = madeFor?.includes(body.id) === true;
  const foreign = madeFor !== undefined && madeFor.length > 0 && !own;
  // How deep it has to come is a number of the body; its maker's word for this very body stands in.
  const depth = given(body, 'reducerDepth');
  const needs = depth.known || !own ? depth : null;
  const others = (madeFor ?? []).map((id) => built.kit.get(id)?.name ?? id).join(', ');
  const inputs = [protrusion, cavity, ...room, ...(needs ? [needs] : [])];
  const n = 2 + room.length;
  const sumRoom = (x: readonly number[]) => {
    let z = x[1]!;
    for (let k = 2; k < n; k++) z += x[k]!;
    return z;
  };
  const deep = (x: readonly number[]) => sumRoom(x) - clearance - x[0]!;
  const shallow = (x: readonly number[]) => {
    let z = x[0]!;
    for (let k = 2; k < n; k++) z -= x[k]!;
    return z - x[n]!;
  };
  const about = [reducer.id, body.id];
  const station = built.mounts.get(body.mount ?? '')?.flange?.value ?? null;
  const rest = {
    id: 'mount.rear-depth',
    key: `mount.rear-depth:${reducer.id}`,
    about,
    station,
    unit: 'mm',
  };
  const assumed = foreign
    ? `It is made for ${others}, not for ${body.name}: try it with care before the day.`
    : needs === null
      ? `How deep a reducer has to come on ${body.name} is not known; that it is made for it stands in.`
      : null;
  const strikes = judge({
    ...rest,
    inputs: inputs.slice(0, n),
    margin: deep,
    limit: { value: clearance, unit: 'mm', rule: 'mount.rear-clearance' },
    assumed,
    why: (o) => {
      const p = exact(protrusion.known!.value, 1);
      const c = exact(sumRoom(inputs.slice(0, n).map((g) => g.known!.value)), 1);
      return o.state === 'fail'
        ? `The rear group of ${reducer.name} comes ${p} mm behind the mount; ${body.name} has ${c} mm: with ${mm(clearance)} of air it is ${mm(-o.value)} too deep and strikes.`
        : o.state === 'ok' || (assumed !== null && o.lo >= 0)
          ? `The rear group of ${reducer.name} comes ${p} mm behind the mount of ${body.name} and clears by ${mm(o.value)} beyond the ${mm(clearance)} wanted.`
          : `The rear group of ${reducer.name} may or may not clear inside ${body.name}: ${rangeMm(o.lo, o.hi)} beyond the ${mm(clearance)} wanted.`;
    },
    sum: (o) =>
      `cavity ${exact(sumRoom(inputs.slice(0, n).map((g) => g.known!.value)), 2)} - clearance ${exact(clearance, 2)} - protrusion ${exact(protrusion.known!.value, 2)} = ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`,
    lacking: (missing) =>
      `Whether ${reducer.name} clears inside ${body.name} is not known: ${missing} missing.` +
      (foreign ? ` It is made for ${others}.` : ''),
    basis: `[math] ${ruleBasis('mount.rear-clearance')}`,
  });
  if (!needs || strikes.state === 'fail') return strikes;
  const reaches = judge({
    ...rest,
    inputs,
    margin: shallow,
    limit: { value: 0, unit: 'mm', rule: null },
    assumed,
    why: (o) => {
      const p = exact(protrusion.known!.value, 1);
      const d = exact(needs.known!.value, 1);
      return o.state === 'fail'
        ? `The rear group of ${reducer.name} comes ${p} mm behind the mount; a reducer on ${body.name} has to come ${d} mm: ${mm(-o.value)} too shallow, it never reaches infinity.${foreign ? ` It is made for ${others}.` : ''}`
        : o.state === 'ok' || (assumed !== null && o.lo >= 0)
          ? `The rear group of ${reducer.name} comes ${p} mm behind the mount, deep enough for ${body.name} by ${mm(o.value)}.`
          : `The rear group of ${reducer.name} may be too shallow for ${body.name}: ${rangeMm(o.lo, o.hi)}.`;
    },
    sum: (o) =>
      `protrusion ${exact(protrusion.known!.value, 2)} - needed ${exact(needs.known!.value, 2)} = ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`,
    lacking: (missing) =>
      `Whether ${reducer.name} suits ${body.name} is not known: ${missing} missing.` +
      (foreign ? ` It is made for ${others}.` : ''),
    basis: '[math]',
  });
  // Made for this very body and too shallow for it: one of the two is wrong.
  if (own && reaches.state === 'fail' && strikes.state !== 'unknown')
    return {
      ...said(reaches),
      state: 'tight',
      why: `${reaches.why} It is made for ${body.name}, though: one of the numbers is wrong.`,
    };
  return RANK[reaches.state] < RANK[strikes.state] ? reaches : strikes;
}

function lensDepth(built: Built, lens: Lens): Verdict | null {
  const body = built.body!;
  const clearance = built.rules['mount.rear-clearance'];
  const protrusion = given(lens, 'rearProtrusion');
  // A lens that ends at its flange cannot strike anything behind it.
  if (protrusion.known && protrusion.known.hi <= 0) return null;
  let i = built.links.length;
  const room: Given[] = [];
  let end: Given | null = null;
  let endName = body.name;
  while (i > 0) {
    const { link } = built.links[i - 1]!;
    if (isReducer(link)) {
      end = given(link, 'frontClearance');
      endName = link.name;
      break;
    }
    room.push(given(link, 'length'));
    i--;
  }
  end ??= given(body, 'cavityDepth');
  const inputs = [protrusion, end, ...room];
  const total = (x: readonly number[]) => x.slice(1).reduce((a, b) => a + b, 0);
  return judge({
    id: 'mount.rear-depth',
    key: `mount.rear-depth:${lens.id}`,
    about: [lens.id, endName === body.name ? body.id : built.links[i - 1]!.link.id],
    station: built.mounts.get(body.mount ?? '')?.flange?.value ?? null,
    inputs,
    margin: (x) => total(x) - clearance - x[0]!,
    unit: 'mm',
    limit: { value: clearance, unit: 'mm', rule: 'mount.rear-clearance' },
    why: (o) => {
      const p = exact(protrusion.known!.value, 1);
      return o.state === 'ok'
        ? `${lens.name} reaches ${p} mm behind its flange and clears ${endName} by ${mm(o.value)} beyond the ${mm(clearance)} wanted.`
        : o.state === 'fail'
          ? `${lens.name} reaches ${p} mm behind its flange and strikes inside ${endName}: ${mm(-o.value)} too deep with ${mm(clearance)} of air.`
          : `${lens.name} reaches ${p} mm behind its flange and may strike inside ${endName}: ${rangeMm(o.lo, o.hi)} beyond the ${mm(clearance)} wanted.`;
    },
    sum: (o) =>
      `room behind the flange ${exact(total(inputs.map((g) => g.known!.value)), 2)} - clearance ${exact(clearance, 2)} - protrusion ${exact(protrusion.known!.value, 2)} = ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`,
    lacking: (missing) =>
      `Whether ${lens.name} strikes inside ${endName} is not known: ${missing} missing.`,
    basis: `[math] ${ruleBasis('mount.rear-clearance')}`,
  });
}
