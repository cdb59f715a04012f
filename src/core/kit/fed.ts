/** What feeds something: a fitted part, one of its outlets, and the lead between. */
export interface FedFrom {
  from: string;
  id: string;
  /** A lead of the kit; none chosen when absent. */
  lead?: string;
  /** Its plugs are tied or clamped, so that nobody pulls them out. */
  tied?: boolean;
  /** Where its outlet has a switch: set over, or as it is sold; nobody said when absent. */
  switched?: boolean;
}
