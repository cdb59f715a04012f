/** What feeds something: a fitted part, one of its outlets, and the lead between. */
export interface FedFrom {
  from: string;
  id: string;
  /** A lead of the kit; none chosen when absent. */
  lead?: string;
  /** Its plugs are tied or clamped, so that nobody pulls them out. */
  tied?: boolean;
  /** How often it is tied on its way, besides at its plugs; nobody said when absent. */
  ties?: number;
  /** Where its outlet has a switch: set over, or as it is sold; nobody said when absent. */
  switched?: boolean;
}
