import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { openBuild, readForPage } from '@/server';
import { isStage, STAGES } from '@/view/workspace/stages';
import { msg } from '@/core/messages';

interface Props {
  readonly params: Promise<{ id: string; stage: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id, stage } = await params;
  const read = await readForPage(() => openBuild(id));
  const name = (read.ok ? read.value?.design.name : null) ?? msg`Build`;
  const here = STAGES.find((s) => s.id === stage)?.name;
  return { title: here === undefined ? name : `${here} · ${name}` };
}

/** Names the stage; the layout shows it, so that another is opened without asking the server. */
export default async function StagePage({ params }: Props) {
  const { stage } = await params;
  if (!isStage(stage)) notFound();
  return null;
}
