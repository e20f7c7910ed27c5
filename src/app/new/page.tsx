import type { Metadata } from 'next';
import { NewBuild } from '@/view/builds/NewBuild';

export const metadata: Metadata = { title: 'New build' };

export default function NewBuildPage() {
  return <NewBuild />;
}
