import type { Generator } from './candidate';
import type { Built } from '../build/build';
import type { RoleMoves } from '../edit/role';
import type { Edit } from '../edit/edit';
import type { Check } from './check';
import type { Verdict } from './finding';

/** One subject of the trade: everything of it stands in its folder, and this object registers it. */
export interface Area {
  /** Stable and public: ids of its checks begin with it, or with a subject it took over. */
  id: string;
  name: string;
  /** What it is about, in half a sentence. */
  says: string;
  /** What fails of it says that the lens cannot be put on at all. */
  mates?: true;
  /** It decides whether there is a picture at all: what it wants measured is asked for first. */
  picture?: true;
  /** In the order in which a person would look. */
  checks: readonly Check[];
  /** How pieces are put on and taken off where more follows than the list of their role says. */
  moves?: Readonly<Record<string, RoleMoves>>;
  /** What is worth trying when a check says that something does not go. */
  fixes?: readonly Generator[];
  /**
   * What may go with a fix that would otherwise lower another finding, by the id of the check that
   * it lowers: longer rods that stand out can be slid back.
   */
  followUps?: Readonly<Record<string, (built: Built, lowered: Verdict) => Edit[]>>;
  /** What a change does that is not a finding, in words; null when it does nothing of it. */
  costs?: (before: Built, after: Built) => string | null;
}
