import type { Area } from '../../checks/area';
import { carryBalanceFore, carryBalanceSide } from './checks/balance';
import { carryGimbal } from './checks/gimbal';
import { carryHand } from './checks/hand';
import { carryHang } from './checks/hang';
import { carryHead } from './checks/head';
import { carryHeadroom } from './checks/headroom';
import { carryHoldTime } from './checks/hold-time';
import { carryLegs } from './checks/legs';
import { carryMass } from './checks/mass';
import { carrySlide } from './checks/slide';
import { carryStand } from './checks/stand';
import { carryTouch } from './checks/touch';

import {
  addWeight,
  legsUnder,
  lighter,
  moveTheUseful,
  otherCarrier,
  slideIntoBalance,
} from './fixes/balance';
import { grabElsewhere } from './fixes/grab';
import { moves } from './moves/roles';

/** Carry: what the rig weighs, where, and what that asks of whoever and whatever holds it. */
export const carry: Area = {
  id: 'carry',
  name: 'Carry',
  says: 'what it weighs, where that sits, and how it is held',
  checks: [
    carryMass,
    carryBalanceFore,
    carryBalanceSide,
    carryHang,
    carrySlide,
    carryHead,
    carryLegs,
    carryHand,
    carryTouch,
    carryHoldTime,
    carryStand,
    carryGimbal,
    carryHeadroom,
  ],
  moves,
  fixes: [
    grabElsewhere,
    slideIntoBalance,
    moveTheUseful,
    addWeight,
    otherCarrier,
    legsUnder,
    lighter,
  ],
};
