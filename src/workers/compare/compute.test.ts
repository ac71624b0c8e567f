import { describe, expect, it } from 'vitest';
import { compareIds } from '@/core/compare/compare';
import { sampleProjects } from '@/core/project/samples';
import { computeCompare } from './compute';

describe('the comparison beside the page', () => {
  it('tells how far it is after each way, and gives plain data that can be sent', async () => {
    const [platform] = sampleProjects;
    const seen: number[] = [];
    const rows = await computeCompare(platform!, (share) => seen.push(share));
    expect(rows.map(({ id }) => id).sort()).toEqual([...compareIds].sort());
    // What cannot work stands last.
    const cannots = rows.map(({ cannots: count }) => (count > 0 ? 1 : 0));
    expect(cannots).toEqual([...cannots].sort());
    expect(seen).toHaveLength(compareIds.length);
    expect(seen.at(-1)).toBe(1);
    expect(structuredClone(rows)).toEqual(rows);
  });
});
