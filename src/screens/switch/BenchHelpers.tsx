'use client';

import { Tabs } from 'antd';
import type { Design } from '@/core/design/analysis';
import { Panel } from '@/ui/common/Panel';
import { useProject } from '@/ui/workbench/context';
import { BeamHelper } from './BeamHelper';
import { MinBandHelper } from './LeastBandHelper';
import { MidpointsHelper } from './MidpointsHelper';
import { FeedbackLightHelper } from './OwnLightHelper';

/** What else is asked at the bench while a threshold is set. */
export function BenchHelpers({ design }: { readonly design: Design }) {
  const { detector } = useProject();
  // Neither a ladder nor a change detector has one light at which it turns on and off.
  const hasLights = detector.kind !== 'ladder' && detector.kind !== 'change';
  const midpoints = { key: 'midpoints', label: 'Two midpoints', children: <MidpointsHelper /> };
  const lights = [
    { key: 'own', label: 'Its own light', children: <FeedbackLightHelper design={design} /> },
    { key: 'beam', label: 'Trip beam', children: <BeamHelper design={design} /> },
    { key: 'band', label: 'How wide a band', children: <MinBandHelper design={design} /> },
  ];
  return (
    <Panel title="From the bench">
      <Tabs
        size="small"
        items={[...(detector.kind === 'transistor' ? [] : [midpoints]), ...(hasLights ? lights : [])]}
      />
    </Panel>
  );
}
