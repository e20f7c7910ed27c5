import type { Metadata } from 'next';
import { NewBuild } from '@/view/builds/NewBuild';
import { msg, worded } from '@/core/messages';

export const metadata: Metadata = worded(() => ({ title: msg`New build` }));

export default function NewBuildPage() {
  return <NewBuild />;
}
