import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ maxWidth: 640, margin: '12vh auto', padding: 24 }}>
      <h1>There is nothing here</h1>
      <p style={{ margin: '18px 0' }}>The page has moved, or what it showed belongs to another shop.</p>
      <Link className="plain" href="/bench">
        To the bench
      </Link>
    </main>
  );
}
