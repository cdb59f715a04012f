import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { placeAt } from '@/views/places';
import { PlaceView } from '@/views/shell/place-view';

interface Props {
  params: Promise<{ place: string }>;
}

const find = async ({ params }: Props) => placeAt(`/${(await params).place}`);

export async function generateMetadata(props: Props): Promise<Metadata> {
  const place = await find(props);
  return place ? { title: `${place.name} - Nelvix` } : {};
}

/** Every place but the first: what is shown there follows from the list of places. */
export default async function Page(props: Props) {
  const place = await find(props);
  if (!place?.load) notFound();
  return <PlaceView to={place.to} />;
}
