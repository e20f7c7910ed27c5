import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ padding: 40, maxWidth: 520 }}>
      <h1>There is nothing here</h1>
      <p style={{ margin: '8px 0 16px' }}>
        The build or page you asked for is not here. It may have been deleted, or the address is
        mistyped.
      </p>
      <Link href="/">All builds</Link>
    </main>
  );
}
