import { ProjectsScreen } from '@/screens/projects/ProjectsScreen';

export default function ProjectsPage() {
  return <ProjectsScreen />;
}
