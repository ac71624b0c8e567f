import type { Metadata } from 'next';
import { WorkbenchScreen } from '@/screens/workbench/WorkbenchScreen';

export const metadata: Metadata = { title: 'Project' };

export default async function ProjectPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <WorkbenchScreen id={decodeURIComponent(id)} />;
}
