import type { Metadata } from 'next';
import { KitView } from '@/views/kit/kit-view';

export const metadata: Metadata = { title: 'Kit - Nelvix' };

export default function Page() {
  return <KitView />;
}
