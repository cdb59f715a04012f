import type { Area } from '../checks/area';
import { coverage } from './coverage/area';
import { mount } from './mount/area';
import { front } from './front/area';
import { light } from './light/area';
import { rods } from './rods/area';
import { drive } from './drive/area';
import { support } from './support/area';
import { space } from './space/area';
import { joints } from './joints/area';
import { sight } from './sight/area';
import { carry } from './carry/area';
import { media } from './media/area';
import { power } from './power/area';

/** Every area there is, from the image plane outwards, then what stands under and beside. */
export const AREAS: readonly Area[] = [
  coverage,
  mount,
  front,
  light,
  rods,
  drive,
  support,
  space,
  joints,
  sight,
  carry,
  power,
  media,
];
