/**
 * A rig of `n` parts on named interfaces out of the demo: bars on the cage's top, along both sides,
 * and blocks on two screws along the bars, every second with a second tie. Every part has a mass and
 * every interface its place: what is unknown is no work. For the benches.
 *
 * @param {any} demo the demo job as it is read by roles
 * @param {number} n parts on the rig
 * @returns {{ job: any, rig: any, joints: number }} the joints are seats and second ties together
 */
export function jointed(demo, n) {
  const base = demo.rigs.find((r) => r.id === 'lockside-b');
  const { bar, block } = pieces();
  const fitted = [...base.fitted];
  const cage = fitted.find((u) => u.part === 'trellis');
  const rows = demo.kit
    .find((p) => p.id === 'trellis')
    .interfaces.filter((i) => i.side === 'host' && i.type === 'unc-1-4' && i.face !== 'top');
  const own =
    fitted.length +
    new Set([base.body, base.lens, ...base.between, ...base.under, ...base.rods, ...base.drives])
      .size;
  let to = null;
  for (let i = 0, on = 0; i < n - own; i++) {
    if (i % 16 === 0) {
      const row = rows[i / 16];
      const last = to;
      to = `bar-${i}`;
      on = 0;
      // Both sides of the cage first, then each bar on the end of the one before.
      fitted.push({
        id: to,
        part: 'bar',
        by: 'foot',
        ...(row
          ? { on: row.face, to: cage.id, at: row.id, n: 0 }
          : { on: 'top', to: last, at: 'top-holes', n: 30 }),
      });
      continue;
    }
    fitted.push({
      id: `block-${i}`,
      part: 'block',
      on: 'top',
      to,
      at: 'top-holes',
      by: 'foot',
      n: 2 * on++,
      ...(i % 3 ? { line: true } : {}),
    });
  }
  // What is there already has its second tie, too.
  for (const u of fitted)
    if (u.at !== undefined && u.line === undefined && fitted.indexOf(u) % 2) u.line = true;
  const rig = { ...base, configurations: undefined, fitted };
  const kit = [...demo.kit, bar, block].map(known);
  return {
    job: { ...demo, name: `${n} parts`, kit, rigs: [rig] },
    rig,
    joints: fitted.length + fitted.filter((u) => u.line).length,
  };
}

/** A part with the numbers that it lacks. */
function known(part) {
  const q = (value) => ({ value, from: 'measured' });
  const placed = (i) => ({ x: q(0), y: q(0), z: q(0), ...i });
  return {
    ...part,
    mass: part.mass ?? q(200),
    ...(part.interfaces ? { interfaces: part.interfaces.map(placed) } : {}),
  };
}

/** A bar with a row of holes, and a block on two screws. */
function pieces() {
  const q = (value) => ({ value, from: 'measured' });
  const screws = { type: 'unc-1-4', driver: 'hex-3-16' };
  const foot = {
    ...screws,
    id: 'foot',
    name: 'foot',
    side: 'guest',
    face: 'bottom',
    count: 2,
    spacing: q(12),
    along: 'z',
    length: q(12),
    thickness: q(6),
    bears: q(2000),
  };
  const holes = (face, count) => ({
    ...screws,
    id: `${face}-holes`,
    name: `${face} holes`,
    side: 'host',
    face,
    count,
    spacing: q(12),
    along: 'z',
    depth: q(8),
    material: 'aluminium',
    bears: q(3000),
  });
  const bar = {
    id: 'bar',
    kind: 'grip',
    name: 'Bar',
    count: 99,
    mass: q(150),
    width: q(16),
    height: q(14),
    depth: q(400),
    interfaces: [foot, holes('top', 32)],
  };
  const block = {
    id: 'block',
    kind: 'grip',
    name: 'Block',
    count: 99,
    mass: q(90),
    width: q(14),
    height: q(30),
    depth: q(22),
    interfaces: [foot, holes('top', 2)],
  };
  return { bar, block };
}
