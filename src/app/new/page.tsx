import type { Metadata } from 'next';
import { NewBuild } from '@/view/shelf/NewBuild';

export const metadata: Metadata = { title: 'New build' };

export default function NewBuildPage() {
  return <NewBuild />;
}
