import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readProjectFile } from './file';
import { migrateProject, PROJECT_VERSION } from './migrate';
import { sampleProjects } from './samples';

const stored = readFileSync(new URL('fixtures/version1.json', import.meta.url), 'utf8');

describe('projects of older versions', () => {
  it('are read as what they were: version 1, as a file of that time stands', () => {
    const read = readProjectFile(stored, 'fresh');
    const today = sampleProjects.find((project) => project.id === 'sample-larder-telltale');
    expect(read).toEqual({ ok: true, project: { ...today, id: 'fresh', meter: null } });
  });

  it('are left alone at the present version', () => {
    expect(migrateProject(sampleProjects[0], PROJECT_VERSION)).toEqual(sampleProjects[0]);
  });

  it('never make something valid of what is not', () => {
    for (const broken of [null, 5, [], { readings: 'none' }, { readings: [null, 3] }]) {
      const file = JSON.stringify({ format: 'yemko-project', version: 1, savedAt: '', project: broken });
      expect(readProjectFile(file, 'fresh')).toMatchObject({ ok: false, reason: 'damaged' });
    }
  });
});
