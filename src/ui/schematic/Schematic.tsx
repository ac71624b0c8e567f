'use client';

import type { Design } from '@/core/design/analysis';
import { useLightText, useProbe, useProject } from '../workbench/context';
import { amps, ohms, volts } from '../words/figures';
import { NpnSchematic } from './NpnSchematic';
import styles from './Schematic.module.css';

/** One drawing for each kind of stage. */
const drawings = { npn: NpnSchematic } as const;

/** The stage as drawn from its own description, with what meters would show at the probe. */
export function Schematic({ design }: { readonly design: Design }) {
  const project = useProject();
  const probe = useProbe();
  const light = useLightText();
  if (!probe) return null;
  const Drawing = drawings[project.stage.kind];
  const points = Object.entries(probe.testPointVolts).map(([id, value]) => `${id} ${volts(value)}`);
  const summary = `Schematic at ${light(probe.lux)}: LDR ${ohms(probe.ldrOhms)}; ${points.join(', ')}; load ${amps(probe.loadAmps)}.`;
  return (
    <figure className={styles.figure}>
      <svg viewBox="0 0 400 240" role="img" aria-label={summary} className={styles.drawing}>
        <Drawing
          description={design.description}
          probe={probe}
          share={probe.loadAmps / design.drive.fullAmps}
        />
      </svg>
      <figcaption className={styles.caption}>
        What a meter shows at <b className="figures">{light(probe.lux)}</b>
      </figcaption>
    </figure>
  );
}
