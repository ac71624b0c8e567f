'use client';

import { Drawer, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { probeOf } from '@/core/analyse/probe';
import type { ProbeReading, Probed } from '@/core/analyse/probe';
import { useLightText, useProject } from '../workbench/context';
import { amps, ohms, volts } from '../words/figures';
import { majorTicksOf } from './ticks';
import { sharedWords } from '@/ui/words/panels/shared';

interface FiguresDrawerProps {
  readonly design: Design;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** The table behind the strips: the same curves as figures, three lights a decade and the switching points. */
export function FiguresDrawer({ design, open, onClose }: FiguresDrawerProps) {
  const project = useProject();
  const light = useLightText();
  const rows = useMemo(() => {
    if (!open) return [];
    const { maxLux } = design.range;
    const lights = majorTicksOf(design.range, design.resolved.scale).flatMap(({ light: decade }) => [
      decade,
      2 * decade,
      5 * decade,
    ]);
    const points = [design.justOff, design.half, design.fullyOn].flatMap((point) =>
      point.ok ? [point.lux] : [],
    );
    // From dark to bright, each in the state that the one before left.
    const probe = probeOf(project);
    return [...new Set([...lights.filter((value) => value <= maxLux), ...points])]
      .sort((one, other) => one - other)
      .reduce<readonly Probed[]>((found, value) => {
        const reading = probe(value, found.at(-1)?.state);
        return reading ? [...found, reading] : found;
      }, []);
  }, [open, design, project]);
  return (
    <Drawer title={sharedWords.theStripsAs} open={open} onClose={onClose} size={520}>
      <div tabIndex={0} role="group" aria-label={sharedWords.figures}>
        <Table<ProbeReading>
          size="small"
          pagination={false}
          rowKey="lux"
          dataSource={rows}
          columns={[
            { title: sharedWords.light, dataIndex: 'lux', align: 'right', render: light },
            { title: sharedWords.lDR, dataIndex: 'ldrOhms', align: 'right', render: ohms },
            { title: sharedWords.midpoint, dataIndex: 'midVolts', align: 'right', render: volts },
            { title: sharedWords.baseCurrent, dataIndex: 'baseAmps', align: 'right', render: amps },
            { title: sharedWords.load, dataIndex: 'loadAmps', align: 'right', render: amps },
          ]}
        />
      </div>
    </Drawer>
  );
}
