import { describe, expect, it } from 'vitest';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { decidingKinds } from '../detectors/kinds';
import { detectorDefinition } from '../detectors/registry';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { changeOutputStage } from '../project/detectorEdits';
import { changeGoal, takeTransistor, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from './chooseDetector';
import { actionOfProject, withAction } from './withAction';

const platform = sampleNamed('Platform lamps');
const turned = (project: Project) =>
  changeGoal({ action: project.goal.action === 'on-in-dark' ? 'on-in-light' : 'on-in-dark' })(project);
/** As it is wired, whatever was wanted. */
const meant = (project: Project) => changeGoal({ action: actionOfProject(project) })(project);

describe('a design that is turned round', () => {
  it('has the wanted action, and is left alone where it had it', () => {
    for (const transistor of transistorKinds)
      for (const kind of ['transistor', ...decidingKinds] as const) {
        const taken = together(takeTransistor(defaultTransistor(transistor)), chooseDetector(kind))(platform);
        const own = meant(taken);
        expect(withAction(own)).toBe(own);
        const other = withAction(turned(own));
        const definition = detectorDefinition(taken.detector);
        const canTurn =
          kind === 'transistor' || definition.takesOutputStage || actionOfProject(other) !== own.goal.action;
        expect([transistor, kind, actionOfProject(other) === other.goal.action]).toEqual([
          transistor,
          kind,
          canTurn,
        ]);
      }
  });

  it('is so by what follows a window, which neither inputs nor sides turn round; a pulse and a toggle stay what they are', () => {
    const window = meant(chooseDetector('window')(platform));
    const stageOf = (kind: keyof typeof defaultOutputStages) => {
      const own = changeOutputStage(defaultOutputStages[kind])(window);
      return withAction(turned(meant(own))).outputStage.kind;
    };
    expect(stageOf('direct')).toBe('inverted');
    expect(stageOf('inverted')).toBe('direct');
    for (const kind of ['one-shot', 'counted', 'toggle'] as const) expect(stageOf(kind)).toBe(kind);
  });
});
