/** What asks for help where there is no key for it. */
export const HELP = 'nelvix-help';

export function askForHelp(): void {
  window.dispatchEvent(new Event(HELP));
}
