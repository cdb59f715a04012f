import type { JobGoal } from '../kit/types';

/** What a rig is for: what it is framed for, and what people put on for it. */
export interface Goal {
  id: string;
  name: string;
  /** In half a sentence, for whoever chooses. */
  says: string;
  aspect: string;
  /** Classes that one would begin with. */
  body: string;
  lens: string;
  /** Classes that go on, in the order in which they do. */
  with: readonly string[];
  /** It is held by its handle, else it stands on what is under it. */
  held?: true;
  /** The foot of the lens is tied to what is under it. */
  foot?: true;
  upright?: 'left';
  /** How it is shot, as it is kept with the job. */
  how: JobGoal;
}

/** What is shot, and what is put on for it. Common practice, no source. */
export const GOALS: readonly Goal[] = [
  {
    id: 'interview',
    how: { hold: 'legs', crew: 'alone', sound: 'camera' },
    name: 'Interview',
    says: 'on legs, for an hour, one person behind it',
    aspect: '1.78',
    body: 'mirrorless-full',
    lens: 'zoom-24-70',
    with: [
      'cage-full',
      'handle-top',
      'arm-joint',
      'monitor-5',
      'filter-vnd-82',
      'microphone-shotgun',
    ],
  },
  {
    id: 'drama',
    how: { hold: 'shoulder', crew: 'crew', sound: 'recorder' },
    name: 'Hand-held drama',
    says: 'on the shoulder, focus pulled by somebody else',
    aspect: '2.39',
    body: 'box-full',
    lens: 'cine-50',
    with: [
      'plate-lw',
      'rods-300',
      'cage-full',
      'handle-top',
      'box-clip',
      'motor-strong',
      'shoulder-pad-flat',
      'battery-plate-rods',
      'battery-plate-98',
      'arm-joint',
      'monitor-5',
    ],
    held: true,
  },
  {
    id: 'long',
    how: { hold: 'legs', crew: 'alone' },
    name: 'Long lens',
    says: 'wildlife, sport, far away and steady',
    aspect: '1.78',
    body: 'mirrorless-full',
    lens: 'zoom-150-600',
    with: ['plate-lw', 'rods-300', 'cage-full', 'arm-joint', 'monitor-5'],
    foot: true,
  },
  {
    id: 'gimbal',
    how: { hold: 'gimbal', crew: 'alone' },
    name: 'Gimbal',
    says: 'as light and as short as it gets',
    aspect: '1.78',
    body: 'mirrorless-full',
    lens: 'photo-24',
    with: ['cage-half', 'quick-plate-small', 'filter-vnd-77'],
  },
  {
    id: 'vertical',
    how: { hold: 'hand', crew: 'alone', sound: 'camera' },
    name: 'Vertical',
    says: 'for a telephone held upright, the camera on its side',
    aspect: '9:16',
    body: 'mirrorless-aps',
    lens: 'photo-35',
    with: ['cage-full', 'rosette-adapter-rail', 'grip-side', 'radio-sound'],
    upright: 'left',
  },
  {
    id: 'stream',
    how: { hold: 'legs', crew: 'alone', light: 'indoors' },
    name: 'Studio stream',
    says: 'stands all day, is fed from the wall, goes out live',
    aspect: '1.78',
    body: 'mirrorless-ft',
    lens: 'photo-50',
    with: ['cage-full', 'dummy-battery-one', 'arm-joint', 'monitor-7', 'microphone-shotgun'],
  },
];
