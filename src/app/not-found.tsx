import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="grid h-screen place-content-center gap-3 text-center">
      <h1 className="text-xl font-semibold">There is nothing at this address</h1>
      <Link className="underline" href="/">
        Back to the shelf
      </Link>
    </main>
  );
}
