import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { NextConfig } from 'next';

function below(path: string): string[] {
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => below(join(path, name)));
}

/** The same sources give the same build: a rebuild is no new version, and nobody is told of one. */
function buildId(): string {
  const hash = createHash('sha256');
  const sources = ['src', 'data', 'public/icons', 'package-lock.json', 'next.config.ts'];
  for (const file of sources.flatMap(below)) hash.update(file).update(readFileSync(file));
  return hash.digest('hex').slice(0, 20);
}

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  agentRules: false,
  generateBuildId: () => Promise.resolve(buildId()),
  // What was the place of the elevations is the model's.
  redirects: () =>
    Promise.resolve([{ source: '/elevations', destination: '/model', permanent: false }]),
} as NextConfig;

export default config;
