import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="lonely">
      <h1>There is no page here</h1>
      <p>
        <Link href="/">Back to your projects</Link>
      </p>
    </main>
  );
}
