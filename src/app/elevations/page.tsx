import type { Metadata } from 'next';
import { ElevationsView } from '@/views/elevations/elevations-view';

export const metadata: Metadata = { title: 'Elevations - Nelvix' };

export default function Page() {
  return <ElevationsView />;
}
