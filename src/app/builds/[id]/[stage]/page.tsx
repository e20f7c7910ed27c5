import { notFound } from 'next/navigation';
import { isStage } from '@/view/workspace/stages';

/** Names the stage; the layout shows it, so that another is opened without asking the server. */
export default async function StagePage({
  params,
}: {
  readonly params: Promise<{ stage: string }>;
}) {
  const { stage } = await params;
  if (!isStage(stage)) notFound();
  return null;
}
