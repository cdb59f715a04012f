import type { RuleId } from './rules';

/** Why a house rule has the default it has, and what others say. */
export const REASONS: Record<RuleId, { reason: string; otherSchool: string }> = {
  'coverage.margin': {
    reason:
      'Makers quote the image circle for different shading limits; a little air keeps the corner clean.',
    otherSchool: 'Some use the circle to its edge and grade the corner.',
  },
  'coverage.clean-gate': {
    reason: 'Stabilising and effects work use the picture outside the frame.',
    otherSchool: 'What is outside the delivery frame is thrown away, so it may be dark.',
  },
  'coverage.upscale': {
    reason: 'Up to about a fifth is not seen on most pictures.',
    otherSchool: 'Some deliver only from real pixels, some scale by a third without a word.',
  },
  'mount.joints': {
    reason: 'Every joint adds play and flange error.',
    otherSchool: 'With a tied foot a longer chain is as stiff as a short one.',
  },
  'mount.reach': {
    reason: 'Beyond this it is the wrong part, not a badly shimmed one.',
    otherSchool: 'Stills lenses that turn past infinity hide a larger error.',
  },
  'mount.marks': {
    reason:
      'A focus puller works from the marks; a lens that sits too close reads wrong on all of them.',
    otherSchool: 'Pulling from the monitor, only infinity has to be reached.',
  },
  'mount.rear-clearance': {
    reason: 'Shutters, filter glass and mirror boxes move and bend; a strike breaks them.',
    otherSchool: 'On a body without moving parts behind the mount less is enough.',
  },
  'mount.play-wanted': {
    reason: 'Below this the picture does not move when focus is racked.',
    otherSchool: 'On wide lenses more goes unseen.',
  },
  'mount.play-limit': {
    reason: 'A lens that rocks this much jumps in the picture on every fast pull.',
    otherSchool: 'Tied to the cage or the rods, the joint carries nothing and may be loose.',
  },
  'focus.pixel-pair': {
    reason: 'For critical work two pixels are the smallest thing that can be seen.',
    otherSchool:
      'The format figures (0.030 full frame, 0.025 Super 35, 0.015 four-thirds) are what depth tables use.',
  },
  'front.vignette-fail': {
    reason:
      'Beyond a stop a corner is seen on any even wall, and a hard cut cannot be graded away.',
    otherSchool: 'Some like dark corners on night interiors and let them stand.',
  },
  'front.vignette-tight': {
    reason: 'Up to a third of a stop nobody sees on a moving picture.',
    otherSchool: 'For plates and effects nothing at all may stand in the corner.',
  },
  'front.deep-stop': {
    reason: 'Stopping down sharpens a hard cut that was a soft shadow wide open.',
    otherSchool: 'Who never goes deeper than T4 needs to look only there.',
  },
  'front.pupil-walk': {
    reason:
      'In wide lenses the iris moves forward for an eye that looks in from the corner; by how much is a guess until somebody looked (from memory).',
    otherSchool: 'Who has measured it at the corner writes it on the lens, and the guess is gone.',
  },
  'front.height-off': {
    reason: 'Shims come in half millimetres, and a sleeve closes over that much.',
    otherSchool: 'With a small lens in a large box a millimetre is nothing.',
  },
  'front.height-limit': {
    reason: 'From there one edge of the box shades a corner, and the seal against the lens leaks.',
    otherSchool: 'If the corners stay clean it may stand where it will.',
  },
  'front.travel-air': {
    reason: 'A front that runs into the box stalls the focus and loads the mount.',
    otherSchool: 'A soft sleeve gives way; some let the front push into it.',
  },
  'front.fit-slack': {
    reason: 'Clamps close about half a millimetre; looser and the box turns or drops.',
    otherSchool: 'A turn of tape takes up a millimetre.',
  },
  'front.clip-load': {
    reason: 'A clip-on box hangs on the focus helicoid.',
    otherSchool: 'Cine lenses with a solid front carry a kilogram.',
  },
  'front.glass-pieces': {
    reason: 'Every piece adds flare and takes sharpness.',
    otherSchool: 'Coated glass of one maker stacks to four without a word.',
  },
  'front.polariser-stops': {
    reason: 'One to two stops, by make; two when turned against the sky.',
    otherSchool: 'Metering through it settles it.',
  },
  'front.exposure-off': {
    reason: 'Filters come in stops and halves; a third is trimmed at the iris.',
    otherSchool: 'Some hold the stop and trim with the shutter or the sensitivity.',
  },
  'front.base-off': {
    reason: 'A stop from the base is where noise or lost highlights begin to show.',
    otherSchool: 'Some rate every camera by their own test and never leave that number.',
  },
  'rods.drop-off': {
    reason: 'Half a millimetre disappears in the clamps.',
    otherSchool: 'A box that is clipped to the lens does not care where the rods are.',
  },
  'rods.drop-limit': {
    reason: 'What hangs on the rods stands off by as much: box, support, drive.',
    otherSchool: 'With only a follow focus on them the arm makes up for much.',
  },
  'rods.grip': {
    reason: 'Less and the clamp closes on the chamfer.',
    otherSchool: 'Some want the whole clamp on the rod.',
  },
  'rods.proud': {
    reason: 'Rods that stick out bump things and get into wide shots.',
    otherSchool: 'A rod tip ahead of the front glass is a bumper.',
  },
  'rods.bumper': {
    reason: 'Flush with the box, not a millimetre more: nothing to bump into.',
    otherSchool: 'A rod tip that meets the door frame first saves the front glass.',
  },
  'rods.lens-air': {
    reason: 'A cloth and a finger have to get in between.',
    otherSchool: 'A long lens may rest nearly on them.',
  },
  'drive.overlap': {
    reason: 'Less slips under load.',
    otherSchool: 'With a light lens two millimetres hold.',
  },
  'drive.turn-most': {
    reason: 'More than about a full turn means re-gripping in the take.',
    otherSchool: 'Wildlife and product work take a long turn gladly.',
  },
  'drive.turn-least': {
    reason: 'Less and every tremble of the hand is seen.',
    otherSchool: 'Snap pulls want a short turn.',
  },
  'drive.torque-reserve': {
    reason: 'Cold grease and a bent ring take more than the bench did.',
    otherSchool: 'A lens that is turned every day keeps its torque.',
  },
  'drive.efficiency': {
    reason: 'One pair of open gears loses about a tenth.',
    otherSchool: 'Clean gears, well set, lose less.',
  },
  'drive.side': {
    reason: 'The assistant stands at camera right and pulls from there.',
    otherSchool:
      'Who pulls focus for themselves, or has a door or wall at the right, wants it left.',
  },
  'drive.hand-unit': {
    reason: 'A radio right beside a motor loses its link.',
    otherSchool: 'Newer sets stand closer together.',
  },
  'support.advise': {
    reason: 'No standard exists; a sagging front is seen first in the corners.',
    otherSchool: 'Support everything, always; or only what is heavy or motor-driven.',
  },
  'support.require': {
    reason: 'The mount is the weakest joint of the rig.',
    otherSchool: 'Positive-lock mounts bear more than bayonets.',
  },
  'support.play': {
    reason: 'A joint that moves already moves more under load.',
    otherSchool: 'With the foot tied the play is out of it.',
  },
  'support.motor': {
    reason: 'Strong motors push the lens sideways whatever it weighs.',
    otherSchool: 'Short stubby lenses take it without.',
  },
  'support.foot-gap': {
    reason: 'More than that and the screw pulls the lens down.',
    otherSchool: 'A soft pad takes up half a millimetre.',
  },
  'support.post-air': {
    reason: 'It must touch, and must not lift.',
    otherSchool: 'A rubber cradle is forgiving.',
  },
  'space.air': {
    reason: 'Rigs bend and screws work loose.',
    otherSchool: 'Touching without force does no harm on a tripod.',
  },
  'space.air-moving': {
    reason: 'A hand, a cable or a screw head finds its way in between.',
    otherSchool: 'A screen that just clears opens all the same.',
  },
  'media.spare': {
    reason: 'A card that just keeps up drops frames when it is warm or nearly full.',
    otherSchool: 'What the maker of the camera lists is tested; the figure alone will do.',
  },
  'media.rolling': {
    reason: 'Most of the time is spent on setting up; a third of it rolled is a busy hour.',
    otherSchool: 'Interviews and events roll through: all of it counts.',
  },
  'media.passes': {
    reason: 'A copy that nobody compared is no copy: it is read once to copy and once to compare.',
    otherSchool:
      'Programs that sum up while they copy read it once; the copies are looked at later.',
  },
  'power.usable': {
    reason: 'Packs age, cold takes its share, and devices give up before a pack is empty.',
    otherSchool: 'New packs in a warm room give all that is written on them.',
  },
  'power.ready': {
    reason:
      'Half of the wait is for others, with everything lit; the other half it is put to rest.',
    otherSchool: 'Nobody puts a camera to rest: the moment comes when it is.',
  },
  'power.charging': {
    reason:
      'The last fifth of a pack goes in slowly, some of it becomes heat, and a warm pack waits until it is cold.',
    otherSchool: 'A pack need not be full to the last of it to begin a day with.',
  },
  'power.volts-reserve': {
    reason: 'Contacts and old plugs take a little more than the copper does.',
    otherSchool: 'What a device runs from has a reserve in it already.',
  },
  'cable.slack': {
    reason: 'A lead lies along rods and edges, and a plug under pull wears its socket out.',
    otherSchool: 'The shortest lead snags on nothing.',
  },
  'cable.tie': {
    reason:
      'What hangs loose is caught by a hand, a branch or a moving ring, and takes its socket along.',
    otherSchool: 'Every tie has to be undone again when something is changed in a hurry.',
  },
  'cable.lock-all': {
    reason: 'What is only looked at may come off: better the plug than the socket.',
    otherSchool: 'A screen or a motor that goes dark stops the shot as well.',
  },
  'power.swap-all': {
    reason: 'A focus puller without a picture for twenty seconds has time for it between takes.',
    otherSchool: 'A screen or a motor that goes dark loses its marks: everything stays up.',
  },
  'power.efficiency': {
    reason: 'What makes five volts of fourteen warms itself with an eighth of it.',
    otherSchool: 'Good regulators lose a twentieth.',
  },
  'sight.air': {
    reason:
      'What stands a hair outside the picture is in it when a bracket sags or the frame is stabilised.',
    otherSchool: 'What the frame lines leave out is out; a monitor on set shows the rest.',
  },
  'space.vent-air': {
    reason:
      'A body that cannot breathe shuts down in the middle of a take; a finger of air will do.',
    otherSchool: 'Outdoors in winter some tape vents up and run without trouble.',
  },
  'space.vent-fan': {
    reason: 'A fan that draws against a wall runs louder, and sound hears it before anybody else.',
    otherSchool: 'Where no sound is recorded half of it is enough.',
  },
  'space.change': {
    reason: 'Each piece is half a minute and a chance to drop one.',
    otherSchool: 'With a second pair of hands it matters less.',
  },
  'joint.twist': {
    reason: 'A single quarter-inch screw turns.',
    otherSchool: 'Snug and with a rubber pad it holds more.',
  },
  'joint.turns': {
    reason: 'With fewer turns the first thread carries everything and strips.',
    otherSchool: 'For a microphone two turns hold for years.',
  },
  'joint.turns-wanted': {
    reason: 'One turn in reserve for a washer, a pad, a worn thread.',
    otherSchool: 'Three that are clean are as good as five that are not.',
  },
  'joint.bite-steel': {
    reason: 'As deep as it is wide a steel thread holds what its screw holds.',
    otherSchool: 'A nut is no thicker than eight tenths of its screw.',
  },
  'joint.bite-aluminium': {
    reason: 'Aluminium gives way before the screw does; half as deep again makes up for it.',
    otherSchool: 'With a steel insert the rule for steel holds: say so in the part.',
  },
  'joint.holes': {
    reason: 'A screw has about this much play in the hole of what it holds.',
    otherSchool: 'Slotted holes take a millimetre; then say a spacing with that tolerance.',
  },
  'joint.gap': {
    reason: 'A screw over air bends the cage until the air is gone.',
    otherSchool: 'Snug only, with no shim: the bottom screws hold, this one only steadies.',
  },
  'joint.clamp': {
    reason: 'A clamp that hangs over the end of its rail holds with a corner.',
    otherSchool: 'Half of it is enough for what weighs next to nothing.',
  },
  'joint.hand': {
    reason: 'A key that cannot be held cannot be turned.',
    otherSchool: 'With a ratchet and a long bit fingers do not have to get near.',
  },
  'carry.tilt': {
    reason: 'Up to this a finger keeps it level and the picture is not seen to lean.',
    otherSchool: 'Some like a nose that hangs: it comes up by itself when the hand turns.',
  },
  'carry.tilt-most': {
    reason: 'Past this a hand fights the rig all the time, and the horizon is lost at every turn.',
    otherSchool: 'For one short shot anything can be held.',
  },
  'carry.offset': {
    reason: 'A head or a shoulder takes this up by drag or by leaning.',
    otherSchool: 'With the lens locked off a larger offset does no harm.',
  },
  'carry.offset-most': {
    reason: 'Plates slide this far to either side; more asks for another place of the plate.',
    otherSchool: 'Long dovetails slide much farther: state the travel, then that counts.',
  },
  'carry.wrist': {
    reason: 'What twists a wrist steadily tires it within minutes.',
    otherSchool: 'Some brace the forearm against the rig and bear more.',
  },
  'carry.wrist-most': {
    reason: 'Past this a hand lets go or is hurt.',
    otherSchool: 'With a second hand on the lens it is no longer one wrist.',
  },
  'carry.stand': {
    reason: 'A table is knocked, a floor is not level: below this it tips.',
    otherSchool: 'On a sandbag or with a hand on it less is enough.',
  },
  'carry.headroom': {
    reason: 'A handle that is held needs room for the hand, and nobody holds to a centimetre.',
    otherSchool: 'On a head that is locked the rig may stand right under the ceiling.',
  },
  'carry.eyes': {
    reason: 'A lens off the height of the eyes looks down on somebody, or up.',
    otherSchool: 'A low or a high lens can be what is wanted: leave the eyes empty then.',
  },
  'carry.fingers': {
    reason:
      'Fingers in a glove go round a handle, and knuckles that touch metal let go in the cold.',
    otherSchool: 'Bare hands get by with less, for a short shot.',
  },
  'carry.fingers-least': {
    reason: 'A finger is about this thick: with less the hand does not close.',
    otherSchool: 'Slim hands get round with a little less.',
  },
  'carry.grips-uneven': {
    reason: 'Two hands at unlike heights tilt the rig as soon as one of them tires.',
    otherSchool: 'Some want one hand low: it steadies the roll.',
  },
  'carry.ballast': {
    reason: 'What slides or is useful balances as well; lead is carried for nothing.',
    otherSchool: 'A kilogram at the back is quicker than building anew, and steadies the rig.',
  },
};
