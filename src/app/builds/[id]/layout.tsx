import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { openBuild } from '@/server';
import { BenchProvider, Workspace } from '@/view/workspace';

interface Props {
  readonly children: ReactNode;
  readonly params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await openBuild((await params).id))?.build.name ?? 'Build' };
}

export default async function BuildLayout({ children, params }: Props) {
  const opened = await openBuild((await params).id);
  if (!opened) notFound();
  return (
    <BenchProvider key={opened.id} id={opened.id} revision={opened.revision} build={opened.build}>
      <Workspace>{children}</Workspace>
    </BenchProvider>
  );
}
