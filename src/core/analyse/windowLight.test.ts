import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { windowEdges } from '../detectors/thresholds';
import { uniforms } from '../numeric/random';
import { changeOutputStage } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { measuredLdr } from '../readings/ldrOf';
import { changeEdgeBand } from '../size/edgeBand';
import { promised, runs } from '../testRuns';
import { DesignCircuit } from './designCircuit';
import { beamFacts } from './tripBeam';

const moss = sampleNamed('Moss terrarium guide');
/** Windows with a band and without, on inside their edges and on outside. */
const windows = [null, 1.15, 1.5].flatMap((ratio) => [
  changeEdgeBand(ratio)(moss),
  changeEdgeBand(ratio)(changeOutputStage({ kind: 'inverted' })(moss)),
]);

function solved(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const { design } = analysis;
  const circuit = DesignCircuit.of(project, measuredLdr(project).model);
  const edges = design.thresholds && windowEdges(design.thresholds);
  if (!edges) throw new Error('no window');
  const isOn = circuit.switching?.isOn ?? [];
  const settle = (from: number, lux: number) => circuit.settle(from, lux)?.position ?? 0;
  return { project, design, edges, isOn, settle };
}

const solvedWindows = windows.map(solved);

describe('a window and a beam', () => {
  it('tell each other just where that is said, whatever was before', () => {
    let [count, agreed] = [0, 0];
    for (const { project, design, edges, isOn, settle } of solvedWindows) {
      const uniform = uniforms(4);
      for (let run = 0; run < runs(300, 4); run++) {
        const ambientLux = edges.lower.falling * 0.2 * 40 ** uniform();
        const beamLux = edges.lower.falling * 0.1 * 100 ** uniform();
        const { works } = beamFacts(design, { ambientLux, beamLux }, project);
        const ends = [...isOn.keys()].map((from) => {
          const whole = settle(from, ambientLux + beamLux);
          const broken = settle(whole, ambientLux);
          const again = settle(broken, ambientLux + beamLux);
          return { whole: isOn[again], broken: isOn[broken], place: `${again} ${broken}` };
        });
        const [first] = ends;
        const tells =
          first !== undefined &&
          first.whole !== first.broken &&
          ends.every(({ place }) => place === first.place);
        count += 1;
        if (works === tells) agreed += 1;
      }
    }
    promised('windows and beams: told apart just where that is said', `${agreed} of ${count}`, 'all');
    expect(agreed).toBe(count);
  });
});
