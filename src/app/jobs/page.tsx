import type { Metadata } from 'next';
import { JobsView } from '@/views/jobs/jobs-view';

export const metadata: Metadata = { title: 'Jobs - Nelvix' };

export default function Page() {
  return <JobsView />;
}
