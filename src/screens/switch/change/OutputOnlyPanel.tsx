import type { Thresholds } from '@/core/detectors/thresholds';
import { Fact, Panel } from '@/ui/common/Panel';
import { amps, volts } from '@/ui/words/figures';
import { switchWords } from '@/ui/words/panels/switch';

/** What fires on a change has an output, and no light at which it switches. */
export function OutputOnlyPanel({ thresholds }: { readonly thresholds: Thresholds }) {
  return (
    <Panel title={switchWords.itsOutput}>
      <Fact
        name="When it fires"
        value={volts(thresholds.onVolts)}
        note={`${volts(thresholds.offVolts)} when quiet`}
      />
      <Fact
        name="Output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
    </Panel>
  );
}
