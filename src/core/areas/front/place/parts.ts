import type { Given } from '../../../build/given';
import type { Lin } from '../../../build/lin';
import type {
  Ring,
  Filter,
  Stage,
  TrayUse,
  FlagLeaf,
  FlagUse,
  MatteBox,
  BoxUse,
  ReductionRing,
  Sleeve,
} from '../../../kit/types';
import type { Aperture } from '../../../pupil/aperture';

/** A number as a function of the inputs of the front, in their order. */
export type Num = (x: readonly number[]) => number;

/** Numbers that a computation rests on, gathered while it is put together. */
export class Inputs {
  readonly list: Given[] = [];
  add(g: Given): Num {
    const i = this.list.push(g) - 1;
    return (x) => x[i]!;
  }

  /** A sum of numbers; those that are not among them yet are added. */
  sum(l: Lin): Num {
    const terms = l.terms.map(({ g, k }) => {
      const known = this.list.indexOf(g);
      return { i: known < 0 ? this.list.push(g) - 1 : known, k };
    });
    return (x) => terms.reduce((sum, { i, k }) => sum + k * x[i]!, l.c);
  }
}

/** A ring or filter on the thread. Stations are ahead of the front rim of the lens, nominal. */
export interface ThreadPiece {
  part: Ring | Filter;
  index: number;
  from: number;
  to: number;
  /** Its thickness is not known: drawn at a stand-in. */
  assumed: boolean;
}

export interface PlacedStage {
  stage: Stage;
  use: TrayUse | null;
  filter: Filter | null;
  out: boolean;
  /** Ahead of the back of the box, with what is taken out behind it gone; nominal. */
  z: number | null;
}

export interface PlacedFlag {
  leaf: FlagLeaf;
  use: FlagUse;
}

export interface PlacedBox {
  box: MatteBox;
  use: BoxUse;
  ring: ReductionRing | null;
  sleeve: Sleeve | null;
  stages: PlacedStage[];
  flags: PlacedFlag[];
  /** How much shorter it is than whole, mm; nominal. */
  shorter: number;
}

/** One edge that the light has to pass. */
export interface FrontEdge {
  key: string;
  part: string;
  /** The clear of a filter in its tray: glass, and nothing that shades it. */
  glass: boolean;
  /** As a person says it: `mouth of Sill box`. */
  label: string;
  /** Station ahead of the rim of the lens, or from the image plane for what stands on rods. */
  at: (x: readonly number[], rim: number) => Aperture;
  /** Inputs it rests on, by index. */
  needs: readonly number[];
}

/** What stands under the camera and holds the rods. */
export interface RodDrop {
  /** Axis down to the rods as built, from its inputs. */
  inputs: Given[];
  value: Num;
  /** Height that the box is made for. */
  standard: Given;
  /** The single rod that it stands on, and how far beside the axis that is, mm; else the plate's. */
  single: { name: string; aside: number } | null;
}

/** Everything in front of the lens, with the numbers it rests on. */
export interface Front {
  inputs: Given[];
  /** From the lens outwards; the rim of the lens first when its clear diameter is known. */
  edges: FrontEdge[];
  thread: ThreadPiece[];
  /** Length of what is on the thread; adds to where a box can begin. */
  threadLength: Num;
  box: PlacedBox | null;
  /** Back of the box: from the image plane, for a rim at `rim`. */
  seat: ((x: readonly number[], rim: number) => number) | null;
  drop: RodDrop | null;
  /** What a stand-in stands in for, if anything. */
  assumed: string | null;
  /** Something is on the lens at all. */
  standing: boolean;
}
