'use client';

import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import type { Design } from '@/core/design/analysis';
import type { ProbeReading } from '@/core/design/probe';
import { probeFor } from '../workbench/analysisCache';
import { useProbe, useProject } from '../workbench/context';
import { amps, lux, ohms, percent, volts } from '../words/figures';
import styles from './AxisPanel.module.css';
import { FiguresDrawer } from './FiguresDrawer';
import { LightAxis } from './LightAxis';
import { loadStrip, resistanceStrip, voltageStrip } from './strips';
import { Strip } from './Strip';
import { ZonesBar } from './ZonesBar';

/** The light axis with its three strips: resistance, voltages, load. */
export function AxisPanel({ design }: { readonly design: Design }) {
  const [tableOpen, setTableOpen] = useState(false);
  return (
    <section className={styles.panel} aria-label="Light axis">
      <LightAxis design={design}>
        <ResistanceStrip design={design} />
        <VoltageStrip design={design} />
        <LoadStrip design={design} />
      </LightAxis>
      <footer className={styles.foot}>
        <span className={styles.key}>
          <i className={styles.goalKey} /> goal
        </span>
        <span className={styles.key}>
          <i className={styles.halfKey} /> half on
        </span>
        <span className={styles.key}>
          <i className={styles.softKey} /> soft band, 1 % to 90 %
        </span>
        <span className={styles.hint}>
          <kbd>←</kbd> <kbd>→</kbd> move the probe, with <kbd>Shift</kbd> the goal
        </span>
        <Button size="small" icon={<TableOutlined />} onClick={() => setTableOpen(true)}>
          Figures
        </Button>
      </footer>
      <FiguresDrawer design={design} open={tableOpen} onClose={() => setTableOpen(false)} />
    </section>
  );
}

const ldrOhmsOf = (probe: ProbeReading) => probe.ldrOhms;
const midVoltsOf = (probe: ProbeReading) => probe.midVolts;

function ResistanceStrip({ design }: { readonly design: Design }) {
  const project = useProject();
  const strip = useMemo(() => resistanceStrip(project, design), [project, design]);
  const measured = design.ldr.source === 'measured';
  return (
    <Strip
      title={measured ? 'LDR resistance' : 'LDR resistance (typical LDR, not yours yet)'}
      summary={`Resistance against light, falling from ${ohms(design.sweep.ldrOhms[0] ?? 0)} at the dark end; ${project.readings.length} readings.`}
      reading={<OhmsAtProbe />}
      valueOf={ldrOhmsOf}
      height={114}
      range={design.range}
      {...strip}
    />
  );
}

function OhmsAtProbe() {
  const probe = useProbe();
  return probe && ohms(probe.ldrOhms);
}

function VoltageStrip({ design }: { readonly design: Design }) {
  const project = useProject();
  const halfVolts = useMemo(
    () => (design.half.ok ? (probeFor(project)(design.half.lux)?.midVolts ?? null) : null),
    [project, design],
  );
  const strip = useMemo(() => voltageStrip(project, design, halfVolts), [project, design, halfVolts]);
  const hasBase = project.stage.baseOhms !== null;
  return (
    <Strip
      title={hasBase ? 'Midpoint A, and base B (dotted)' : 'Midpoint A, which is also the base'}
      note={halfVolts === null ? undefined : `half on at ${volts(halfVolts)}`}
      summary={`Midpoint voltage against light${halfVolts === null ? '' : `; the load is half on at ${volts(halfVolts)}`}.`}
      reading={<VoltsAtProbe hasBase={hasBase} />}
      valueOf={midVoltsOf}
      height={112}
      range={design.range}
      {...strip}
    />
  );
}

function VoltsAtProbe({ hasBase }: { readonly hasBase: boolean }) {
  const probe = useProbe();
  return (
    probe && (
      <>
        {hasBase && <span className={styles.second}>B {volts(probe.testPointVolts.B ?? 0)}</span>}
        {volts(probe.midVolts)}
      </>
    )
  );
}

function LoadStrip({ design }: { readonly design: Design }) {
  const { scale, data, factor } = useMemo(() => loadStrip(design), [design]);
  const valueOf = useCallback((probe: ProbeReading) => probe.loadAmps * factor, [factor]);
  return (
    <Strip
      title="Load"
      summary={`Load current against light, up to ${amps(design.drive.fullAmps * design.drive.reachedShare)}${design.half.ok ? `; half on at ${lux(design.half.lux)}` : ''}.`}
      reading={<LoadAtProbe fullAmps={design.drive.fullAmps} />}
      valueOf={valueOf}
      height={84}
      range={design.range}
      scale={scale}
      data={data}
    >
      <ZonesBar design={design} />
    </Strip>
  );
}

function LoadAtProbe({ fullAmps }: { readonly fullAmps: number }) {
  const probe = useProbe();
  if (!probe) return null;
  const share = probe.loadAmps / fullAmps;
  return (
    <>
      <span className={styles.second}>
        {share >= 0.9 ? 'on' : share <= 0.01 ? 'off' : `partly on, ${percent(share)}`}
      </span>
      {amps(probe.loadAmps)}
    </>
  );
}
