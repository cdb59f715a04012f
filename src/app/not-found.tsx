import Link from 'next/link';

export default function NotFound() {
  return (
    <section className="mx-auto max-w-xl p-8">
      <h1 className="text-xl font-semibold">Nothing is mounted here</h1>
      <p className="my-3">This address leads to no view of Nelvix.</p>
      <Link prefetch={false} className="inline-flex min-h-11 items-center underline" href="/">
        Back to the rig
      </Link>
    </section>
  );
}
