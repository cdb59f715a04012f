import type { Metadata } from 'next';
import { RescueView } from '@/views/rescue/rescue-view';

export const metadata: Metadata = { title: 'Rescue - Nelvix' };

export default function Page() {
  return <RescueView />;
}
