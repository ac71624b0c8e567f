'use client';

import { useMemo } from 'react';
import type { LightRange } from '@/core/light/range';
import { drawnCurves } from '@/core/analyse/curves/drawn';
import { useColors } from '../theme/look';
import { analysisBeside } from '../workbench/analysisCache';
import { useLightText, useProject, useView } from '../workbench/context';
import { amps } from '../words/figures';
import { hearsChanges, whereText } from '../words/goal';
import { Strip } from './Strip';
import { loadStrip } from './strips';
import { ZonesBar } from './ZonesBar';

/** The load of another variant on the same axis. */
export function BesideStrip({ range }: { readonly range: LightRange }) {
  const project = useProject();
  const light = useLightText();
  const colors = useColors();
  const name = useView((state) => state.beside);
  const analysis = name === null ? null : analysisBeside(project, name);
  const circuit = project.others.find((other) => other.name === name)?.circuit;
  const design = analysis?.ok ? analysis.design : null;
  const strip = useMemo(() => design && loadStrip(design, drawnCurves(design), colors), [design, colors]);
  if (!design || !strip) return null;
  const on = design.thresholds ? design.thresholds.turnOn : design.half;
  const isOn = on.ok || (circuit !== undefined && hearsChanges(circuit));
  const where = circuit && isOn ? `on at ${whereText(circuit, on.ok ? on.lux : null, light)}` : 'never on';
  return (
    <Strip
      title={`Load of variant ${name}`}
      note={where}
      summary={`Load of variant ${name} against light, up to ${amps(design.drive.fullAmps)}; ${where}.`}
      reading={amps(design.drive.fullAmps)}
      height={72}
      range={range}
      scale={strip.scale}
      data={strip.data}
    >
      <ZonesBar design={{ ...design, range }} />
    </Strip>
  );
}
