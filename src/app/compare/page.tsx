import type { Metadata } from 'next';
import { CompareView } from '@/views/compare/compare-view';

export const metadata: Metadata = { title: 'Compare - Nelvix' };

export default function Page() {
  return <CompareView />;
}
