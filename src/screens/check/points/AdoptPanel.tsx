'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { analyse, type Design } from '@/core/design';
import { adoptionsOf, resistancesBy } from '@/core/points/adoptions';
import type { Meter } from '@/core/meter/meter';
import { toleranceOf } from '@/core/series/stock';
import type { Project } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { editablesOf } from '@/ui/schematic/editable';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { adoptionText, measuredName, sharpenedText, switchesText } from '@/ui/words/check/adopting';
import { transistorName } from '@/ui/words/names';
import { checkWords } from '@/ui/words/panels/check';
import type { Points } from '@/workers/check/compute';
import styles from '../Check.module.css';

/** Each resistor as the drawing has it, one of several side by side among them, at so many times its value. */
function resistorsOf(project: Project, design: Design) {
  const editables = editablesOf(project, design);
  return (designator: string, times: number) => {
    const editable = editables.get(designator);
    if (editable?.kind !== 'value' || editable.unit !== 'Ω') return null;
    const { value, limits, edit } = editable;
    const ohms = Number((value * times).toPrecision(4));
    return ohms >= limits.min && ohms <= limits.max ? edit(ohms) : null;
  };
}

/** What was measured as part of the design: each by itself, with what it does to the switching light. */
export function AdoptPanel({
  points,
  design,
  meter,
}: {
  readonly points: Points;
  readonly design: Design;
  readonly meter: Meter;
}) {
  const project = useProject();
  const apply = useApply();
  const light = useLightText();
  const { answers, known } = points;
  const lights = useMemo(
    () => (design.resolved.scale === 'lux' ? points.lights : []),
    [design.resolved.scale, points.lights],
  );
  const adoptions = useMemo(
    () =>
      adoptionsOf(project, design.assembly, lights, answers, known, {
        resistances: resistancesBy(
          meter,
          design.assembly,
          points.points,
          answers,
          toleranceOf(project.resistors),
        ),
        editOf: resistorsOf(project, design),
        measuredName: (part) => measuredName(transistorName(part)),
      }).map((adoption) => {
        const after = analyse(adoption.edit(project));
        const lux = after.ok && after.design.half.ok ? after.design.half.lux : null;
        return { ...adoption, lux };
      }),
    [project, design, lights, answers, known, meter, points.points],
  );
  const before = design.half.ok ? design.half.lux : null;
  const sharper = (known ?? []).filter(({ std, priorStd }) => std < 0.75 * priorStd);
  return (
    <Panel title={checkWords.adopt}>
      <p className="soft">{answers.length === 0 ? checkWords.adoptNothing : checkWords.adoptHint}</p>
      {points.light && <p>{switchesText(points.light, light)}</p>}
      {sharper.length > 0 && (
        <ul className={styles.list}>
          {sharper.map((one) => (
            <li key={`${one.factor.of} ${'designator' in one.factor ? one.factor.designator : ''}`}>
              {sharpenedText(one)}
            </li>
          ))}
        </ul>
      )}
      <ul className={styles.list}>
        {adoptions.map((adoption) => (
          <li key={`${adoption.what} ${adoption.after}`}>
            <span>
              {adoptionText(
                adoption,
                before === null ? null : light(before),
                adoption.lux === null ? null : light(adoption.lux),
              )}
            </span>
            <Button size="small" onClick={() => apply(adoption.edit)}>
              {checkWords.adoptTake}
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
