import { describe, expect, it } from 'vitest';
import { takeDetector } from '../project/detectorEdits';
import { changeGoal } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { detectorKinds } from '../detectors/kinds';
import { analyse } from '../design';
import { chooseDetector } from './chooseDetector';
describe.each(detectorKinds)('decided by %s', (kind) => {
  it.each(sampleProjects.map((project) => [project.name, project] as const))(
    'works as it stands for %s, near the goal and with nothing that cannot work in the switch',
    (_, sample) => {
      // What fires on a change has no light of its own.
      if (kind === 'transistor' || kind === 'change') return;
      for (const action of ['on-in-dark', 'on-in-light'] as const) {
        const project = chooseDetector(kind)(
          changeGoal({ action, offLux: null })(
            takeDetector({ kind: 'transistor' })({ ...sample, feedbackLux: 0 }),
          ),
        );
        const analysis = analyse(project);
        if (!analysis.ok) throw new Error(analysis.reason);
        const { design } = analysis;
        // On between two lights is told as on in the light.
        expect(design.action).toBe(kind === 'window' ? 'on-in-light' : action);
        if (!design.half.ok) throw new Error('does not switch');
        expect(Math.abs(Math.log(design.half.lux / project.goal.lux))).toBeLessThan(0.12);
        // A microcontroller wants a supply of its own on more than 5 V, and says so; nothing else stands in the way.
        const first = design.advice.find(({ step }) => step === 'switch');
        if (kind === 'controller' && project.divider.supplyVolts > 5.5)
          expect(first?.code).toBe('controller-supply');
        else expect(design.states.switch).not.toBe('cannot');
      }
    },
  );
});
