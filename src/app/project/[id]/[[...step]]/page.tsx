import type { Metadata } from 'next';
import { WorkbenchScreen } from '@/screens/workbench/WorkbenchScreen';

export const metadata: Metadata = { title: 'Project' };

/** Which project and step it is, the screen reads from the address: so one page, kept, can stand for all without the server. */
export default function ProjectPage() {
  return <WorkbenchScreen />;
}
