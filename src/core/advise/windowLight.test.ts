import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { windowEdges } from '../detectors/thresholds';
import { uniforms } from '../numeric/random';
import { changeFeedbackLight, changeOutputStage } from '../project/detectorEdits';
import { changeGoal } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { changeEdgeBand } from '../size/edgeBand';
import { promised, runs } from '../testRuns';
import { curesOf, editTo } from './remedies';

const moss = changeEdgeBand(null)(sampleNamed('Moss terrarium guide'));
const codesOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design.advice.map(({ code }) => code);
};

describe('a window that its own light makes blink', () => {
  it.each([
    ['on inside its edges', moss],
    ['on outside them', changeGoal({ action: 'on-in-dark' })(changeOutputStage({ kind: 'inverted' })(moss))],
  ])('gets a band by a button, and is still then: %s', (name, window) => {
    const analysis = analyse(window);
    const edges = analysis.ok && analysis.design.thresholds && windowEdges(analysis.design.thresholds);
    if (!edges) throw new Error('no window');
    const uniform = uniforms(11);
    let [offered, cured] = [0, 0];
    for (let run = 0; run < runs(60, 30, 4); run++) {
      const own = edges.lower.rising * 0.005 * 120 ** uniform();
      const project = changeFeedbackLight(own)(window);
      expect(codesOf(project)).toContain('feedback-light');
      const [remedy] = curesOf(project).find(({ code }) => code === 'feedback-light')?.remedies ?? [];
      offered += 1;
      if (!remedy) continue;
      const after = codesOf(editTo(remedy)(project));
      if (!after.includes('feedback-light') && !after.includes('no-edge-band')) cured += 1;
    }
    promised(`windows that blink, ${name}: brought to rest by a button`, `${cured} of ${offered}`, 'all');
    expect(cured).toBe(offered);
  });

  it('is told of its edges, not that it turns on and off at one light', () => {
    expect(codesOf(moss)).toContain('no-edge-band');
    expect(codesOf(moss)).not.toContain('no-hysteresis');
  });
});
