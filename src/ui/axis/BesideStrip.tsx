'use client';

import { useMemo } from 'react';
import type { LightRange } from '@/core/light/range';
import { besideProject } from '@/core/project/variants';
import { useColors } from '../theme/look';
import { analysisOf } from '../workbench/analysisCache';
import { useLightText, useProject, useView } from '../workbench/context';
import { amps } from '../words/figures';
import { Strip } from './Strip';
import { loadStrip } from './strips';
import { ZonesBar } from './ZonesBar';

/** The load of another variant on the same axis. */
export function BesideStrip({ range }: { readonly range: LightRange }) {
  const project = useProject();
  const light = useLightText();
  const colors = useColors();
  const name = useView((state) => state.beside);
  const isThere = name !== null && project.others.some((other) => other.name === name);
  const design = useMemo(() => {
    const analysis = isThere && name !== null ? analysisOf(besideProject(project, name)) : null;
    return analysis?.ok ? analysis.design : null;
  }, [project, name, isThere]);
  const strip = useMemo(() => design && loadStrip(design, colors), [design, colors]);
  if (!design || !strip) return null;
  const on = design.decision ? design.decision.turnOn : design.half;
  const where = on.ok ? `on at ${light(on.lux)}` : 'never on';
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
