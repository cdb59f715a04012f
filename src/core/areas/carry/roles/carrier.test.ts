import { deedsOf, putOn, takenOff } from '../../moves';
import { withChanges } from '../../../edit/edit';
import { partsOn } from '../../../roles/uses';
import { testJob } from '../../../test-kit';
import { carrierRole } from './carrier';

describe('carrier', () => {
  test('goes on, is on, and comes off again', () => {
    const part = { id: 'piece', kind: carrierRole.kinds[0]!, name: 'Piece' };
    const job = testJob();
    const all = { ...job, kit: [...job.kit, part] };
    const on = withChanges(all, putOn(all, all.rigs[0]!, part)!.changes);
    expect(partsOn(on.rigs[0]!)).toContain('piece');
    expect(deedsOf(on, on.rigs[0]!).map((d) => d.title)).toContain('Take Piece off');
    const off = withChanges(on, takenOff(on.rigs[0]!, part));
    expect(partsOn(off.rigs[0]!)).not.toContain('piece');
  });
});
