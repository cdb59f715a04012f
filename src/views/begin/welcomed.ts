/** Whether this browser has been told what this is; kept on the device alone. */

const KEY = 'nelvix.welcomed';

export function isWelcomed(): boolean {
  try {
    return localStorage.getItem(KEY) !== null;
  } catch {
    // Where nothing can be kept it would come back for ever.
    return true;
  }
}

export function welcomed(): void {
  localStorage.setItem(KEY, '1');
}
