'use client';
import Link from 'next/link';
import { msg } from '@/core/messages';

export default function NotFound() {
  return (
    <main style={{ padding: 40, maxWidth: 520 }}>
      <h1>{msg`There is nothing here`}</h1>
      <p style={{ margin: '8px 0 16px' }}>
        {msg`The build or page you asked for is not here. It may have been deleted, or the
          address is mistyped.`}
      </p>
      <Link href="/">{msg`All builds`}</Link>
    </main>
  );
}
