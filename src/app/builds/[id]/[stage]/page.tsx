import { notFound } from 'next/navigation';
import { StageView } from '@/view/stages';
import { isStage } from '@/view/workspace/stages';

export default async function StagePage({
  params,
}: {
  readonly params: Promise<{ stage: string }>;
}) {
  const { stage } = await params;
  if (!isStage(stage)) notFound();
  return <StageView stage={stage} />;
}
