import { readFileSync } from 'node:fs';
import { problemSentence } from '../core/format/problem';
import { readJob } from '../core/format/read-job';
import { report, reportText } from '../core/format/report';

const USAGE = `Usage: nelvix check FILE [--json]

Checks every rig of a job file with the same core as the application.
Exit 0: nothing fails. 1: something fails. 2: the file cannot be used.
`;

/**
 * Runs the terminal command.
 *
 * @param args words behind the command
 * @returns exit code
 */
export function main(
  args: readonly string[],
  out: (text: string) => void,
  err: (text: string) => void,
): number {
  const json = args.includes('--json');
  const words = args.filter((a) => a !== '--json');
  const unknown = words.find((w) => w.startsWith('-') && w !== '--help');
  if (words.includes('--help')) {
    out(USAGE);
    return 0;
  }
  if (unknown || words[0] !== 'check' || words.length !== 2) {
    err(unknown ? `There is no ${unknown} here.\n${USAGE}` : USAGE);
    return 2;
  }
  const file = words[1]!;
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (e) {
    const code = (e as NodeJS.ErrnoException).code;
    err(
      `${file}: ${code === 'ENOENT' ? 'there is no such file' : `cannot be read (${code ?? 'unknown reason'})`}.\n`,
    );
    return 2;
  }
  const job = readJob(text);
  if (!job.ok) {
    for (const p of job.problems) err(`${problemSentence(p)}\n`);
    return 2;
  }
  const r = report(job.value);
  out(json ? `${JSON.stringify(r, null, 2)}\n` : reportText(job.value, r));
  return r.counts.fail > 0 ? 1 : 0;
}

if (process.argv[1] && /nelvix(\.[cm]?[jt]s)?$/.test(process.argv[1]))
  process.exitCode = main(
    process.argv.slice(2),
    (t) => process.stdout.write(t),
    (t) => process.stderr.write(t),
  );
