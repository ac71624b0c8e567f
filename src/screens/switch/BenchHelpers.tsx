'use client';

import { Tabs } from 'antd';
import type { Design } from '@/core/design';
import { detectorDefinition } from '@/core/detectors/registry';
import { Panel } from '@/ui/common/Panel';
import { useProject } from '@/ui/workbench/context';
import { BeamHelper } from './BeamHelper';
import { MinBandHelper } from './MinBandHelper';
import { MidpointsHelper } from './MidpointsHelper';
import { FeedbackLightHelper } from './FeedbackLightHelper';
import { switchWords } from '@/ui/words/panels/switch';

/** What else is asked at the bench while a threshold is set. */
export function BenchHelpers({ design }: { readonly design: Design }) {
  const { detector } = useProject();
  const { goal, takesMidpoints } = detectorDefinition(detector);
  const hasLights = goal.lights === 'one' || goal.lights === 'window';
  const midpoints = { key: 'midpoints', label: switchWords.twoMidpoints, children: <MidpointsHelper /> };
  const lights = [
    { key: 'own', label: switchWords.feedbackLight, children: <FeedbackLightHelper design={design} /> },
    { key: 'beam', label: switchWords.tripBeam, children: <BeamHelper design={design} /> },
    { key: 'band', label: switchWords.howWideA, children: <MinBandHelper design={design} /> },
  ];
  return (
    <Panel title={switchWords.fromTheBench}>
      <Tabs size="small" items={[...(takesMidpoints ? [midpoints] : []), ...(hasLights ? lights : [])]} />
    </Panel>
  );
}
