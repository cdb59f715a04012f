/** The views of the application, in the order of the work. */
export const VIEWS: readonly { to: string; name: string; words: string }[] = [
  { to: '/', name: 'Rig', words: 'rig line plate findings' },
  { to: '/elevations', name: 'Elevations', words: 'elevations side top front rods drives' },
  { to: '/set', name: 'Lens set', words: 'lens set coverage table' },
  { to: '/compare', name: 'Compare', words: 'compare two' },
  { to: '/kit', name: 'Kit', words: 'kit parts' },
  { to: '/rules', name: 'House rules', words: 'house rules limits' },
  { to: '/jobs', name: 'Jobs', words: 'jobs files import export backup' },
];
