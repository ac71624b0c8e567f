'use client';

import { fixed } from '@/core/quantity/notation';
import { useMemo } from 'react';
import { rightOrWrong, type Outcome } from '@/core/compare/rightOrWrong';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { logSpacedLux } from '@/core/light/range';
import { useLightText, useProject } from '@/ui/workbench/context';
import { ohms } from '@/ui/words/figures';
import { switchesText } from '@/ui/words/goal';
import { measureWords } from '@/ui/words/panels/measure';
import styles from './RightOrWrongNote.module.css';

/** The curve and the switching light with a doubtful reading and without it, to be seen before anyone decides. */
export function RightOrWrongNote({
  id,
  lux,
  read,
}: {
  readonly id: string;
  readonly lux: number | null;
  readonly read: number;
}) {
  const project = useProject();
  const both = useMemo(() => rightOrWrong(project, id), [project, id]);
  if (!both) return null;
  return (
    <div className={styles.both}>
      {lux !== null && <Picture right={both.right} wrong={both.wrong} lux={lux} read={read} />}
      <dl className={styles.sides}>
        <Side name={measureWords.ifItIsRight} outcome={both.right} className={styles.right} />
        <Side name={measureWords.withoutIt} outcome={both.wrong} className={styles.wrong} />
      </dl>
    </div>
  );
}

interface SideProps {
  readonly name: string;
  readonly outcome: Outcome;
  readonly className: string | undefined;
}

function Side({ name, outcome: { curve, switchLux }, className }: SideProps) {
  const light = useLightText();
  const project = useProject();
  return (
    <div>
      <dt className={className}>{name}</dt>
      <dd>
        {switchesText(project, switchLux, light)}
        <span className="soft">
          {' '}
          · γ {fixed(curve.gamma, 2)} · R10 {ohms(curve.r10Ohms)}
        </span>
      </dd>
    </div>
  );
}

const SIZE = { width: 132, height: 72, pad: 5 } as const;
const DECADES = 1.6;

/** Both curves about the reading, on logarithmic axes. */
function Picture({ right, wrong, lux, read }: { right: Outcome; wrong: Outcome; lux: number; read: number }) {
  const lights = logSpacedLux({ minLux: lux / 10 ** DECADES, maxLux: lux * 10 ** DECADES }, 24);
  const ohmsOf = ({ curve }: Outcome) => Array.from(lights, (light) => Math.log(ldrOhmsAt(curve, light)));
  const [solid, dashed] = [ohmsOf(right), ohmsOf(wrong)];
  const all = [...solid, ...dashed, Math.log(read)];
  const [min, max] = [Math.min(...all), Math.max(...all)];
  const x = (index: number) => SIZE.pad + (index / (lights.length - 1)) * (SIZE.width - 2 * SIZE.pad);
  const y = (ln: number) => SIZE.pad + ((max - ln) / (max - min || 1)) * (SIZE.height - 2 * SIZE.pad);
  const path = (values: readonly number[]) =>
    values.map((ln, i) => `${i === 0 ? 'M' : 'L'}${x(i)},${y(ln)}`).join('');
  return (
    <svg width={SIZE.width} height={SIZE.height} role="img" aria-label={measureWords.curveWithAndWithout}>
      <path d={path(solid)} className={styles.rightCurve} />
      <path d={path(dashed)} className={styles.wrongCurve} />
      <circle cx={SIZE.width / 2} cy={y(Math.log(read))} r={3.5} className={styles.dot} />
    </svg>
  );
}
