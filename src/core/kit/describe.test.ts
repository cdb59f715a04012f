import { mountIndex } from '../areas/mount/kit/standards';
import { howMany } from '../quantity/say';
import { demo, exactly, testLens } from '../test-kit';
import { everyField } from './describe';

test('a part says every field it gives, with units, and nothing it does not', () => {
  const job = demo();
  const lens = testLens({
    mass: { value: 540, tol: 5, from: 'measured' },
    imageCircle: [{ diameter: exactly(46) }, { stop: 4, diameter: exactly(48) }],
    rings: [{ id: 'focus', turns: 'focus' }],
    closeFocus: undefined,
  });
  const said = everyField(lens, mountIndex(job));
  expect(said).toContain('mass 540 \u00b15 g');
  expect(said).toContain('image circle 46, 48 mm');
  expect(said).toContain('1 line');
  expect(said).not.toMatch(/NaN|undefined|\[object|close focus/);
  for (const p of job.kit)
    expect(everyField(p, mountIndex(job))).not.toMatch(/NaN|undefined|\[obj/);
});

test('a count and its word agree', () => {
  expect([0, 1, 2].map((n) => howMany(n, 'part'))).toEqual(['0 parts', '1 part', '2 parts']);
  expect(howMany(2, 'body', 'bodies')).toBe('2 bodies');
});
