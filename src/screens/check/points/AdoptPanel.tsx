'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { analyse, type Design } from '@/core/design';
import { adoptionsOf } from '@/core/points/adoptions';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { adoptionText, sharpenedText } from '@/ui/words/check/adopting';
import { checkWords } from '@/ui/words/panels/check';
import type { Points } from '@/workers/check/compute';
import styles from '../Check.module.css';

/** What was measured as part of the design: each by itself, with what it does to the switching light. */
export function AdoptPanel({ points, design }: { readonly points: Points; readonly design: Design }) {
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
      adoptionsOf(project, design.assembly, lights, answers, known).map((adoption) => {
        const after = analyse(adoption.edit(project));
        const lux = after.ok && after.design.half.ok ? after.design.half.lux : null;
        return { ...adoption, lux };
      }),
    [project, design, lights, answers, known],
  );
  const before = design.half.ok ? design.half.lux : null;
  const sharper = (known ?? []).filter(({ std, priorStd }) => std < 0.75 * priorStd);
  return (
    <Panel title={checkWords.adopt}>
      <p className="soft">{answers.length === 0 ? checkWords.adoptNothing : checkWords.adoptHint}</p>
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
