/**
 * What each check tells and by which formula, for docs/checks.md: apart from the checks, so that a
 * page that runs them does not load it.
 */
export const TOLD: Readonly<Record<string, { says: string; formula: string }>> = {
  'carry.twist': {
    says: 'Whether a part that is held by one screw without pins, with everything that hangs on it, has enough leverage in any direction to turn or bend it; and whether what hangs on a part, or for a handle the whole rig, stays inside the rating its maker states.',
    formula: '|sum of mass x (its centre - the screw)| x g; and rating - mass',
  },
  'coverage.chip': {
    says: 'Whether the image circle covers the full active area of the recording mode. When only the corners outside every delivery frame are cut, it says so: the lens is usable.',
    formula: '(min(m D, exit circle) - hypot(w, h)) / 2 for the active area',
  },
  'coverage.frame': {
    says: 'Whether the image circle, after the reducer, covers each delivery frame, and what is left when it does not.',
    formula:
      '(min(m D, exit circle) - hypot(w, h)) / 2 at the farthest corner, frame on the unsqueezed chip',
  },
  'coverage.pixels': {
    says: 'How many pixels of the recording lie inside each delivery frame, after desqueeze, and how far they must be scaled to the deliverable.',
    formula: 'scale = max(deliverable w / (px w x squeeze), deliverable h / px h)',
  },
  'coverage.reducer-exit': {
    says: 'Whether the reducer itself lets enough through for every delivery frame, whatever the lens throws.',
    formula: '(exit circle - hypot(w, h)) / 2 for the largest delivery frame',
  },
  'drive.direction': {
    says: 'Whether the lens turns as the wheel does in cine practice, or needs a reverse gear or the drive on the other side.',
    formula: 'direction of the ring, reversed by a reverse gear',
  },
  'drive.interference': {
    says: 'Whether a hand unit on the rig stands far enough from the motors for its radio.',
    formula: 'distance of hand unit and motor - distance wanted',
  },
  'drive.mesh': {
    says: 'Whether the teeth of drive and lens are of one size, and how far apart the two axes stand.',
    formula: '(pitch of the lens gear + pitch of the drive gear) / 2, pitch = module x teeth',
  },
  'drive.reach': {
    says: 'Whether the arm of a drive can put its gear on the gear of the lens, and whether there is a place where it fouls nothing.',
    formula: 'min(longest arm - |pivot - mesh circle|, pivot + mesh circle - shortest arm)',
  },
  'drive.ring-fit': {
    says: 'Whether the ring of the lens that is to be driven has a gear: cut in, or a ring of the kit that closes on its barrel and whose lump stays clear of the drive gear over the throw.',
    formula:
      'bore - barrel from 0 to 0.5 mm; or barrel inside the range; and 360 - throw - lump - mesh of the drive',
  },
  'drive.stops': {
    says: 'Whether something stops the pull at both ends: the lens, hard stops on the follow focus, or limits that are set by hand on a motor.',
    formula: 'stops of the lens, or of the drive',
  },
  'drive.torque': {
    says: 'Whether a motor turns the ring on the volts of the outlet that feeds it, and which outlet on the rig would.',
    formula:
      'motor torque (volts) x lens teeth / motor teeth x efficiency - reserve x torque of the ring',
  },
  'drive.travel': {
    says: 'Whether the gears overlap enough along the axis at both ends of the throw: rings that wander as they turn take their gear with them.',
    formula: 'overlap of the two gears at the worse end - width that must mesh',
  },
  'drive.turn': {
    says: 'How far the hand wheel turns from near to far: more than about a full turn means re-gripping, very little cannot be dosed. A motor is turned by a hand unit, whose wheel has a turn of its own.',
    formula:
      'throw of the lens x lens teeth / drive teeth / ratio of the gearbox; of a hand unit the turn of its own wheel',
  },
  'front.exposure': {
    says: 'Whether the filters that are in bring the light of the scene to the stop worked at, and which ND of the kit is missing for it; whether the sensitivity is one the body has and near the base of its profile; whether the shutter suits the mains.',
    formula:
      '2 log2(scene stop / (T x magnification)) - stops of the stack; scene stop = sqrt(2^EV x ISO/100 x angle / (360 fps))',
  },
  'front.flag': {
    says: 'Whether each flag stays out of every delivery frame, how far it can still come down, and how low a light it shades then; whether a hard light that was said strikes the front glass, or where flare is wanted, whether it does.',
    formula:
      'distance of the tip from the axis - height of the beam there; shade: atan((tip height + half the glass) / distance to the glass)',
  },
  'front.leak': {
    says: 'Whether the sleeve of a box on rods closes on the lens front and covers the gap to it, at the shortest the lens gets.',
    formula: 'sleeve covers - gap >= 0; sleeve from <= lens front <= sleeve to',
  },
  'front.matte-fit': {
    says: 'Whether a clip-on box, with its reduction ring if it has one, closes on the lens, whether the lens front can carry it and does not turn; whether a box for rods is made for the rods that are there.',
    formula: '0 <= opening - front diameter <= slack; mass of the box <= what the front carries',
  },
  'front.matte-height': {
    says: 'Whether the rods come out at the height that a box on rods is made for; off by that much, it stands off centre and shades one side.',
    formula:
      'axis to base + risers under the body + plate top to rods - risers under the rods - height of the rod system',
  },
  'front.matte-travel': {
    says: 'Whether the lens front with what is on its thread, at its longest, stays clear of a box that stands on rods, and whether rings and filters on the thread stay clear of the first stage inside the box.',
    formula: 'back of the box (or first window) - longest lens front - length on the thread >= air',
  },
  'front.polariser-turn': {
    says: 'Whether a polariser, variable ND or streak filter sits where it can be turned: in a rotating stage, or on the thread with nothing over it.',
    formula: 'stage rotates',
  },
  'front.stack': {
    says: 'How many pieces of glass stand in front, and whether two of them polarise: a polariser before a variable ND is a second variable ND. A variable ND shows a dark cross past its end, sooner on wide lenses.',
    formula: 'pieces <= rule; polarising pieces <= 1',
  },
  'front.thread': {
    says: 'Whether every ring and screw-in filter goes onto the thread behind it, and whether the thread gets smaller on the way. Rings jam: hand-tight only.',
    formula: 'male thread of each piece = female thread behind it',
  },
  'front.tray-fit': {
    says: 'Whether each filter goes into the tray it is put in, with or without an insert.',
    formula: 'size of the glass = size of the tray, within 1 mm',
  },
  'front.vignette': {
    says: 'What everything in front of the lens takes from the corners of each delivery frame and of the chip: at both ends of a zoom, at infinity and close focus, at the stop worked at and at a deep stop; the worst of them counts. Names the edge that takes most and how far it would have to open or come back.',
    formula:
      'loss = -log2(area of the pupil left by all apertures / area of the pupil), exact areas of discs and half-planes; limit - loss',
  },
  'mount.chain': {
    says: 'Whether the pieces between body and lens mate at every joint, reach infinity, and how many joints that takes; if nothing can, why, and the part to look for.',
    formula:
      'flange(body) + sum of lengths against flange(lens); a difference under 1 mm leaves no room for an adapter',
  },
  'mount.control': {
    says: 'Whether a lens with an electronic aperture can be stopped down through everything that stands between it and the body.',
    formula: 'electronic lens: body drives it and every piece passes it on',
  },
  'mount.flange': {
    says: 'Whether the lens sits where its marks were made for, glass in the way and the setting of a reducer counted in: too far out loses infinity, too close makes every mark read wrong.',
    formula:
      '|e| <= N c, e = flange(body) + lengths - flange(lens) - sum of t (1 - 1/n) of the glass in the way; ahead of a reducer e counts m^2',
  },
  'mount.glass-path': {
    says: 'How far plane glass behind the lens (a drop-in filter, a filter stack) moves focus, and whether the sum of it and all flange errors stays inside the depth of focus. Pulling a drop-in filter out moves focus.',
    formula: 't (1 - 1/n) for each plate, taken from the flange error; the sum against N c',
  },
  'mount.load': {
    says: 'The moment of everything ahead of each joint, with the side load of the drives while they turn, against what its mount bears: its maker\u2019s number, or the house rule where there is none (half behind a joint with play). What a motor adds against a stop is said, and tight at worst.',
    formula:
      'sum of m g (z of the centre of gravity - z of the joint) + torque / pitch radius x lever',
  },
  'mount.play': {
    says: 'Whether the lens rocks in its adapters when focus is racked. A foot tied to cage or rods gives two points of contact and takes the joint out of it.',
    formula: 'play limit - sum of the plays of the pieces that are not tied',
  },
  'mount.rear-depth': {
    says: 'Whether a rear group has room behind the mount: too deep strikes shutter, filter glass or mirror box; a reducer that is too shallow for the body never reaches infinity.',
    formula:
      'cavity depth - clearance - rear protrusion; and rear protrusion - reducer depth needed',
  },
  'mount.throat': {
    says: 'Whether a rear group that reaches behind its flange is thin enough for every throat and bore on its way; numbers that add up lengthwise do not help a group that is too wide.',
    formula: '(throat - rear diameter) / 2 wherever rear protrusion reaches the narrow place',
  },
  'rods.drop': {
    says: 'Whether the rods come out as far below the axis as their system has it; everything that stands on them is off by the difference.',
    formula:
      'axis to base + cage + risers under the body + plate top to rods - risers under the rods - height of the system',
  },
  'rods.grip': {
    says: 'Whether the clamps of the plate hold enough of each pair of rods.',
    formula: 'stretch of rod inside the clamp - rod that a clamp must hold',
  },
  'rods.in-frame': {
    says: 'Whether the tips of the rods stand in the picture that the chip sees: at the wide end of a zoom, and where it is set.',
    formula: 'in it if y + r > -(z - z pupil) tan(v / 2) and |x| - r < (z - z pupil) tan(h / 2)',
  },
  'rods.lens-clear': {
    says: 'Whether the lens, and what is closed on it, stands clear of the rods below.',
    formula: 'hypot(centres / 2, drop) - rod / 2 - radius of the lens',
  },
  'rods.proud': {
    says: 'How far the rods stand out ahead of everything else; or, where the house wants a bumper, whether they do.',
    formula: 'foremost part + rod that may stand out - tip of the rods',
  },
  'rods.reach-front': {
    says: 'Whether the rods reach under the farthest thing that is clamped to them ahead of the plate, and the shortest stock length that does.',
    formula: 'tip of the rods - rear edge of the farthest clamp - rod that a clamp must hold',
  },
  'rods.reach-rear': {
    says: 'Whether the rods reach back to the farthest thing that is clamped to them behind the plate, and the shortest stock length that does.',
    formula: 'front edge of the farthest clamp - rear end of the rods - rod that a clamp must hold',
  },
  'rods.system': {
    says: 'Whether everything that is clamped to the rods is made for them: diameter and distance of the rods differ from system to system.',
    formula: 'rod system of the part = rod system of the plate',
  },
  'sight.view': {
    says: 'Whether any part of the rig stands in the picture: every solid ahead of the entrance pupil against what each delivery frame and the chip see, at the wide end of a zoom and where it is set. What the light passes through, and the tips of the rods, have checks of their own.',
    formula: 'distance of the solid from the pyramid of the picture',
  },
  'space.envelope': {
    says: 'How tall, wide and long the rig is against the limits of where it has to go: a cabin, a hatch, a case.',
    formula: 'limit - height it stands at - (highest - lowest point); limit - extent',
  },
  'space.lens-change': {
    says: 'What has to be moved, swung away or taken off to get this lens out forwards: each piece is time and a chance to drop one.',
    formula: 'drives in mesh + what the lens meets on its way forward + feet that are tied',
  },
  'space.pair': {
    says: 'Whether any two parts that are not meant to go into each other come too near each other, or would have to stand in the same place, and by how much.',
    formula: 'shortest distance of the two solids; below 0 the depth of their overlap',
  },
  'space.pieces': {
    says: 'Whether every piece stands on the rig only as often as the kit has it: what is counted once cannot be in two places.',
    formula: 'pieces on hand (one when nobody says, one when it would be hired) - times it is used',
  },
  'space.sweep': {
    says: 'Whether the screen folds out, and a box swings away, past everything else on the rig; and how far what blocks it has to be slid.',
    formula: 'shortest distance of what it sweeps and every other solid - air wanted',
  },
  'support.foot': {
    says: 'Whether a foot of the lens or an adapter that is tied down meets the plate: flush, or with a gap that a shim closes.',
    formula: 'plate top - bottom of the foot, from 0 to the gap that shims close',
  },
  'support.height': {
    says: 'Whether the post of a support goes to the height that just touches the barrel over it.',
    formula: 'needed = rod drop - radius of the barrel; inside the range of the post',
  },
  'support.need': {
    says: 'Whether the lens wants or needs a support: by the load on the weakest joint, by play in it, by a strong drive, by a hand on the barrel. House rules: no standard exists.',
    formula:
      'what the joint bears (its maker\u2019s number, or the house rule, half behind a joint with play) - moment of what hangs on it; ok below the load that is advised',
  },
  'support.place': {
    says: 'Whether a support stands under a stretch of barrel that keeps still, on rod that nothing else is clamped to.',
    formula: 'barrel over the whole cradle, no moving ring over it, no other clamp, rod under it',
  },
};
