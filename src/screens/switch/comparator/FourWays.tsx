'use client';

import { changeDetector } from '@/core/project/detectorEdits';
import { changeDivider, together } from '@/core/project/edits';
import { circuitInput } from '@/core/analyse/circuitInput';
import { actionOf } from '@/core/operate/assemble';
import type { ComparatorSettings } from '@/core/detectors/comparator/settings';
import { useApply, useProject } from '@/ui/workbench/context';
import styles from './FourWays.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const inputs = ['plus', 'minus'] as const;
const sides = ['top', 'bottom'] as const;

/** The four ways of wiring a comparator, each with the action it gives; the one in use is pressed. */
export function FourWays({ settings }: { readonly settings: ComparatorSettings }) {
  const apply = useApply();
  const project = useProject();
  return (
    <table className={styles.ways}>
      <caption className="visually-hidden">{switchWords.whichInputTakes}</caption>
      <thead>
        <tr>
          <td />
          <th scope="col">{switchWords.lDRAbove}</th>
          <th scope="col">{switchWords.lDRBelow}</th>
        </tr>
      </thead>
      <tbody>
        {inputs.map((sensorInput) => (
          <tr key={sensorInput}>
            <th scope="row">midpoint to {sensorInput === 'plus' ? '+' : '−'}</th>
            {sides.map((ldrSide) => {
              const edit = together(
                changeDetector('comparator', { sensorInput }),
                changeDivider({ ldrSide }),
              );
              const action = actionOf(circuitInput(edit(project)));
              const isInUse = sensorInput === settings.sensorInput && ldrSide === project.divider.ldrSide;
              const isWanted = action === project.goal.action;
              return (
                <td key={ldrSide}>
                  <button
                    type="button"
                    aria-pressed={isInUse}
                    className={isInUse ? styles.inUse : isWanted ? styles.wanted : styles.other}
                    onClick={() => apply(edit)}
                  >
                    {action === 'on-in-dark' ? 'on in the dark' : 'on in the light'}
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
