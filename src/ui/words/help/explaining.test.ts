import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { sampleProjects } from '@/core/project/samples';
import { startings, startProject } from '@/core/size/startings';
import { explained } from './explaining';

describe('a design explained', () => {
  it('is eight whole sentences with its own figures, for every sample and everything to start from', () => {
    const started = startings.map((starting) => startProject(starting, 'p', 'New'));
    for (const project of [...sampleProjects, ...started]) {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(project.name);
      const sentences = explained(project, analysis.design);
      expect(sentences).toHaveLength(8);
      for (const sentence of sentences) {
        expect(sentence).toMatch(/^\p{Lu}.*[.!]$/u);
        expect(sentence).not.toMatch(/undefined|NaN|null|Infinity/);
      }
    }
  });

  it('says what a design that cannot work lacks', () => {
    const dim = sampleProjects.find(({ name }) => name.includes('stays dim'));
    const analysis = dim && analyse(dim);
    if (!dim || !analysis?.ok) throw new Error('no sample');
    const text = explained(dim, analysis.design).join(' ');
    expect(text).toContain('so it may stay dim');
    expect(text).toContain('What to look at first:');
  });
});
