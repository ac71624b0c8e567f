import type { Design } from '@/core/design';
import { EDGE_RATIO, type EdgeBand } from '@/core/detectors/edgeBand';
import { partWith } from '@/core/parts/find';
import { changeEdgeBand } from '@/core/size/edgeBand';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';
import { switchWords } from '@/ui/words/panels/switch';

interface EdgeBandFieldsProps {
  readonly design: Design;
  readonly hysteresis: EdgeBand | null;
  /** Of its comparators, in their order. */
  readonly names: readonly string[];
}

/** The band of every edge, and the resistors that make it: each can be changed on the drawing. */
export function EdgeBandFields({ design, hysteresis, names }: EdgeBandFieldsProps) {
  const apply = useApply();
  const { parts } = design.assembly;
  const nameOf = (role: 'edge-input' | 'edge-feedback', index: number) =>
    partWith(parts, role, index)?.designator ?? '';
  return (
    <>
      <OptionalQuantity
        label={switchWords.bandOfEachEdge}
        unit="×"
        value={hysteresis?.ratio ?? null}
        limits={EDGE_RATIO}
        onCommit={(ratio) => apply(changeEdgeBand(ratio))}
      />
      {hysteresis && (
        <p className="soft">
          {switchWords.beforeEachInput}{' '}
          <span className="figures">
            {nameOf('edge-input', 0)}–{nameOf('edge-input', names.length - 1)}{' '}
            {partOhms(hysteresis.inputOhms)}
          </span>
          {switchWords.feedbackOf}{' '}
          {names.map((name, index) => (
            <span key={name} className="figures">
              {index > 0 && ' · '}
              {name} {nameOf('edge-feedback', index)} {partOhms(hysteresis.feedbackOhms[index] ?? 0)}
            </span>
          ))}
        </p>
      )}
    </>
  );
}
