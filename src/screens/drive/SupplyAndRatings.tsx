'use client';

import type { Design } from '@/core/design';
import styles from './DrivePanel.module.css';
import { CautionsPanel, RatingsPanel } from './RatingsPanel';
import { SupplyPanel } from './SupplyPanel';

/** Beside the loads: what feeds them, what every part is rated, and what to take care of. */
export function SupplyAndRatings({ design }: { readonly design: Design }) {
  return (
    <div className={styles.sides}>
      <SupplyPanel design={design} />
      <div className={styles.stack}>
        <CautionsPanel />
        <RatingsPanel design={design} />
      </div>
    </div>
  );
}
