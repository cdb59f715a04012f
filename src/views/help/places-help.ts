/** What each place is for, in the words of whoever works there. */
export interface PlaceHelp {
  what: string;
  /** What is to be seen, and what can be done with it. */
  look: readonly string[];
}

export const PLACES_HELP: Readonly<Record<string, PlaceHelp>> = {
  '/': {
    what: 'The rig that is open: along the optical axis, what the chip sees, and what is wrong.',
    look: [
      'The long drawing is to scale, image plane at the left. Press a part to put something else in its place; a plate with a sign on it is a finding at that station.',
      'The chip at the right has the frames and the image circle at true size, darkened by the shading that was computed.',
      'Findings stand worst first. Press one for its sum, the numbers it rests on and fixes that were tried on a copy.',
      'Measure next names the numbers that would settle most: type what the calipers say right there.',
    ],
  },
  '/model': {
    what: 'The whole rig from the side, from above and from the front, to one scale; or turned about.',
    look: [
      'Marks with a cross are handles: drag them, or focus one and use the arrow keys. Findings follow at once.',
      'Hatched is where two parts would stand in the same place; dashed is what a moving part sweeps, or a size that nobody knows.',
      'Turn it shows it from anywhere: drag it, or use the arrow keys; take it apart, cut it, hold it against another configuration.',
      'On the rig holds what is on rods and plate; Joints says what holds what, and where a part could go.',
    ],
  },
  '/carry': {
    what: 'What the rig weighs, where that sits, and how it hangs or stands.',
    look: [
      'The rig is drawn as it hangs or stands. The crossed mark is its centre of gravity; the ellipse about it is how far that is in doubt.',
      'Marks with a cross are handles: slide the hand, a battery, the plate, and it finds its balance under your hand.',
      'How it is held is said beside it: by what, where, on which head; the band that it should weigh in; heights, and a ceiling.',
      'What you can hold stays on this device and is in no file of a job.',
    ],
  },
  '/power': {
    what: 'What feeds what and what is sent to what, by which lead, and how long it lasts.',
    look: [
      'Packs stand at the left, their outlets in the middle, what takes power at the right. Each line says volts and amps as they come in.',
      'Press an outlet: what it can feed lights up and says by which lead of the kit, the others say why not. Press one to feed it.',
      'Fed by is the same as a list. Volts are judged from a full battery without a load to an empty one at the most that is taken.',
      'Signals draws what is sent from port to port: picture, sound, control, data. Press a port: what can take it lights up and says by which lead, the others say why not. Its leads are checked as those that feed something are.',
      'Packs lays out the day, around what of it must not be missed, and the night of the chargers, says what goes dark when one is pulled, keeps how long they really lasted, and how each was left. Cards says whether they last the day and are copied in the night, and keeps what recordings really came to.',
    ],
  },
  '/kit': {
    what: 'Everything there is to build from: own, borrowed, to be hired.',
    look: [
      'Press a part for its drawing: each number is read and typed where it is measured. Enter in the search opens the first that was found.',
      'Add takes a piece of your own, or a typical one: a range over its class.',
      'A list that you keep is shown as it was understood before anything of it is stored.',
      'Select several to give them an owner or a count at once; the plus puts a part on the open rig.',
    ],
  },
  '/set': {
    what: 'All lenses of the set against all recording modes of the body.',
    look: [
      'Each field says whether the lens covers and by how much; press one to put it on.',
      'The stop that all of them hold is named.',
    ],
  },
  '/configurations': {
    what: 'One rig in all of its configurations, and on every body of the kit.',
    look: [
      'Each column is a configuration, each line a check: what gets worse stands out.',
      'Below, as a list for whoever does it: what comes off, goes on, moves by how many millimetres.',
    ],
  },
  '/compare': {
    what: 'Two rigs on the same subject.',
    look: ['Both fields to one scale, and the figures beside each other.'],
  },
  '/rules': {
    what: 'Limits that no standard gives, as this house has them.',
    look: ['Each has its reason, and what others say. A stricter one passes nothing more.'],
  },
  '/jobs': {
    what: 'The jobs in this browser; files in and out.',
    look: [
      'Everything is kept here and nowhere else: save a backup before the browser is cleared.',
      'What was binned can be taken out again.',
    ],
  },
  '/begin': {
    what: 'A rig of your own in three choices.',
    look: [
      'It is put together and tried while you choose; the drawing is to scale.',
      'Beginning with it makes a job of its own: the one that is open stays as it is.',
    ],
  },
};
