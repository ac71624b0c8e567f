import type { Project } from './project';
import { sampleProjects } from './samples';

/** For tests: the sample of a name. */
export function sampleNamed(name: string): Project {
  const sample = sampleProjects.find((project) => project.name === name);
  if (!sample) throw new Error(`no sample ${name}`);
  return sample;
}
