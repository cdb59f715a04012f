import { range as r, type Typical } from '../../../engine/typical';

const COPPER = 'sold as AWG 24 to AWG 20; thin ones are lighter, thick ones lose less';
const LENGTH = 'as short as the rig allows, with slack for a swap';

/** Classes of leads. Common practice, no source. */
export const typical: readonly Typical[] = [
  {
    id: 'lead-hdmi-micro',
    kind: 'lead',
    name: 'HDMI lead, micro to full size',
    words: 'cable video picture monitor wire',
    fields: {
      plug: 'hdmi-micro',
      plugTo: 'hdmi',
      length: r(200, 600, 'without a lock and thin: as short as the rig allows'),
      width: r(3, 6, 'thin and coiled ones'),
      mass: r(15, 60, 'by length and plugs'),
    },
  },
  {
    id: 'lead-hdmi',
    kind: 'lead',
    name: 'HDMI lead, full size',
    words: 'cable video picture monitor wire',
    fields: {
      plug: 'hdmi',
      plugTo: 'hdmi',
      length: r(200, 1000, 'without a lock: as short as the rig allows'),
      width: r(4, 7, 'thin and shielded ones'),
      mass: r(25, 120, 'by length and plugs'),
    },
  },
  {
    id: 'lead-bnc',
    kind: 'lead',
    name: 'Coaxial lead with BNC plugs',
    words: 'cable video picture monitor sdi wire',
    fields: {
      plug: 'bnc',
      plugTo: 'bnc',
      length: r(200, 1000, LENGTH),
      width: r(2.5, 6.5, 'thin and full coax'),
      mass: r(20, 120, 'by length and plugs'),
    },
  },
  {
    id: 'lead-jack',
    kind: 'lead',
    name: 'Jack lead, 3.5 mm',
    words: 'cable sound audio microphone wire',
    fields: {
      plug: 'jack-35',
      plugTo: 'jack-35',
      length: r(150, 500, 'straight and coiled'),
      width: r(2.5, 5, 'thin and shielded ones'),
      mass: r(8, 40, 'by length and plugs'),
    },
  },
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
    id: 'lead-tap-coil',
    kind: 'lead',
    name: 'Power lead from a two-pin tap, coiled',
    words: 'cable power coil spiral wire',
    fields: {
      plug: 'tap',
      plugTo: 'barrel-21',
      coiled: true,
      length: r(200, 400, 'as it lies at rest'),
      stretches: r(600, 1200, 'about three times as long as at rest'),
      copper: r(0.128, 0.33, 'thin, to stay soft: AWG 26 to AWG 22'),
      width: r(7, 12, 'across the coil'),
      mass: r(40, 110, 'by length and plugs'),
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
