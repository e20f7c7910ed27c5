import Link from 'next/link';
import type { ReactNode } from 'react';
import { msg } from '@/core/messages';

/** A page that says why there is nothing else on it, and what to do. */
export function TroublePage({
  title,
  children,
  onward = true,
}: {
  readonly title: string;
  readonly children: ReactNode;
  /** Whether the list of builds is a way on. */
  readonly onward?: boolean;
}) {
  return (
    <main style={{ padding: 40, maxWidth: 560, display: 'flex', flexDirection: 'column', gap: 14 }}>
      <h1>{title}</h1>
      {children}
      {onward && <Link href="/">{msg`All builds`}</Link>}
    </main>
  );
}
