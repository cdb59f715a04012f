import type { Metadata } from 'next';
import { RulesView } from '@/views/rules/rules-view';

export const metadata: Metadata = { title: 'House rules - Nelvix' };

export default function Page() {
  return <RulesView />;
}
