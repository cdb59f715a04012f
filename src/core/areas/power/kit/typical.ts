import { range as r, type Typical } from '../../../engine/typical';

const COPPER = 'sold as AWG 24 to AWG 20; thin ones are lighter, thick ones lose less';
const LENGTH = 'as short as the rig allows, with slack for a swap';

/** Classes of leads. Common practice, no source. */
export const typical: readonly Typical[] = [
  {
    id: 'lead-tap-short',
    kind: 'lead',
    name: 'Lead from a two-pin tap, short',
    words: 'cable power wire',
    fields: {
      plug: 'tap',
      length: r(300, 700, LENGTH),
      copper: r(0.2, 0.52, COPPER),
      width: r(3, 6, 'thin and rubber jackets'),
      mass: r(20, 70, 'by length and plugs'),
    },
  },
  {
    id: 'lead-round-2',
    kind: 'lead',
    name: 'Lead with locking round plugs, 2 pins',
    words: 'cable power wire locking motor',
    fields: {
      plug: 'round-2',
      plugTo: 'round-2',
      length: r(300, 800, LENGTH),
      copper: r(0.13, 0.35, 'AWG 26 to 22'),
      width: r(3, 5, 'thin and rubber jackets'),
      mass: r(20, 60, 'by length and plugs'),
    },
  },
  {
    id: 'lead-xlr',
    kind: 'lead',
    name: 'Lead with 4-pin XLR plugs',
    words: 'cable power wire camera mains block',
    fields: {
      plug: 'xlr-4',
      plugTo: 'xlr-4',
      length: r(500, 3000, 'from a block battery or mains unit on the floor'),
      copper: r(0.5, 1.6, 'AWG 20 to 15'),
      width: r(5, 9, 'by the copper in it'),
      mass: r(90, 500, 'by length and plugs'),
    },
  },
  {
    id: 'lead-usb-c',
    kind: 'lead',
    name: 'USB-C lead',
    words: 'cable power phone wire',
    fields: {
      plug: 'usb-c',
      plugTo: 'usb-c',
      length: r(200, 1000, LENGTH),
      copper: r(0.13, 0.33, 'AWG 26 to 22: that of its power pair'),
      width: r(3, 6, 'thin and braided jackets'),
      mass: r(10, 60, 'by length'),
    },
  },
  {
    id: 'charger-two',
    kind: 'charger',
    name: 'Charger for two packs',
    words: 'mains night dual',
    fields: {
      bays: 2,
      bayWatts: r(30, 70, 'by how much it gives while both bays are in use'),
      mass: r(700, 1800, 'with the lead to the mains'),
    },
  },
  {
    id: 'charger-four',
    kind: 'charger',
    name: 'Charger for four packs',
    words: 'mains night quad',
    fields: {
      bays: 4,
      bayWatts: r(30, 110, 'slow ones fill in turn, fast ones all at once'),
      mass: r(1800, 4500, 'with the lead to the mains'),
    },
  },
  {
    id: 'charger-one',
    kind: 'charger',
    name: 'Charger for one pack, small',
    words: 'mains travel single socket',
    fields: {
      bays: 1,
      bayWatts: r(10, 45, 'small ones take all night for a large pack'),
      mass: r(150, 600, 'with the lead to the mains'),
    },
  },
  {
    id: 'mains-unit-14',
    kind: 'mains-unit',
    name: 'Mains unit, one outlet',
    words: 'power supply wall studio interview brick',
    fields: {
      mass: r(400, 2500, 'with the lead to the wall'),
    },
  },
];
