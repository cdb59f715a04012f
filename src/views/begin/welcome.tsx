'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { X } from 'lucide-react';
import { Button, buttonClass } from '@/ui/button';
import { useBench } from '@/views/bench/bench';
import { useSnapshot } from '@/views/store/store-context';
import { welcomed } from './welcomed';

/** The first visit: what this is, that the job is made up, and what to do. It goes for good. */
export default function Welcome() {
  const [here, setHere] = useState(true);
  const { job } = useSnapshot();
  const bench = useBench();
  const router = useRouter();
  if (!here || !job) return null;
  const worst = bench?.facts.verdicts[0];
  const go = () => {
    welcomed();
    setHere(false);
  };
  return (
    <aside
      aria-label="What this is"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-panel px-3 py-1 print:hidden"
    >
      <p className="min-w-0 max-w-[72ch] flex-1 basis-80 leading-snug">
        Nelvix computes what covers, clears, reaches and holds before the parts are on the table.
        This job, <b>{job.name}</b>, is made up. Read what is wrong with it and why, take a fix (it
        can be undone), then begin a rig of your own.
      </p>
      <span className="flex flex-wrap items-center gap-2">
        {bench && worst ? (
          <Button
            onClick={() => {
              bench.setPanel('findings');
              bench.setPicked(worst.key);
              router.push('/');
            }}
          >
            What is wrong, and why
          </Button>
        ) : null}
        <Link prefetch={false} href="/begin" onClick={go} className={buttonClass('strong')}>
          Begin your own
        </Link>
        <Button look="bare" className="w-11 px-0" onClick={go} aria-label="Do not show this again">
          <X size={20} aria-hidden="true" />
        </Button>
      </span>
    </aside>
  );
}
