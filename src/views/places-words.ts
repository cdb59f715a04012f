/** What the command line finds each place by; it comes with the command line. */
export const PLACES_WORDS: Readonly<Record<string, string>> = {
  '/jobs': 'jobs files import export backup log',
  '/begin': 'begin new own rig start typical shelf',
  '/kit': 'kit parts sheets',
  '/': 'rig line plate findings',
  '/model': 'model elevations side top front rods drives',
  '/carry': 'carry balance mass weight hold head legs gimbal shoulder handle hang',
  '/power': 'power battery plate outlet lead cable volts amps hours feed',
  '/set': 'lens set coverage table',
  '/configurations': 'configurations studio shoulder cabin gimbal table changes',
  '/compare': 'compare two',
  '/rules': 'house rules limits',
};
