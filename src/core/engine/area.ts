import type { Check } from '../checks/check';

/** One subject of the trade: everything of it stands in its folder, and this object registers it. */
export interface Area {
  /** Stable and public: ids of its checks begin with it, or with a subject it took over. */
  id: string;
  name: string;
  /** What it is about, in half a sentence. */
  says: string;
  /** In the order in which a person would look. */
  checks: readonly Check[];
}
