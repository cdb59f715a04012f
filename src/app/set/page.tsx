import type { Metadata } from 'next';
import { SetView } from '@/views/set/set-view';

export const metadata: Metadata = { title: 'Lens set - Nelvix' };

export default function Page() {
  return <SetView />;
}
