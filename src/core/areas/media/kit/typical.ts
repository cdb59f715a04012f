import { range as r, type Typical } from '../../../engine/typical';

const WRITES = 'labels say the fastest moment; warm and nearly full they write less';

/** Classes of cards and drives. Common practice, no source. */
export const typical: readonly Typical[] = [
  {
    id: 'card-small',
    kind: 'card',
    name: 'Small card, about 128 GB',
    words: 'media memory',
    fields: {
      gigabytes: r(119, 128, 'what is sold as that much; some of it is taken by its own lists'),
      sustained: r(30, 250, WRITES),
      mass: r(2, 4, 'shells of plastic'),
    },
  },
  {
    id: 'card-fast',
    kind: 'card',
    name: 'Fast card, about 512 GB',
    words: 'media memory',
    fields: {
      gigabytes: r(480, 512, 'what is sold as that much; some of it is taken by its own lists'),
      sustained: r(400, 1500, WRITES),
      mass: r(8, 20, 'metal shells'),
    },
  },
  {
    id: 'card-drive',
    kind: 'card',
    name: 'Drive on a lead, about 1 TB',
    words: 'media ssd external disk',
    fields: {
      gigabytes: r(960, 1000, 'what is sold as that much; some of it is taken by its own lists'),
      sustained: r(150, 900, 'a small buffer is soon full'),
      mass: r(40, 180, 'bare and rugged ones'),
    },
  },
  {
    id: 'reader-slow',
    kind: 'reader',
    name: 'Card reader on USB-A',
    words: 'media copy off-load',
    fields: {
      copies: r(30, 110, 'an old socket or an old card slows it down'),
      mass: r(20, 90, 'with its lead'),
    },
  },
  {
    id: 'reader-fast',
    kind: 'reader',
    name: 'Card reader on USB-C, fast',
    words: 'media copy off-load',
    fields: {
      copies: r(250, 1200, 'by the card, the socket, and what it is copied to'),
      mass: r(40, 220, 'with its lead'),
    },
  },
];
