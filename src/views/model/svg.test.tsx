import fc from 'fast-check';
import { build } from '@/core/build/build';
import { toSvg } from '@/core/drawing/svg';
import { withChanges } from '@/core/edit/edit';
import { demo } from '@/core/test-kit';

const job = demo();
const nasty = fc.oneof(
  fc.constantFrom(
    '</svg><script>x</script>',
    ']]>&lt;&#0;"\'',
    '\u202e\u0007\u0000\ufffe',
    '\ud800 alone',
    '<!--',
  ),
  fc.string({ unit: 'binary', maxLength: 30 }),
);

test('the drawing is a well-formed document whatever the parts, the rig and the job are called', () => {
  fc.assert(
    fc.property(nasty, nasty, (a, b) => {
      const next = withChanges(job, [
        { path: ['name'], value: b },
        { path: ['rigs', 'tug-b', 'name'], value: a },
        { path: ['kit', 'sedge-18-35', 'name'], value: a },
        { path: ['kit', 'ratchet', 'name'], value: b },
      ]);
      const svg = toSvg(
        build(
          next,
          next.rigs.find((r) => r.id === 'tug-b')!,
        ),
      );
      const doc = new DOMParser().parseFromString(svg, 'image/svg+xml');
      expect(doc.querySelector('parsererror')?.textContent ?? null).toBeNull();
      expect(doc.documentElement.tagName).toBe('svg');
      expect(doc.querySelectorAll('script')).toHaveLength(0);
    }),
    { numRuns: 25, seed: 5 },
  );
});
