import { circuitInput } from '../analyse/circuitInput';
import type { Action } from '../drivers/kinds';
import { actionOf } from '../operate/assemble';
import { detectorDefinition } from '../detectors/registry';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { changeOutputStage, swapInputs } from '../project/detectorEdits';
import { driveDirectly, swapLdrSide, type Edit } from '../project/edits';
import type { Project } from '../project/project';

/** The action that a project's wiring gives, wanted or not. */
export const actionOfProject = (project: Project): Action => actionOf(circuitInput(project));

/** What may follow a detector turned round; as it is where that is a pulse or a toggle, or nothing may follow. */
const otherStage: Edit = (project) => {
  const { detector, outputStage } = project;
  if (!detectorDefinition(detector).takesOutputStage || !detectorDefinition(detector).output(detector))
    return project;
  const other = {
    direct: 'inverted',
    inverted: 'direct',
    'one-shot': null,
    counted: null,
    toggle: null,
  } as const;
  const kind = other[outputStage.kind];
  return kind === null ? project : changeOutputStage(defaultOutputStages[kind])(project);
};

/** The LDR's other side; where it drives a base without a divider, with one. */
const otherSide: Edit = (project) => {
  const isAlone =
    project.divider.isDirect && detectorDefinition(project.detector).output(project.detector) === null;
  return swapLdrSide(isAlone ? driveDirectly(false)(project) : project);
};

/** The same design with the wanted action: by what costs least that turns it round; as it is where nothing does. */
export function withAction(project: Project): Project {
  const isRight = (of: Project) => actionOfProject(of) === of.goal.action;
  if (isRight(project)) return project;
  return [swapInputs, otherSide, otherStage].map((turn) => turn(project)).find(isRight) ?? project;
}
