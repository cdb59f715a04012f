import type { Metadata } from 'next';
import { RigView } from '@/views/rig/rig-view';

export const metadata: Metadata = { title: 'Rig - Nelvix' };

export default function Page() {
  return <RigView />;
}
