/** What a piece of the rig is where it stands. */
export type PieceSort =
  | 'body'
  | 'screen'
  | 'fitted'
  | 'plate'
  | 'link'
  | 'lens'
  | 'gear'
  | 'thread'
  | 'box'
  | 'swing'
  | 'rods'
  | 'support'
  | 'drive';

/** Which piece: what it is, and where there may be several of it which one. */
export interface Which {
  is: PieceSort;
  id?: string | number;
}

/** The name of a piece on its rig: made here and nowhere taken apart. */
export function pieceKey(is: PieceSort, id?: string | number): string {
  return id === undefined ? is : `${is}:${id}`;
}

/** Whether it stands about the optical axis from the mount to the last ring on the thread. */
export function onAxis({ is }: { is: PieceSort }): boolean {
  return is === 'lens' || is === 'gear' || is === 'thread' || is === 'link';
}
