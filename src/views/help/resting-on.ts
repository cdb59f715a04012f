const KEY = 'nelvix.words';

/** Whether words explain themselves to who rests on them, on this device. */
export function restingOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off';
  } catch {
    return true;
  }
}

export function setResting(on: boolean): void {
  try {
    if (on) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, 'off');
  } catch {
    // A browser that keeps nothing explains anew every time.
  }
}
