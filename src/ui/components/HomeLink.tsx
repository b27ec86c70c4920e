import Link from 'next/link';
import { Mark } from './Mark';

/** The mark as the way back to the shelf, on pages that belong to no job. */
export function HomeLink() {
  return (
    <Link href="/" aria-label="Back to the shelf" className="grid h-8 w-8 place-items-center rounded-md hover:bg-tape-soft">
      <Mark />
    </Link>
  );
}
