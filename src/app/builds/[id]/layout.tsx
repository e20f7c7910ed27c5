import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { openBuild } from '@/server';
import { EditorProvider, Workspace } from '@/view/workspace';

interface Props {
  readonly children: ReactNode;
  readonly params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await openBuild((await params).id))?.design.name ?? 'Build' };
}

export default async function BuildLayout({ children, params }: Props) {
  const opened = await openBuild((await params).id);
  if (!opened) notFound();
  return (
    <EditorProvider
      key={opened.id}
      id={opened.id}
      revision={opened.revision}
      design={opened.design}
    >
      <Workspace>{children}</Workspace>
    </EditorProvider>
  );
}
