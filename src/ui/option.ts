import type { State } from '@/core/checks/finding';

/** One thing that a place could take. */
export interface Option {
  id: string;
  name: string;
  hint?: string;
  /** What the rig would be like with it: computed when the list opens. */
  state?: State;
  chosen?: boolean;
  group?: string;
  pick: () => void;
}
