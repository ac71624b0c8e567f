'use client';

import { useCallback, useMemo } from 'react';
import { drawnCurves } from '@/core/analyse/curves/drawn';
import type { Design } from '@/core/design';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import type { Thresholds } from '@/core/detectors/thresholds';
import type { ProbeReading } from '@/core/analyse/probe';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { useColors } from '../theme/look';
import { fromDark } from '@/core/operate/operate';
import { probedAt } from '../workbench/analysisCache';
import { useLightText, useProbe, useProject, useProjectPart } from '../workbench/context';
import { amps, ohms, percent, volts } from '../words/figures';
import { controlName, onWord } from '../words/names';
import styles from './AxisPanel.module.css';
import { Strip } from './Strip';
import { ZonesBar } from './ZonesBar';
import { loadStrip, residualStrip, resistanceStrip, voltageStrip } from './strips';
import { sharedWords } from '@/ui/words/panels/shared';

const ldrOhmsOf = (probe: ProbeReading) => probe.ldrOhms;
const midVoltsOf = (probe: ProbeReading) => probe.midVolts;

interface StripOf {
  readonly design: Design;
  readonly height: number;
}

const resistanceTitles: Readonly<Record<Design['ldr']['source'], string>> = {
  measured: 'LDR resistance',
  bag: 'LDR resistance (middle of the bag)',
  typical: 'LDR resistance (typical LDR, not yours yet)',
  named: 'LDR resistance, by name',
};

export function ResistanceStrip({ design, height }: StripOf) {
  const readings = useProjectPart((project) => project.readings);
  const colors = useColors();
  const { ldr, range, resolved } = design;
  const strip = useMemo(
    () => resistanceStrip(readings, ldr, resolved, range, colors),
    [readings, ldr, resolved, range, colors],
  );
  return (
    <Strip
      title={resistanceTitles[ldr.source]}
      summary={`Resistance against light, falling from ${ohms(ldrOhmsAt(ldr.curve, range.minLux))} at the dark end; ${readings.length} readings.`}
      reading={<OhmsAtProbe />}
      figureOf={ldrOhmsOf}
      height={height}
      range={range}
      {...strip}
    />
  );
}

function OhmsAtProbe() {
  const probe = useProbe();
  return probe && ohms(probe.ldrOhms);
}

export function ResidualStrip({ design }: { readonly design: Design }) {
  const project = useProject();
  const colors = useColors();
  const strip = useMemo(() => residualStrip(project, design, colors), [project, design, colors]);
  const scatter = design.ldr.source === 'measured' ? design.ldr.fit.residualStd : null;
  const count = design.judgement.flags.length;
  return (
    <Strip
      title={sharedWords.offTheCurve}
      note={count > 0 ? `${count} worth a look, as diamonds` : undefined}
      summary={`How far each reading lies off the curve, in per cent${scatter === null ? '' : `; scatter ${percent(scatter, 1)}`}.`}
      reading={scatter === null ? '–' : `scatter ${percent(scatter, 1)}`}
      height={84}
      range={design.range}
      {...strip}
    />
  );
}

export function VoltageStrip({ design }: { readonly design: Design }) {
  const project = useProject();
  const colors = useColors();
  const { half, thresholds } = design;
  const halfVolts = useMemo(
    () => (half.ok && !thresholds ? (probedAt(project, half.lux, fromDark)?.midVolts ?? null) : null),
    [project, half, thresholds],
  );
  const strip = useMemo(
    () => voltageStrip(design, drawnCurves(design), halfVolts, colors),
    [design, halfVolts, colors],
  );
  const hasBase = design.assembly.testPoints.some(({ id }) => id === 'B') && !thresholds;
  const control = controlName(project.driver.kind);
  const title = thresholds
    ? 'Midpoint A'
    : hasBase
      ? `Midpoint A, and ${control} B (dotted)`
      : `Midpoint A, which is also the ${control}`;
  const note = thresholds
    ? decisionNote(thresholds, isOnce(stageOf(project).kind) ? 'ready' : 'off')
    : halfVolts === null
      ? null
      : `${onWord(design.drive)} at ${volts(halfVolts)}`;
  return (
    <Strip
      title={title}
      note={note ?? undefined}
      summary={`Midpoint voltage against light${note === null ? '' : `; ${note}`}.`}
      reading={<VoltsAtProbe hasBase={hasBase} />}
      figureOf={midVoltsOf}
      height={112}
      range={design.range}
      {...strip}
    />
  );
}

/** The midpoint at which a detector turns on and off. @param back what it is at the other: off, or ready for the next time */
function decisionNote(
  { turnOnVolts: on, turnOffVolts: off, isOn, isWindow }: Thresholds,
  back: 'off' | 'ready',
): string | null {
  if (isOn.length > 2 && !isWindow) return `${isOn.length - 1} steps, dashed`;
  if (on === null) return null;
  if (off === null || Math.abs(on - off) < 0.0005) return `on and ${back} at ${volts(on)}`;
  return `on at ${volts(on)} (dashed), ${back} at ${volts(off)} (dotted)`;
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

export function LoadStrip({ design, height }: StripOf) {
  const light = useLightText();
  const colors = useColors();
  const { scale, data, factor } = useMemo(
    () => loadStrip(design, drawnCurves(design), colors),
    [design, colors],
  );
  const figureOf = useCallback((probe: ProbeReading) => probe.loadAmps * factor, [factor]);
  const on = design.thresholds ? design.thresholds.turnOn : design.half;
  return (
    <Strip
      title={sharedWords.load}
      summary={`Load current against light, up to ${amps(design.drive.fullAmps * design.drive.reachedShare)}${on.ok ? `; ${design.thresholds ? 'turns on' : onWord(design.drive)} at ${light(on.lux)}` : ''}.`}
      reading={<LoadAtProbe design={design} />}
      figureOf={figureOf}
      height={height}
      range={design.range}
      scale={scale}
      data={data}
    >
      <ZonesBar design={design} />
    </Strip>
  );
}

function LoadAtProbe({ design }: { readonly design: Design }) {
  const probe = useProbe();
  const { onAmps } = design.drive;
  if (!probe) return null;
  const share = probe.loadAmps / onAmps;
  const steps = probe.eachLoadAmps.length;
  if (steps > 1 && design.assembly.hasOwnOutputs) {
    const lit = probe.eachLoadAmps.filter(
      (own, index) => own > 0.5 * (design.loads[index]?.onAmps ?? 1),
    ).length;
    return (
      <>
        <span className={styles.second}>{`${lit} of ${steps} on`}</span>
        {amps(probe.loadAmps)}
      </>
    );
  }
  return (
    <>
      <span className={styles.second}>
        {share >= 0.9 ? 'on' : share <= 0.01 ? 'off' : `partly on, ${percent(share)}`}
      </span>
      {amps(probe.loadAmps)}
    </>
  );
}
