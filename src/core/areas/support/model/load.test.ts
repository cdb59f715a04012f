import { moment, sideMoment } from './load';

test('a 1.5 kg zoom with its centre of gravity 100 mm ahead: 1.47 N m [math]', () => {
  expect(moment(1500, 100)).toBeCloseTo(1.47, 2);
  expect(moment(0, 100)).toBe(0);
  expect(moment(1500, -100)).toBeCloseTo(-1.47, 2);
});

test('side load of a drive: torque over pitch radius, times the lever', () => {
  // 0.5 N m on a gear of 80 mm pitch: 12.5 N; 60 mm ahead of the mount: 0.75 N m.
  expect(sideMoment(0.5, 80, 60)).toBeCloseTo(0.75, 10);
});
